package orthogon.app.work;

import java.util.Optional;
import orthogon.app.outbox.KeptOutbox;
import org.springframework.stereotype.Component;

/** Has a message tried again that was given up. */
@Component
public class TryMessageAgain {

    private final KeptOutbox outbox;
    private final Acts acts;

    TryMessageAgain(KeptOutbox outbox, Acts acts) {
        this.outbox = outbox;
        this.acts = acts;
    }

    /** False where the message was not given up, or is gone; nothing is done then. */
    public boolean tryAgain(long id, String who) {
        return acts.perhaps(who, "", () -> outbox.tryAgain(id) ? Optional.of(id) : Optional.<Long>empty(),
                done -> "had message " + done + " tried again").isPresent();
    }
}
