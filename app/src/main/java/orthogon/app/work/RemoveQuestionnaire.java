package orthogon.app.work;

import orthogon.app.store.DraftStore;
import orthogon.app.store.DraftStore.Draft;
import java.util.stream.Gatherers;
import orthogon.app.store.ErasureStore;
import orthogon.app.store.ResponseStore;
import org.springframework.stereotype.Component;

/** Archives and removes questionnaires. */
@Component
public class RemoveQuestionnaire {

    private static final int AT_ONCE = 200;

    private final DraftStore drafts;
    private final ResponseStore responses;
    private final ForgetRecords records;
    private final ErasureStore erasure;
    private final Acts acts;

    RemoveQuestionnaire(DraftStore drafts, ResponseStore responses, ForgetRecords records, ErasureStore erasure, Acts acts) {
        this.responses = responses;
        this.records = records;
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
                    responses.numbers(draft.id()).stream().gather(Gatherers.windowFixed(AT_ONCE))
                            .forEach(some -> records.forget(responses.receipts(some)));
                    drafts.remove(draft.id());
                    erasure.noted();
                });
    }
}
