package orthogon.core.expression;

import orthogon.core.place.RuleFamily;
import orthogon.core.questionnaire.Derived;
import orthogon.core.questionnaire.DispatchMessage;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Roster;
import java.util.Collection;
import java.util.LinkedHashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** The names that an expression may use at its place. Inside a roster, names mean the entry at hand; what stands behind the last page knows the outcome. */
final class NamesInScope implements Typer.Scope {

    private static final String OUTCOME = "outcome";

    private final Wiring wiring;
    private final Map<String, Type> types;
    private final Set<String> askable;
    private final boolean behind;
    private final boolean claims;
    private final String here;

    /**
     * @param types of all names so far; may still grow
     * @param askable names of what {@code asked} can be about
     * @param owner the item, page or claim at which the expression stands
     */
    NamesInScope(Wiring wiring, Map<String, Type> types, Set<String> askable, RuleFamily family, String owner) {
        this.wiring = wiring;
        this.types = types;
        this.askable = askable;
        this.behind = family.isBehindTheEnd();
        this.claims = family == RuleFamily.CLAIM;
        this.here = behind || family == RuleFamily.OUTCOME_ROW ? "" : wiring.rosterOf(owner).orElse("");
    }

    private boolean elsewhere(String name) {
        return wiring.rosterOf(name).filter(roster -> !roster.equals(here)).isPresent();
    }

    @Override
    public Optional<Type> type(String name) {
        if (behind && name.equals(OUTCOME)) {
            Set<String> outcomes = new LinkedHashSet<>();
            wiring.document().outcomes().forEach(o -> outcomes.add(o.code()));
            return Optional.of(Type.choice(OUTCOME, outcomes));
        }
        if (elsewhere(name)) {
            return Optional.empty();
        }
        return wiring.items().get(name) instanceof Derived && !types.containsKey(name) ? Optional.of(Type.NOTHING) : wiring.type(name);
    }

    @Override
    public Collection<String> names() {
        Set<String> names = new LinkedHashSet<>();
        types.keySet().stream().filter(n -> !elsewhere(n)).forEach(names::add);
        wiring.items().values().stream().filter(Roster.class::isInstance).forEach(r -> names.add(r.code()));
        if (behind) {
            names.add(OUTCOME);
        }
        return names;
    }

    @Override
    public Optional<String> otherwise(String name) {
        if (name.equals(OUTCOME) && !wiring.items().containsKey(name)) {
            return Optional.of("outcome is known only at the end; own claims and messages may use it");
        }
        if (elsewhere(name)) {
            return Optional.of(name + " is answered once for each entry; write " + wiring.rosterOf(name).orElseThrow() + "." + name
                    + " for all of them");
        }
        return Optional.ofNullable(wiring.items().get(name)).map(i -> name + " is a " + i.kind() + " and has no answer");
    }

    @Override
    public Collection<String> askable() {
        return behind ? askable : Set.of();
    }

    @Override
    public Collection<String> sendable() {
        return claims
                ? wiring.document().messages().stream().filter(DispatchMessage::isAfterAnswers).map(DispatchMessage::code).toList()
                : Set.of();
    }

    @Override
    public boolean hasScore(String name) {
        return !elsewhere(name) && wiring.items().get(name) instanceof Question q
                && q.answer().isChoice();
    }
}
