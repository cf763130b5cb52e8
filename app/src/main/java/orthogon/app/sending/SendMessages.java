package orthogon.app.sending;

import java.util.EnumSet;
import java.util.HashSet;
import java.util.Set;
import java.util.function.Function;
import orthogon.app.account.People;
import orthogon.app.outbox.Outbox;
import orthogon.app.outbox.Outbox.Mail;
import orthogon.app.outbox.Outbox.Mail.MailAttachment;
import orthogon.app.questions.MessageTexts;
import orthogon.app.store.InterviewStore.Running;
import orthogon.core.dispatch.DueMessage;
import orthogon.core.interview.Interview;
import orthogon.core.questionnaire.DispatchMessage;
import orthogon.formats.page.MailPage;
import orthogon.formats.page.PageTemplates;
import org.springframework.stereotype.Component;

/** Puts the messages that an interview makes be sent into the outbox, within the transaction that makes its response. */
@Component
public class SendMessages {

    private final Outbox outbox;
    private final People people;

    public SendMessages(Outbox outbox, People people) {
        this.outbox = outbox;
        this.people = people;
    }

    /** Whoever gave an address is written to in the language of the interview, and everybody else in the source language. */
    public void of(Running running) {
        of(running, reading -> "");
    }

    /**
     * Whoever gave an address is written to in the language of the interview, and everybody else in the source language.
     *
     * @param links what stands behind messages to whoever gave an address, in the language of the interview; empty for nothing
     */
    public void of(Running running, Function<Interview, String> links) {
        for (DispatchMessage message : running.release().wiring().document().messages()) {
            if (DueMessage.isSent(running.interview(), message)) {
                send(running, message, (reading, answer) -> links.apply(reading), "");
            }
        }
    }

    /** What stands behind a message, by the interview in its language and the code of the answer that gave the address. */
    public interface Behind {
        String of(Interview reading, String answer);
    }

    /**
     * Sends a message to everybody it goes to.
     *
     * @param behind what stands behind it for whoever gave an address; empty for nothing
     * @param behindOthers what stands behind it for people of the workspace; empty for nothing
     */
    public void send(Running running, DispatchMessage message, Behind behind, String behindOthers) {
        Interview interview = running.interview();
        Interview inSource = interview.with(running.release().wiring());
        Set<String> taken = new HashSet<>();
        for (DueMessage due : DueMessage.of(interview, message)) {
            if (taken.add(due.address())) {
                outbox.send(mail(message, due.address(), due.ofRespondent() ? interview : inSource, running.id(),
                        due.ofRespondent() ? behind.of(interview, due.answer()) : ""));
            }
        }
        for (String address : people.addresses(message.to().people(), running.release().document().code())) {
            if (taken.add(address)) {
                outbox.send(mail(message, address, inSource, running.id(), behindOthers));
            }
        }
    }

    private static Mail mail(DispatchMessage message, String address, Interview reading, String interview, String links) {
        MessageTexts texts = MessageTexts.of(reading, message.code());
        String language = reading.wiring().document().sourceLanguage();
        MailPage page = MailPage.of(texts.subject(), texts.html(),
                texts.told().stream().map(l -> new MailPage.ToldAnswer(l.wording(), l.answer())).toList(), language);
        String html = PageTemplates.filled("mail", links.isEmpty() ? page : page.with(links));
        Set<MailAttachment> attached = EnumSet.noneOf(MailAttachment.class);
        if (message.with().paper()) {
            attached.add(MailAttachment.RESPONSE);
        }
        if (message.with().files()) {
            attached.add(MailAttachment.FILES);
        }
        return new Mail(address, texts.subject(), texts.text() + (links.isEmpty() ? "" : "\n\n" + links), html, language, interview,
                DueMessage.replyTo(reading, message), attached,
                message.code());
    }
}
