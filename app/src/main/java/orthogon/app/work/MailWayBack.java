package orthogon.app.work;

import java.util.function.UnaryOperator;
import orthogon.app.http.PublicAddress;
import orthogon.app.outbox.Outbox;
import orthogon.app.outbox.Outbox.Mail;
import orthogon.app.store.InvitationStore;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Mails a respondent the way back to an interview: the link and the message are kept together, or neither is. */
@Component
public class MailWayBack {

    private final InvitationStore ways;
    private final Outbox outbox;
    private final PublicAddress addresses;

    MailWayBack(InvitationStore ways, Outbox outbox, PublicAddress addresses) {
        this.ways = ways;
        this.outbox = outbox;
        this.addresses = addresses;
    }

    /**
     * Mails a new link; those from before stay good.
     *
     * @param to a checked email address
     * @param text makes the message of the link
     */
    @Transactional
    public void mail(String interview, String to, String subject, UnaryOperator<String> text, String language) {
        outbox.send(new Mail(to, subject, text.apply(addresses.of("/to/resume/" + ways.wayBack(interview))), language, interview));
    }
}
