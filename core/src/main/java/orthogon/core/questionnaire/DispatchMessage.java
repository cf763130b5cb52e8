package orthogon.core.questionnaire;

import java.util.List;
import orthogon.core.answer.AnswerKind;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;

/**
 * A message that is sent once an interview is.
 *
 * @param code its own, among those of pages and items
 * @param title what analysts call it; may be empty
 * @param sendWhen condition over all answers and the outcome; empty for always
 * @param addresses that it always goes to
 * @param answers codes of email questions whose answers it goes to as well
 * @param subject text; may name answers
 * @param body text in paragraphs; may name answers
 * @param tells which questions with their answers follow the body
 * @param told codes of these questions, where only some are told
 */
public record DispatchMessage(String code, String title, String sendWhen, List<String> addresses, List<String> answers, String subject,
        String body, ToldAnswers tells, List<String> told) {

    /** Which questions a message tells, with their answers: those that the respondent was asked, in order. */
    public enum ToldAnswers {
        EVERYTHING, THESE, NOTHING;

        public String word() {
            return name().toLowerCase(Locale.ROOT);
        }

        /** @throws IllegalArgumentException where no value has this word */
        public static ToldAnswers of(String word) {
            return valueOf(word.toUpperCase(Locale.ROOT));
        }
    }

    /** Most addresses of one message, of either kind. */
    public static final int MOST_ADDRESSES = 20;
    /** Most messages of a questionnaire. */
    public static final int MOST = 50;
    private static final Pattern ADDRESS = Pattern.compile("[^\\s@<>,;\"\\p{Cntrl}]{1,64}@[^\\s@<>,;\"\\p{Cntrl}]{1,255}");

    public DispatchMessage {
        addresses = List.copyOf(addresses);
        answers = List.copyOf(answers);
        told = List.copyOf(told);
    }

    /** What analysts read: the title, or else the code. */
    public String shown() {
        return title.isEmpty() ? code : title;
    }

    /** Whether the message tells the answer to a question, if it was asked. */
    public boolean tells(String question) {
        return switch (tells) {
            case EVERYTHING -> true;
            case THESE -> told.contains(question);
            case NOTHING -> false;
        };
    }

    /** Whether a text is an email address without anything around it. */
    public static boolean isAddress(String text) {
        return ADDRESS.matcher(text).matches();
    }

    /** Codes of the answers that the message goes to although no question outside of rosters asks for an email address there. */
    public List<String> withoutAddress(Questionnaire document) {
        return answers.stream().filter(a -> document.question(a).filter(q -> q.answer().kind() == AnswerKind.EMAIL).isEmpty()
                || document.rosterOf(a).isPresent()).toList();
    }

    public DispatchMessage withSendWhen(String changed) {
        return new DispatchMessage(code, title, changed, addresses, answers, subject, body, tells, told);
    }

    public DispatchMessage withTexts(String changedSubject, String changedBody) {
        return new DispatchMessage(code, title, sendWhen, addresses, answers, changedSubject, changedBody, tells, told);
    }

    /** The same with other codes for itself and for what it names. */
    public DispatchMessage withCodes(Map<String, String> codes) {
        return new DispatchMessage(codes.getOrDefault(code, code), title, sendWhen, addresses,
                answers.stream().map(c -> codes.getOrDefault(c, c)).toList(), subject, body, tells,
                told.stream().map(c -> codes.getOrDefault(c, c)).toList());
    }

    /** The same without what is gone. */
    public DispatchMessage without(Set<String> gone) {
        return new DispatchMessage(code, title, sendWhen, addresses, answers.stream().filter(c -> !gone.contains(c)).toList(), subject,
                body, tells, told.stream().filter(c -> !gone.contains(c)).toList());
    }
}
