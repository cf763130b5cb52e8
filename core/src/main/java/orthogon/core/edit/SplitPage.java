package orthogon.core.edit;

import orthogon.core.questionnaire.Codes;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Refused;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/**
 * A page cut in two before one of its items. The second half opens under the same condition and takes the finishes and skips along, since
 * they are tried after what was asked.
 *
 * @param before code of the item that the second page begins with; it stands on the page itself, not in a section, and is not the first
 */
public record SplitPage(String before) implements Edit {

    /** Whether a page can be cut before the row. */
    public static boolean isPossible(Questionnaire document, String code) {
        return document.pageOf(code).map(p -> WholeDocument.indexOf(p.items(), code) > 0).orElse(false) && document.item(code).isPresent();
    }

    @Override
    public Questionnaire apply(Questionnaire document) throws Refused {
        if (!isPossible(document, before)) {
            throw new Refused("A page can be split before any row directly on it but the first.");
        }
        Page page = document.pageOf(before).orElseThrow();
        int at = WholeDocument.indexOf(page.items(), before);
        List<Item> first = page.items().subList(0, at);
        List<Item> second = page.items().subList(at, page.items().size());
        String code = Codes.fresh(page.code(), WholeDocument.codes(document)::contains);
        List<Page> pages = new ArrayList<>(document.pages());
        int index = pages.indexOf(page);
        pages.set(index, new Page(page.code(), page.title(), page.introduction(), page.openWhen(), first, List.of(), List.of()));
        pages.add(index + 1, new Page(code, page.title(), "", page.openWhen(), second, page.finish(), page.skip()));
        return document.withPages(pages);
    }

    @Override
    public String says() {
        return "split the page before " + before;
    }

    @Override
    public Set<String> about() {
        return Set.of(before);
    }
}
