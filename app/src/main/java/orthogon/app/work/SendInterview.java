package orthogon.app.work;

import java.time.OffsetDateTime;
import java.util.Optional;
import orthogon.app.sending.SendMessages;
import orthogon.app.store.InterviewStore;
import orthogon.app.store.InterviewStore.Running;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/** Sends a complete interview: the response, its answers and its messages are kept together, or none is. */
@Component
public class SendInterview {

    private static final int MOST_TRIES = 5;

    private final InterviewStore interviews;
    private final SendMessages messages;
    private final TransactionTemplate together;

    public SendInterview(InterviewStore interviews, SendMessages messages, PlatformTransactionManager transactions) {
        this.interviews = interviews;
        this.messages = messages;
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
        for (int tries = 1;; tries++) {
            try {
                return together.execute(status -> {
                    String receipt = interviews.send(running, at);
                    if (running.receipt().isEmpty()) {
                        messages.of(running);
                    }
                    return receipt;
                });
            } catch (DuplicateKeyException e) {
                // Sent by another request at the same moment; or another interview was the first of its route at that moment.
                Optional<String> receipt = interviews.find(running.id()).flatMap(Running::receipt);
                if (receipt.isPresent()) {
                    return receipt.get();
                }
                if (tries == MOST_TRIES) {
                    throw e;
                }
            }
        }
    }
}
