package orthogon.core.edit;

import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Refused;
import java.util.Set;

/** Another version of a page's own texts and rules; its items stay as they are. */
public record ChangePage(Page page, String what) implements Edit {

    @Override
    public Questionnaire apply(Questionnaire document) throws Refused {
        document.page(page.code()).orElseThrow(() -> WholeDocument.gone(page.code()));
        Questionnaire changed = Meant.understood(document, document.withPage(page.code(), p -> page.withItems(p.items())));
        WholeDocument.refuseNewFaults(document, changed);
        return changed;
    }

    @Override
    public String says() {
        return "changed " + what + " of page " + page.code();
    }

    @Override
    public Set<String> about() {
        return Set.of(page.code());
    }
}
