package orthogon.core.edit;

import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Refused;
import java.util.List;
import java.util.Set;

/**
 * A page moved.
 *
 * @param after code of the page that it comes to stand behind; empty for the beginning
 */
public record PlacePage(String code, String after) implements Edit {

    @Override
    public Questionnaire apply(Questionnaire document) throws Refused {
        Page page = document.page(code).orElseThrow(() -> WholeDocument.gone(code));
        Questionnaire without = document.withPages(document.pages().stream().filter(p -> p != page).toList());
        if (after.isEmpty()) {
            List<Page> pages = new java.util.ArrayList<>(without.pages());
            pages.addFirst(page);
            return document.withPages(pages);
        }
        if (without.page(after).isEmpty()) {
            throw WholeDocument.gone(after);
        }
        return WholeDocument.withPages(without, after, List.of(page));
    }

    @Override
    public String says() {
        return "moved page " + code;
    }

    @Override
    public Set<String> about() {
        return Set.of(code);
    }
}
