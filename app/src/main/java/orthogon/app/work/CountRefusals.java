package orthogon.app.work;

import java.util.List;
import orthogon.app.store.RefusalStore;
import orthogon.app.store.ReleaseStore.Release;
import orthogon.core.interview.Problem;
import orthogon.core.interview.Slots;
import org.springframework.dao.ConcurrencyFailureException;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/** Counts which answers are refused, so that analysts see what people run into. */
@Component
public class CountRefusals {

    private final RefusalStore refusals;
    private final TransactionTemplate together;

    public CountRefusals(RefusalStore refusals, PlatformTransactionManager transactions) {
        this.refusals = refusals;
        this.together = new TransactionTemplate(transactions);
    }

    /** Counts the problems of a page that was refused. Where others count the same at the same moment, these may be missed. */
    public void refused(Release release, List<Problem> problems) {
        try {
            together.executeWithoutResult(status -> problems.stream().map(p -> new Problem(Slots.code(p.slot()), p.kind(), "")).distinct()
                    .forEach(p -> refusals.count(release.id(), p.slot(), p.kind())));
        } catch (ConcurrencyFailureException | DuplicateKeyException e) {
            // A respondent never waits for a figure.
        }
    }
}
