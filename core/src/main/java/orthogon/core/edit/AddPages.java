package orthogon.core.edit;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Questionnaire;

/**
 * Pages put after another one.
 *
 * @param after code of a page; empty for the end
 */
public record AddPages(String after, List<Page> pages) implements Edit {

    @Override
    public Questionnaire apply(Questionnaire document) throws Refused {
        Whole.refuseTaken(pages.stream().flatMap(p -> Stream.concat(Stream.of(p.code()), p.allItems().map(Item::code))).toList(), document);
        Questionnaire changed = Whole.withPages(document, after, pages);
        Whole.refuseNewFaults(document, changed);
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
