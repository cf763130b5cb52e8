package orthogon.app.work;

import java.time.OffsetDateTime;
import orthogon.app.store.InterviewStore;
import orthogon.app.store.InterviewStore.Running;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/** Sends a complete interview: the response and its answers are kept together, or none is. */
@Component
public class SendInterview {

    private final InterviewStore interviews;
    private final TransactionTemplate together;

    public SendInterview(InterviewStore interviews, PlatformTransactionManager transactions) {
        this.interviews = interviews;
        this.together = new TransactionTemplate(transactions);
    }

    /**
     * Makes a response of an interview, once: sent a second time, or by two requests at the same moment, it gives the same receipt.
     *
     * @throws IllegalStateException where the interview is not complete
     */
    public String send(Running running, OffsetDateTime at) {
        if (running.receipt().isEmpty() && !running.interview().course().acceptable()) {
            throw new IllegalStateException("an interview is sent that is not complete");
        }
        try {
            return together.execute(status -> interviews.send(running, at));
        } catch (DuplicateKeyException e) {
            return interviews.find(running.id()).flatMap(Running::receipt).orElseThrow();
        }
    }
}
