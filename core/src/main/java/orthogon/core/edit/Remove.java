package orthogon.core.edit;

import orthogon.core.language.Piping;
import orthogon.core.language.Texts;
import orthogon.core.place.Place.Rule;
import orthogon.core.place.PlaceText;
import orthogon.core.place.RuleFamily;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Places;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Refused;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;

/**
 * Items or pages taken out.
 *
 * @param withDependents whether the conditions that refer to them are removed too, and derived values removed; without it, the removal
 *            is refused while something else refers to them
 */
public record Remove(List<String> codes, boolean withDependents) implements Edit {

    public Remove(String code) {
        this(List.of(code), false);
    }

    @Override
    public Questionnaire apply(Questionnaire document) throws Refused {
        Set<String> going = new LinkedHashSet<>(codes);
        Set<String> places = new TreeSet<>();
        boolean more = true;
        while (more) {
            places.addAll(References.dependents(document, going));
            more = false;
            for (String place : places) {
                more |= derived(place).filter(going::add).isPresent();
            }
        }
        places.removeIf(p -> withDependents && derived(p).filter(going::contains).isPresent());
        if (!places.isEmpty() && !withDependents) {
            throw new Refused("These depend on " + String.join(", ", codes) + ": "
                    + String.join(", ", References.dependents(document, new LinkedHashSet<>(codes)))
                    + ". Change or remove them first.");
        }
        Questionnaire changed = Places.without(document, places);
        for (String code : going) {
            boolean page = changed.page(code).isPresent();
            if (!page && changed.item(code).isEmpty() && document.item(code).isEmpty()) {
                throw WholeDocument.gone(code);
            }
            if (page && changed.pages().size() == 1) {
                throw new Refused("A questionnaire needs at least one page.");
            }
            changed = page
                    ? changed.withPages(changed.pages().stream().filter(p -> !p.code().equals(code)).toList())
                    : WholeDocument.without(changed, Set.of(code));
        }
        Set<String> gone = new LinkedHashSet<>(going);
        going.forEach(code -> {
            document.page(code).ifPresent(p -> p.allItems().forEach(i -> gone.add(i.code())));
            document.item(code).ifPresent(i -> i.withInner().forEach(inner -> gone.add(inner.code())));
        });
        changed = Texts.apply(changed, (unit, text) -> Piping.without(text, gone));
        changed = changed.withMessages(changed.messages().stream().map(m -> m.without(gone)).toList())
                .withFollowUps(changed.followUps().stream().map(f -> f.without(gone)).toList())
                .withEnding(changed.outcomes().stream().map(o -> o.without(gone)).toList(), changed.outcomeTable());
        return Places.withoutSkipsToNowhere(changed, document.pages().stream().map(Page::code).filter(going::contains).toList());
    }

    @Override
    public String says() {
        return "removed " + String.join(", ", codes) + (withDependents ? " with what depended on it" : "");
    }

    @Override
    public Set<String> about() {
        return Set.copyOf(codes);
    }

    /** The derived value that an expression computes; empty for any other expression. */
    private static Optional<String> derived(String place) {
        return PlaceText.rule(place).filter(r -> r.family() == RuleFamily.DERIVE).map(Rule::row);
    }
}
