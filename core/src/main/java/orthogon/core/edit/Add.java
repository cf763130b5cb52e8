package orthogon.core.edit;

import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Refused;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * Items put after another one.
 *
 * @param container code of a page, section or roster
 * @param after code of an item in it; empty for the end
 */
public record Add(String container, String after, List<Item> items) implements Edit {

    public Add(String container, String after, Item item) {
        this(container, after, List.of(item));
    }

    @Override
    public Questionnaire apply(Questionnaire document) throws Refused {
        WholeDocument.refuseTaken(items.stream().flatMap(Item::withInner).map(Item::code).toList(), document);
        Questionnaire changed = WholeDocument.inContainer(document, container, there -> WholeDocument.placed(there, after, items));
        WholeDocument.refuseNewFaults(document, changed);
        return changed;
    }

    @Override
    public String says() {
        return "added " + items.stream().map(Item::code).collect(Collectors.joining(", "));
    }

    @Override
    public Set<String> about() {
        return Set.of();
    }
}
