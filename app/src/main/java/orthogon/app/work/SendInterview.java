package orthogon.app.work;

import orthogon.app.opening.OpenFollowUps;
import java.time.OffsetDateTime;
import java.util.Optional;
import orthogon.app.sending.FollowUpLinks;
import orthogon.app.sending.SendMessages;
import orthogon.app.store.InterviewStore;
import orthogon.app.store.InterviewStore.Running;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/** Sends a complete interview: the response, its answers, its messages and its follow-ups are kept together, or none is. */
@Component
public class SendInterview {

    private static final int MOST_TRIES = 5;

    private final InterviewStore interviews;
    private final SendMessages messages;
    private final OpenFollowUps followUps;
    private final WorkOnFollowUps answered;
    private final FollowUpLinks links;
    private final AddRecord adding;
    private final TransactionTemplate together;

    public SendInterview(InterviewStore interviews, SendMessages messages, OpenFollowUps followUps, WorkOnFollowUps answered,
            FollowUpLinks links, AddRecord adding, PlatformTransactionManager transactions) {
        this.adding = adding;
        this.followUps = followUps;
        this.answered = answered;
        this.links = links;
        this.interviews = interviews;
        this.messages = messages;
        this.together = new TransactionTemplate(transactions);
    }

    /**
     * Makes a response of an interview, once: sent a second time, or by two requests at the same moment, it gives the same receipt.
     *
     * @throws WorkOnFollowUps.FollowUpOver where it answers a follow-up that is over
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
                        answered.sent(running, at);
                        followUps.of(running, at);
                        adding.sent(running, receipt);
                        messages.of(running, reading -> links.written(running, reading));
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
