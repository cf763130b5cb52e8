package orthogon.core.edit;

import orthogon.core.place.Place.Rule;
import orthogon.core.place.PlaceText;
import orthogon.core.questionnaire.Places;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Refused;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.Map;
import java.util.Set;

/**
 * Conditions at several places at once.
 *
 * @param texts place to condition; empty takes the condition away
 */
public record SetConditions(Map<String, String> texts) implements Edit {

    public SetConditions {
        texts = Collections.unmodifiableMap(new LinkedHashMap<>(texts));
    }

    @Override
    public Questionnaire apply(Questionnaire document) throws Refused {
        for (String place : texts.keySet()) {
            if (!Places.exists(document, place)) {
                throw WholeDocument.gone("place " + place);
            }
        }
        Questionnaire changed = Meant.understood(document, Places.with(document, texts));
        WholeDocument.refuseNewFaults(document, changed);
        return changed;
    }

    @Override
    public String says() {
        return "set the condition of " + String.join(", ", texts.keySet());
    }

    @Override
    public Set<String> about() {
        Set<String> owners = new LinkedHashSet<>();
        texts.keySet().forEach(place -> owners.add(owner(place)));
        return owners;
    }

    /** The item or page that a place belongs to, or {@link Edit#ENDING}. */
    static String owner(String place) {
        return PlaceText.rule(place).map(Rule::row).filter(row -> !row.isEmpty()).orElse(ENDING);
    }
}
