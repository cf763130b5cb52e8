package orthogon.core.edit;

import orthogon.core.questionnaire.Group;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Refused;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** An item into the section or roster directly above it, or out of the one it stands in. */
public record Shift(String code, boolean in) implements Edit {

    @Override
    public Questionnaire apply(Questionnaire document) throws Refused {
        Item item = document.item(code).orElseThrow(() -> WholeDocument.gone(code));
        List<Page> pages = new ArrayList<>();
        boolean moved = false;
        for (Page page : document.pages()) {
            Optional<List<Item>> items = moved ? Optional.empty() : in ? into(page.items(), item) : outOf(page.items(), item);
            pages.add(items.map(page::withItems).orElse(page));
            moved |= items.isPresent();
        }
        if (!moved) {
            throw new Refused(in
                    ? "There is no section or roster directly above " + code + " to move it into."
                    : code + " stands in no section or roster.");
        }
        Questionnaire changed = document.withPages(pages);
        WholeDocument.refuseNewFaults(document, changed);
        return changed;
    }

    private static Optional<List<Item>> into(List<Item> items, Item item) {
        List<Item> changed = new ArrayList<>(items);
        int at = items.indexOf(item);
        if (at > 0 && items.get(at - 1) instanceof Group group) {
            List<Item> inner = new ArrayList<>(group.items());
            inner.add(item);
            changed.remove(at);
            changed.set(at - 1, group.withItems(inner));
            return Optional.of(changed);
        }
        for (int i = 0; i < items.size(); i++) {
            if (items.get(i) instanceof Group group) {
                Optional<List<Item>> inner = into(group.items(), item);
                if (inner.isPresent()) {
                    changed.set(i, group.withItems(inner.get()));
                    return Optional.of(changed);
                }
            }
        }
        return Optional.empty();
    }

    private static Optional<List<Item>> outOf(List<Item> items, Item item) {
        List<Item> changed = new ArrayList<>(items);
        for (int i = 0; i < items.size(); i++) {
            if (!(items.get(i) instanceof Group group)) {
                continue;
            }
            if (group.items().contains(item)) {
                changed.set(i, group.withItems(group.items().stream().filter(o -> !o.equals(item)).toList()));
                changed.add(i + 1, item);
                return Optional.of(changed);
            }
            Optional<List<Item>> inner = outOf(group.items(), item);
            if (inner.isPresent()) {
                changed.set(i, group.withItems(inner.get()));
                return Optional.of(changed);
            }
        }
        return Optional.empty();
    }

    @Override
    public String says() {
        return "moved " + code + (in ? " into a section" : " out of its section");
    }

    @Override
    public Set<String> about() {
        return Set.of(code);
    }
}
