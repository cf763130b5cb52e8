package orthogon.core.edit;

import orthogon.core.questionnaire.Group;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Refused;
import java.util.Set;

/** Another version of an item, under the same code. What a section or roster holds stays as it is. */
public record ChangeItem(Item item, String what) implements Edit {

    @Override
    public Questionnaire apply(Questionnaire document) throws Refused {
        Item now = document.item(item.code()).orElseThrow(() -> WholeDocument.gone(item.code()));
        if (!now.getClass().equals(item.getClass())) {
            throw new Refused(item.code() + " is something else now.");
        }
        Item changed = now instanceof Group held && item instanceof Group group ? group.withItems(held.items()) : item;
        Questionnaire after = Meant.understood(document, document.withItem(item.code(), i -> changed));
        WholeDocument.refuseNewFaults(document, after);
        return after;
    }

    @Override
    public String says() {
        return "changed " + what + " of " + item.code();
    }

    @Override
    public Set<String> about() {
        return Set.of(item.code());
    }
}
