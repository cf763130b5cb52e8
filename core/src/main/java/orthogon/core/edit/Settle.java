package orthogon.core.edit;

import orthogon.core.language.Texts;
import orthogon.core.place.PlaceText;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Places;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Refused;
import java.util.Map;
import java.util.Set;

/**
 * Another text at one place, as a suggested fix says it: a condition or start value, a text that respondents read, or
 * {@code species.keepWhenHidden}.
 *
 * @param text what stands there afterwards; empty takes away what stood there
 */
public record Settle(String place, String text) implements Edit {

    private static final String KEEP = ".keepWhenHidden";

    @Override
    public Questionnaire apply(Questionnaire document) throws Refused {
        if (place.endsWith(KEEP)) {
            Item item = document.item(owner()).orElseThrow(() -> WholeDocument.gone(owner()));
            if (!(item instanceof Question)) {
                throw new Refused(owner() + " has no answer that could be kept.");
            }
            return document.withItem(owner(), i -> ((Question) i).withKeepWhenHidden(Boolean.parseBoolean(text)));
        }
        if (Places.exists(document, place)) {
            return new SetConditions(Map.of(place, text)).apply(document);
        }
        if (!Texts.all(document).containsKey(place)) {
            throw WholeDocument.gone("place " + place);
        }
        return Texts.apply(document, (unit, before) -> unit.equals(place) ? text : before);
    }

    /** The page, item or outcome that a rule, a text or a setting belongs to. */
    private String owner() {
        String row = PlaceText.unit(place).row();
        return PlaceText.rule(place).isPresent() ? SetConditions.owner(place) : row.isEmpty() ? place : row;
    }

    @Override
    public String says() {
        return "settled " + place;
    }

    @Override
    public Set<String> about() {
        return Set.of(owner());
    }
}
