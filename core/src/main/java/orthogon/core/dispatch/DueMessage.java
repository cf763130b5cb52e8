package orthogon.core.dispatch;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import orthogon.core.interview.Interview;
import orthogon.core.questionnaire.DispatchMessage;

/**
 * A message that a complete interview makes be sent to an address.
 *
 * @param ofRespondent whether an answer gave the address, so that the message reads in the language of the interview
 */
public record DueMessage(DispatchMessage message, String address, boolean ofRespondent) {

    /** Whether a complete interview makes a message be sent. */
    public static boolean isSent(Interview interview, DispatchMessage message) {
        return message.sendWhen().isBlank() || Boolean.TRUE.equals(interview.truth(message.code() + ".sendWhen"));
    }

    /** Every message with each of its addresses, in order; one that is named twice comes once, and what is no address is left out. */
    public static List<DueMessage> of(Interview interview) {
        List<DueMessage> due = new ArrayList<>();
        for (DispatchMessage message : interview.wiring().document().messages()) {
            if (isSent(interview, message)) {
                Set<String> taken = new LinkedHashSet<>();
                message.answers().stream().map(interview.course().effective()::get).filter(String.class::isInstance)
                        .map(String.class::cast).filter(DispatchMessage::isAddress).filter(taken::add)
                        .forEach(a -> due.add(new DueMessage(message, a, true)));
                message.addresses().stream().filter(taken::add).forEach(a -> due.add(new DueMessage(message, a, false)));
            }
        }
        return due;
    }
}
