package orthogon.core.questionnaire;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;
import orthogon.core.questionnaire.MessageContents.ToldAnswers;

/**
 * A message that is sent once an interview is, or that invites to one or reminds of it.
 *
 * @param code its own, among those of pages and items
 * @param title what analysts call it; may be empty
 * @param on when it is sent
 * @param afterDays of a reminder, how many days after the invitation it is sent by itself; 0 for never
 * @param sendWhen condition over all answers and the outcome; empty for always, and before an interview is sent
 * @param to who gets it; before an interview is sent, whoever was invited does
 * @param subject text; may name answers and passages
 * @param body text in paragraphs; may name answers and passages
 * @param with what comes with the text
 */
public record DispatchMessage(String code, String title, MessageMoment on, int afterDays, String sendWhen, MessageRecipients to,
        String subject,
        String body, MessageContents with) {

    /** When a message is sent. */
    public enum MessageMoment {
        /** With the interview. */
        SENT,
        /** To whoever is invited, with their link. */
        INVITED,
        /** To whoever was invited and has not sent their answers. */
        REMINDER;

        public String word() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /** Most addresses of one message, of each kind. */
    public static final int MOST_ADDRESSES = 20;
    /** Most days after which a reminder is sent. */
    public static final int MOST_DAYS = 365;
    /** Most messages of a questionnaire. */
    public static final int MOST = 50;
    private static final Pattern ADDRESS = Pattern.compile("[^\\s@<>,;\"\\p{Cntrl}]{1,64}@[^\\s@<>,;\"\\p{Cntrl}]{1,255}");

    /** A message that is sent with the interview, to no people of the workspace and with nothing attached. */
    public DispatchMessage(String code, String title, String sendWhen, List<String> addresses, List<String> answers, String subject,
            String body, ToldAnswers tells, List<String> told) {
        this(code, title, MessageMoment.SENT, 0, sendWhen, new MessageRecipients(addresses, answers, List.of(), ""), subject, body,
                new MessageContents(tells, told, false, false, false));
    }

    /** What analysts read: the title, or else the code. */
    public String shown() {
        return title.isEmpty() ? code : title;
    }

    /** Whether it is sent with the interview, and not before. */
    public boolean isAfterAnswers() {
        return on == MessageMoment.SENT;
    }

    public List<String> addresses() {
        return to.addresses();
    }

    /** Codes of the email questions whose answers it goes to. */
    public List<String> answers() {
        return to.answers();
    }

    /** Whether it goes to somebody whatever is answered. */
    public boolean hasRecipientAlways() {
        return to.isNeverEmpty();
    }

    /** Whether the message tells the answer to a question, if it was asked. */
    public boolean tells(String question) {
        return with.tells(question);
    }

    /** Whether a text is an email address without anything around it. */
    public static boolean isAddress(String text) {
        return ADDRESS.matcher(text).matches();
    }

    /** Codes of the answers that it takes for addresses although no question outside of rosters asks for an email address there. */
    public List<String> withoutAddress(Questionnaire document) {
        return to.withoutAddress(document);
    }

    public DispatchMessage withSendWhen(String changed) {
        return new DispatchMessage(code, title, on, afterDays, changed, to, subject, body, with);
    }

    public DispatchMessage withTexts(String changedSubject, String changedBody) {
        return new DispatchMessage(code, title, on, afterDays, sendWhen, to, changedSubject, changedBody, with);
    }

    public DispatchMessage withTo(MessageRecipients changed) {
        return new DispatchMessage(code, title, on, afterDays, sendWhen, changed, subject, body, with);
    }

    public DispatchMessage withContents(MessageContents changed) {
        return new DispatchMessage(code, title, on, afterDays, sendWhen, to, subject, body, changed);
    }

    public DispatchMessage withOn(MessageMoment changed, int changedDays) {
        return new DispatchMessage(code, title, changed, changedDays, sendWhen, to, subject, body, with);
    }

    public DispatchMessage withCode(String changed) {
        return new DispatchMessage(changed, title, on, afterDays, sendWhen, to, subject, body, with);
    }

    /** The same with other codes for itself and for what it names. */
    public DispatchMessage withCodes(Map<String, String> codes) {
        return new DispatchMessage(codes.getOrDefault(code, code), title, on, afterDays, sendWhen, to.withCodes(codes), subject, body,
                with.withCodes(codes));
    }

    /** The same without what is gone. */
    public DispatchMessage without(Set<String> gone) {
        return withTo(to.without(gone)).withContents(with.without(gone));
    }
}
