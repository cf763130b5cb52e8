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

/** An item or page one place up or down; an item over the edge of its section or page where it stands there. */
public record Step(String code, boolean up) implements Edit {

    @Override
    public Questionnaire apply(Questionnaire document) throws Refused {
        if (document.page(code).isPresent()) {
            List<Page> pages = new ArrayList<>(document.pages());
            int at = pages.indexOf(document.page(code).get());
            int to = up ? at - 1 : at + 1;
            if (to < 0 || to >= pages.size()) {
                throw atTheEdge("page " + code);
            }
            pages.add(to, pages.remove(at));
            return document.withPages(pages);
        }
        Item item = document.item(code).orElseThrow(() -> WholeDocument.gone(code));
        for (Page page : document.pages()) {
            Optional<List<Item>> moved = within(page.items(), item);
            if (moved.isPresent()) {
                return document.withPage(page.code(), p -> p.withItems(moved.get()));
            }
        }
        return overThePageEdge(document, item);
    }

    private Refused atTheEdge(String what) {
        return new Refused(what + " stands at the " + (up ? "beginning" : "end") + " already.");
    }

    /** Moved among its neighbours or out of its section; empty where it stands at the edge of the page. */
    private Optional<List<Item>> within(List<Item> items, Item item) {
        int at = items.indexOf(item);
        List<Item> changed = new ArrayList<>(items);
        if (at >= 0) {
            int to = up ? at - 1 : at + 1;
            if (to < 0 || to >= items.size()) {
                return Optional.empty();
            }
            changed.remove(at);
            changed.add(to, item);
            return Optional.of(changed);
        }
        for (int i = 0; i < items.size(); i++) {
            if (items.get(i) instanceof Group group && group.withInner().anyMatch(item::equals)) {
                Optional<List<Item>> inner = within(group.items(), item);
                if (inner.isPresent()) {
                    changed.set(i, group.withItems(inner.get()));
                } else {
                    changed.set(i, group.withItems(WholeDocument.without(group.items(), Set.of(item.code()))));
                    changed.add(up ? i : i + 1, item);
                }
                return Optional.of(changed);
            }
        }
        return Optional.empty();
    }

    private Questionnaire overThePageEdge(Questionnaire document, Item item) throws Refused {
        int from = document.pages().indexOf(document.pageOf(code).orElseThrow());
        int to = up ? from - 1 : from + 1;
        if (to < 0 || to >= document.pages().size()) {
            throw atTheEdge(code);
        }
        List<Page> pages = new ArrayList<>(document.pages());
        pages.set(from, pages.get(from).withItems(WholeDocument.without(pages.get(from).items(), Set.of(code))));
        List<Item> there = new ArrayList<>(pages.get(to).items());
        there.add(up ? there.size() : 0, item);
        pages.set(to, pages.get(to).withItems(there));
        return document.withPages(pages);
    }

    @Override
    public String says() {
        return "moved " + code + (up ? " up" : " down");
    }

    @Override
    public Set<String> about() {
        return Set.of(code);
    }
}
