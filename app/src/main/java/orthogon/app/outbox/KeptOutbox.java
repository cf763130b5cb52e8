package orthogon.app.outbox;

import java.time.Clock;
import java.time.OffsetDateTime;
import orthogon.app.store.RandomNames;
import orthogon.formats.page.MailPage;
import orthogon.formats.page.PageTemplates;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Keeps messages in the transaction of what caused them. */
@Component
public class KeptOutbox implements Outbox {

    private final MessageStore messages;
    private final DeliveryScheduler scheduler;
    private final Clock clock;

    KeptOutbox(MessageStore messages, DeliveryScheduler scheduler, Clock clock) {
        this.messages = messages;
        this.scheduler = scheduler;
        this.clock = clock;
    }

    @Override
    @Transactional
    public void send(Mail mail) {
        String messageId = RandomNames.hex(16) + "@orthogon";
        String html = mail.html().isEmpty()
                ? PageTemplates.filled("mail", MailPage.of(mail.subject(), mail.text(), mail.language()))
                : mail.html();
        scheduler.schedule(messages.keep(mail, html, messageId, OffsetDateTime.now(clock)));
    }

    /** Tries a message again that was given up; false where it was not, or is gone. */
    @Transactional
    public boolean tryAgain(long id) {
        boolean waits = messages.waitAgain(id, OffsetDateTime.now(clock));
        if (waits) {
            scheduler.schedule(id);
        }
        return waits;
    }
}
