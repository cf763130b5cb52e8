package orthogon.core.edit;

import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Refused;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * Pages put after another one.
 *
 * @param after code of a page; empty for the end
 * @param instead whether they take the place of the page; it is the only one and has no items
 */
public record AddPages(String after, List<Page> pages, boolean instead) implements Edit {

    public AddPages(String after, List<Page> pages) {
        this(after, pages, false);
    }

    @Override
    public Questionnaire apply(Questionnaire document) throws Refused {
        WholeDocument.refuseTaken(pages.stream().flatMap(p -> Stream.concat(Stream.of(p.code()), p.allItems().map(Item::code))).toList(),
                document);
        Questionnaire changed = WholeDocument.withPages(document, after, pages);
        WholeDocument.refuseNewFaults(document, changed);
        if (instead && document.pages().size() == 1 && document.pages().getFirst().items().isEmpty()) {
            return new Remove(document.pages().getFirst().code()).apply(changed);
        }
        return changed;
    }

    @Override
    public String says() {
        return "added page " + pages.stream().map(Page::code).collect(Collectors.joining(", "));
    }

    @Override
    public Set<String> about() {
        return Set.of();
    }
}
