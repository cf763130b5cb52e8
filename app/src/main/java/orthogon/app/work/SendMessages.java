package orthogon.app.work;

import orthogon.app.outbox.Outbox;
import orthogon.app.outbox.Outbox.Mail;
import orthogon.app.questions.MessageTexts;
import orthogon.app.store.InterviewStore.Running;
import orthogon.core.dispatch.DueMessage;
import orthogon.core.interview.Interview;
import org.springframework.stereotype.Component;

/** Puts the messages that an interview makes be sent into the outbox, within the transaction that makes its response. */
@Component
public class SendMessages {

    private final Outbox outbox;

    public SendMessages(Outbox outbox) {
        this.outbox = outbox;
    }

    /** Whoever gave an address is written to in the language of the interview, and everybody else in the source language. */
    void of(Running running) {
        Interview interview = running.interview();
        Interview inSource = interview.with(running.release().wiring());
        for (DueMessage due : DueMessage.of(interview)) {
            Interview reading = due.ofRespondent() ? interview : inSource;
            MessageTexts texts = MessageTexts.of(reading, due.message().code());
            outbox.send(new Mail(due.address(), texts.subject(), texts.body(), reading.wiring().document().sourceLanguage(), running.id()));
        }
    }
}
