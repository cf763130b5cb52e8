package orthogon.core.edit;

import orthogon.core.place.PlaceText;
import orthogon.core.place.RuleFamily;
import orthogon.core.questionnaire.Places;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Refused;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;

/** Rules taken away: a condition left empty, a skip, finish, outcome row, accept or reword condition taken out. */
public record Strike(List<String> places) implements Edit {

    @Override
    public Questionnaire apply(Questionnaire document) throws Refused {
        for (String place : places) {
            if (!Places.exists(document, place)) {
                throw WholeDocument.gone("place " + place);
            }
            if (PlaceText.rule(place).filter(r -> r.family() == RuleFamily.DERIVE).isPresent()) {
                throw new Refused("A derived value is removed on the Compose sheet.");
            }
        }
        return Places.without(document, places);
    }

    @Override
    public String says() {
        return "removed " + String.join(", ", places);
    }

    @Override
    public Set<String> about() {
        Set<String> owners = new LinkedHashSet<>();
        places.forEach(place -> owners.add(SetConditions.owner(place)));
        return owners;
    }
}
