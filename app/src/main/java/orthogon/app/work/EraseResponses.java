package orthogon.app.work;

import java.util.List;
import orthogon.app.store.DraftStore.Draft;
import orthogon.app.store.ErasureStore;
import orthogon.app.store.ResponseStore;
import orthogon.app.store.ResponseStore.Response;
import orthogon.core.answer.file.Attachment;
import org.springframework.stereotype.Component;

/** Erases responses for good: answers, files, notes, messages and links. The trail keeps that they were, not what they said. */
@Component
public class EraseResponses {

    private final ResponseStore responses;
    private final ErasureStore erasure;
    private final ForgetRecords records;
    private final Acts acts;

    public EraseResponses(ResponseStore responses, ErasureStore erasure, ForgetRecords records, Acts acts) {
        this.records = records;
        this.responses = responses;
        this.erasure = erasure;
        this.acts = acts;
    }

    /**
     * Erases responses to a questionnaire; all of them, or none.
     *
     * @param receipts others than those of the questionnaire are left alone
     * @return how many there were
     */
    public int erase(Draft draft, List<String> receipts, String who) {
        List<Response> wanted = responses.all(responses.numbers(draft.id(), receipts));
        String words = wanted.size() == 1
                ? "erased response " + wanted.getFirst().receipt()
                : "erased " + wanted.size() + " responses";
        acts.noted(who, draft.code(), words, () -> erase(wanted));
        return wanted.size();
    }

    /** Erases responses within a transaction of the caller's. */
    void erase(List<Response> wanted) {
        records.forget(wanted.stream().map(Response::receipt).toList());
        erasure.erase(wanted.stream().map(Response::interviewId).toList(), wanted.stream().flatMap(r -> r.answers().values().stream())
                .flatMap(Attachment::within).map(Attachment::key).toList());
    }
}
