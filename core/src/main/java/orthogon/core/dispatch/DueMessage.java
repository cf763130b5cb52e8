package orthogon.core.dispatch;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import orthogon.core.interview.Interview;
import orthogon.core.questionnaire.DispatchMessage;

/**
 * A message that a complete interview makes be sent, with one address that it goes to.
 *
 * @param ofRespondent whether an answer gave the address, so that it is written in the language of the interview
 */
public record DueMessage(DispatchMessage message, String address, boolean ofRespondent) {

    /** Whether a complete interview sends a message, to whomever. */
    public static boolean isSent(Interview interview, DispatchMessage message) {
        return message.isAfterAnswers()
                && (message.sendWhen().isBlank() || Boolean.TRUE.equals(interview.truth(message.code() + ".sendWhen")));
    }

    /** Every message with each of its addresses, in order. */
    public static List<DueMessage> of(Interview interview) {
        return interview.wiring().document().messages().stream().filter(m -> isSent(interview, m)).flatMap(m -> of(interview, m).stream())
                .toList();
    }

    /**
     * A message that is sent with each of its addresses, in order; one that is named twice comes once, and what is no address is left out.
     * People of the workspace are not among them, since only the workspace knows their addresses.
     */
    public static List<DueMessage> of(Interview interview, DispatchMessage message) {
        List<DueMessage> due = new ArrayList<>();
        Set<String> taken = new LinkedHashSet<>();
        message.answers().stream().map(interview.course().effective()::get).filter(String.class::isInstance).map(String.class::cast)
                .filter(DispatchMessage::isAddress).filter(taken::add).forEach(a -> due.add(new DueMessage(message, a, true)));
        message.addresses().stream().filter(taken::add).forEach(a -> due.add(new DueMessage(message, a, false)));
        return due;
    }

    /** Codes of the messages that a complete interview sends to somebody, in order; none where it is not complete. */
    public static List<String> codes(Interview interview) {
        return interview.course().complete()
                ? interview.wiring().document().messages().stream().filter(DispatchMessage::isAfterAnswers).map(DispatchMessage::code)
                        .filter(code -> interview.wiring().sent(code).filter(e -> Boolean.TRUE.equals(interview.truth(e))).isPresent())
                        .toList()
                : List.of();
    }

    /** The address that answers to a message go to; empty for that of the station. */
    public static String replyTo(Interview interview, DispatchMessage message) {
        String replyTo = message.to().replyTo();
        Object given = interview.course().effective().get(replyTo);
        String address = given instanceof String text ? text : replyTo;
        return DispatchMessage.isAddress(address) ? address : "";
    }
}
