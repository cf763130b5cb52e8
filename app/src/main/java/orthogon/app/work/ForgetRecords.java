package orthogon.app.work;

import java.util.Collection;
import java.util.Set;
import orthogon.app.store.ErasureStore;
import orthogon.app.store.RecordStore;
import orthogon.app.store.ResponseStore;
import org.springframework.stereotype.Component;

/** Takes what was shown of records away wherever somebody chose them, once these are erased. What is left is which record it was. */
@Component
class ForgetRecords {

    private final RecordStore records;
    private final ResponseStore responses;
    private final ErasureStore erasure;

    ForgetRecords(RecordStore records, ResponseStore responses, ErasureStore erasure) {
        this.records = records;
        this.responses = responses;
        this.erasure = erasure;
    }

    /** Forgets the records with these receipts, within a transaction of the caller's. */
    void forget(Collection<String> receipts) {
        Set<String> gone = Set.copyOf(receipts);
        responses.each(records.chosenBy(gone)).toList().forEach(response -> {
            responses.forgetRecords(response, gone);
            erasure.eraseCopies(response.interviewId());
        });
        responses.forgetRecordsUnsent(gone);
    }
}
