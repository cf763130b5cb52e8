package orthogon.app.work;

import java.util.Optional;
import java.util.function.Function;
import java.util.function.Supplier;
import orthogon.app.store.AuditStore;
import org.springframework.dao.ConcurrencyFailureException;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/** Does what somebody does and writes its line in the trail: both are kept, or neither is. */
@Component
public class Acts {

    /** Stands for Orthogon itself, and for who is not signed in. */
    public static final String NOBODY = "";
    /** Stands for the workspace, where an act is about no questionnaire. */
    public static final String WORKSPACE = "";

    private static final int MOST_TRIES = 8;

    private final AuditStore audit;
    private final TransactionTemplate together;

    public Acts(AuditStore audit, PlatformTransactionManager transactions) {
        this.audit = audit;
        this.together = new TransactionTemplate(transactions);
    }

    /** @param words what the trail says */
    public void noted(String who, String questionnaire, String words, Runnable act) {
        noted(who, questionnaire, () -> {
            act.run();
            return words;
        }, said -> said);
    }

    /** Notes that somebody saved a file of what is kept here: nothing changes, but others may need to know. */
    public void saved(String who, String questionnaire, String what) {
        noted(who, questionnaire, "saved " + what, () -> {});
    }

    /** @param words what the trail says of what came of the act */
    public <T> T noted(String who, String questionnaire, Supplier<T> act, Function<T, String> words) {
        return perhaps(who, questionnaire, () -> Optional.of(act.get()), words).orElseThrow();
    }

    /**
     * An act that may come to nothing; then nothing of it is kept. Where the database was asked for the same rows at the same moment, it is
     * tried again.
     *
     * @param words what the trail says of what came of the act
     */
    public <T> Optional<T> perhaps(String who, String questionnaire, Supplier<Optional<T>> act, Function<T, String> words) {
        for (int tries = 1;; tries++) {
            try {
                return together.execute(status -> {
                    Optional<T> done = act.get();
                    done.ifPresentOrElse(d -> audit.note(who, questionnaire, words.apply(d)), status::setRollbackOnly);
                    return done;
                });
            } catch (ConcurrencyFailureException e) {
                if (tries == MOST_TRIES) {
                    throw e;
                }
            }
        }
    }
}
