package orthogon.app.work;

import orthogon.app.store.DraftStore;
import orthogon.app.store.DraftStore.Draft;
import orthogon.app.store.ErasureStore;
import org.springframework.stereotype.Component;

/** Archives and removes questionnaires. */
@Component
public class RemoveQuestionnaire {

    private final DraftStore drafts;
    private final ErasureStore erasure;
    private final Acts acts;

    RemoveQuestionnaire(DraftStore drafts, ErasureStore erasure, Acts acts) {
        this.drafts = drafts;
        this.erasure = erasure;
        this.acts = acts;
    }

    public void archive(Draft draft, boolean archived, String who) {
        acts.noted(who, draft.code(), archived ? "archived" : "taken out of the archive", () -> drafts.archive(draft.code(), archived));
    }

    /** Removes it with everything that hangs on it. */
    public void remove(Draft draft, String who) {
        acts.noted(who, draft.code(), "removed the questionnaire “" + draft.document().title() + "” with its releases and responses",
                () -> {
                    drafts.remove(draft.id());
                    erasure.noted();
                });
    }
}
