package orthogon.app.work;

import orthogon.app.store.DraftStore;
import orthogon.app.store.DraftStore.Draft;
import orthogon.core.questionnaire.Questionnaire;
import org.springframework.stereotype.Component;

/** Begins a draft: blank, from a starter, or from a file. */
@Component
public class BeginQuestionnaire {

    private final DraftStore drafts;
    private final Acts acts;

    BeginQuestionnaire(DraftStore drafts, Acts acts) {
        this.drafts = drafts;
        this.acts = acts;
    }

    /**
     * @param words how it was begun
     * @throws org.springframework.dao.DuplicateKeyException where there is a questionnaire with the document's code already
     */
    public Draft begin(Questionnaire document, String who, String words) {
        return acts.noted(who, document.code(), () -> drafts.create(document, who, words), d -> words);
    }
}
