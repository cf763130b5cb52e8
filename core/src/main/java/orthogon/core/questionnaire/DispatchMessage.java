package orthogon.core.questionnaire;

import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;
import orthogon.core.questionnaire.MessageContents.ToldAnswers;
import orthogon.core.questionnaire.MessageOccasion.MessageMoment;

/**
 * A message that is sent once an interview is or a follow-up comes to a moment, or that invites to an interview or reminds of it.
 *
 * @param code its own, among those of pages and items
 * @param title what analysts call it; may be empty
 * @param occasion when it is sent
 * @param sendWhen condition over all answers, the outcome, and what is known of follow-ups by then; empty for always, and before an
 *            interview is sent
 * @param to who gets it; before an interview is sent, whoever was invited does
 * @param subject text; may name answers and passages
 * @param body text in paragraphs; may name answers and passages
 * @param with what comes with the text
 */
public record DispatchMessage(String code, String title, MessageOccasion occasion, String sendWhen, MessageRecipients to, String subject,
        String body, MessageContents with) {

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
        this(code, title, MessageOccasion.WITH_ANSWERS, sendWhen, new MessageRecipients(addresses, answers, List.of(), ""), subject, body,
                new MessageContents(tells, told, false, false, false));
    }

    /** What analysts read: the title, or else the code. */
    public String shown() {
        return title.isEmpty() ? code : title;
    }

    public MessageMoment on() {
        return occasion.moment();
    }

    public int afterDays() {
        return occasion.afterDays();
    }

    /** Whether it is sent with the interview, and neither before nor later. */
    public boolean isAfterAnswers() {
        return on() == MessageMoment.SENT && !isOfFollowUp();
    }

    /** Whether it is sent at a moment of a follow-up. */
    public boolean isOfFollowUp() {
        return occasion.isOfFollowUp();
    }

    /** Whether it is sent while there are no answers. */
    public boolean isBeforeAnswers() {
        return !isAfterAnswers() && !isOfFollowUp();
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
        return new DispatchMessage(code, title, occasion, changed, to, subject, body, with);
    }

    public DispatchMessage withTexts(String changedSubject, String changedBody) {
        return new DispatchMessage(code, title, occasion, sendWhen, to, changedSubject, changedBody, with);
    }

    public DispatchMessage withTo(MessageRecipients changed) {
        return new DispatchMessage(code, title, occasion, sendWhen, changed, subject, body, with);
    }

    public DispatchMessage withContents(MessageContents changed) {
        return new DispatchMessage(code, title, occasion, sendWhen, to, subject, body, changed);
    }

    public DispatchMessage withOccasion(MessageOccasion changed) {
        return new DispatchMessage(code, title, changed, sendWhen, to, subject, body, with);
    }

    public DispatchMessage withCode(String changed) {
        return new DispatchMessage(changed, title, occasion, sendWhen, to, subject, body, with);
    }

    /** The same with other codes for itself and for what it names. */
    public DispatchMessage withCodes(Map<String, String> codes) {
        MessageOccasion followed = occasion.withFollowUp(codes.getOrDefault(occasion.followUp(), occasion.followUp()));
        return new DispatchMessage(codes.getOrDefault(code, code), title, followed, sendWhen, to.withCodes(codes), subject, body,
                with.withCodes(codes));
    }

    /** The same without what is gone. */
    public DispatchMessage without(Set<String> gone) {
        return withTo(to.without(gone)).withContents(with.without(gone));
    }
}
