package orthogon.core.edit;

import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Refused;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;

/**
 * Items moved to a page, section or roster, in document order.
 *
 * @param container where they come to stand
 * @param after code of the item that they come to stand behind; the container's own code for its beginning, empty for its end
 */
public record PlaceRows(List<String> codes, String container, String after) implements Edit {

    @Override
    public Questionnaire apply(Questionnaire document) throws Refused {
        Set<String> moving = new LinkedHashSet<>(codes);
        for (String code : codes) {
            Item item = document.item(code).orElseThrow(() -> WholeDocument.gone(code));
            if (item.withInner().anyMatch(i -> i.code().equals(container) || i.code().equals(after))) {
                throw new Refused(code + " cannot be moved into or after itself.");
            }
            item.withInner().skip(1).forEach(i -> moving.remove(i.code()));
        }
        List<Item> items = document.items().filter(i -> moving.contains(i.code())).toList();
        Questionnaire taken = WholeDocument.without(document, moving);
        Questionnaire changed = WholeDocument.inContainer(taken, container, there -> {
            if (!after.equals(container)) {
                return WholeDocument.placed(there, after, items);
            }
            List<Item> first = new java.util.ArrayList<>(items);
            first.addAll(there);
            return first;
        });
        WholeDocument.refuseNewFaults(document, changed);
        return changed;
    }

    @Override
    public String says() {
        return "moved " + String.join(", ", codes) + " to " + container;
    }

    @Override
    public Set<String> about() {
        return Set.copyOf(codes);
    }
}
