package orthogon.app.work;

import java.util.List;
import orthogon.app.outbox.KeptMessage;
import orthogon.app.outbox.MessageStore;
import orthogon.app.outbox.Outbox;
import orthogon.app.store.DraftStore.Draft;
import orthogon.app.store.ResponseStore;
import orthogon.app.store.ResponseStore.Response;
import orthogon.core.questionnaire.Refused;
import org.springframework.stereotype.Component;

/** Sends messages of responses once more, as they were written. */
@Component
public class SendMessagesAgain {

    /** Most responses whose messages are sent again at a time. */
    public static final int MOST = 200;

    private final MessageStore messages;
    private final ResponseStore responses;
    private final Outbox outbox;
    private final Acts acts;

    SendMessagesAgain(MessageStore messages, ResponseStore responses, Outbox outbox, Acts acts) {
        this.messages = messages;
        this.responses = responses;
        this.outbox = outbox;
        this.acts = acts;
    }

    /**
     * Sends one message of a response again.
     *
     * @param id of the message
     * @throws Refused where the response sent no such message, or it is gone
     */
    public void one(Draft draft, Response response, long id, String who) throws Refused {
        KeptMessage message = messages.of(response.interviewId()).stream().filter(m -> m.id() == id).findFirst()
                .orElseThrow(() -> new Refused("Response " + response.receipt() + " has no such message any more."));
        acts.noted(who, draft.code(), "sent message " + message.mail().code() + " of response " + response.receipt() + " again to "
                + message.to(), () -> outbox.send(message.mail()));
    }

    /**
     * Sends a message again to everybody to whom some responses sent it.
     *
     * @param code of the message
     * @return how many are sent
     * @throws Refused where there are too many responses, or none of them sent it
     */
    public int all(Draft draft, List<String> receipts, String code, String who) throws Refused {
        if (receipts.size() > MOST) {
            throw new Refused("Messages of at most " + MOST + " responses are sent again at a time; " + receipts.size() + " are chosen.");
        }
        List<String> interviews = responses.all(responses.numbers(draft.id(), receipts)).stream().map(Response::interviewId).toList();
        List<Long> found = messages.firstOf(interviews, code);
        if (found.isEmpty()) {
            throw new Refused("None of the chosen responses sent message " + code + ".");
        }
        return acts.noted(who, draft.code(), () -> {
            found.forEach(id -> messages.find(id).ifPresent(m -> outbox.send(m.mail())));
            return found.size();
        }, n -> "sent message " + code + " again, " + n + (n == 1 ? " time" : " times"));
    }
}
