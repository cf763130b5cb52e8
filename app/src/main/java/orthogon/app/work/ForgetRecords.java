package orthogon.app.work;

import java.util.Collection;
import java.util.Set;
import orthogon.app.store.ErasureStore;
import orthogon.app.store.RecordLinkStore;
import orthogon.app.store.ResponseStore;
import org.springframework.stereotype.Component;

/** Takes what was shown of records away wherever somebody chose them, once these are erased. What is left is which record it was. */
@Component
public class ForgetRecords {

    private final RecordLinkStore records;
    private final ResponseStore responses;
    private final ErasureStore erasure;

    public ForgetRecords(RecordLinkStore records, ResponseStore responses, ErasureStore erasure) {
        this.records = records;
        this.responses = responses;
        this.erasure = erasure;
    }

    /** Forgets the records with these receipts, within a transaction of the caller's. */
    public void forget(Collection<String> receipts) {
        Set<String> gone = Set.copyOf(receipts);
        responses.each(records.chosenBy(gone)).forEach(response -> {
            responses.forgetRecords(response, gone);
            erasure.eraseCopies(response.interviewId());
        });
        responses.forgetRecordsUnsent(gone);
    }
}
