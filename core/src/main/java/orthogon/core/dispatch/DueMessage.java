package orthogon.core.dispatch;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import orthogon.core.expression.Expr;
import orthogon.core.interview.Interview;
import orthogon.core.questionnaire.DispatchMessage;
import orthogon.core.questionnaire.MessageOccasion.MessageMoment;

/**
 * A message that a complete interview makes be sent, with one address that it goes to.
 *
 * @param answer code of the question whose answer gave the address, so that it is written in the language of the interview; empty where
 *            the analyst wrote the address
 */
public record DueMessage(DispatchMessage message, String address, String answer) {

    public boolean ofRespondent() {
        return !answer.isEmpty();
    }

    /** Whether a complete interview sends a message, to whomever. */
    public static boolean isSent(Interview interview, DispatchMessage message) {
        return message.isAfterAnswers() && holds(interview, message);
    }

    /** Whether the condition of a message holds for a complete interview, whenever the message is sent. */
    public static boolean holds(Interview interview, DispatchMessage message) {
        return message.sendWhen().isBlank() || Boolean.TRUE.equals(interview.truth(message.code() + ".sendWhen"));
    }

    /**
     * The messages at a moment of a follow-up, in order.
     *
     * @param opened what is known of the follow-ups of the interview at that moment
     */
    public static List<DispatchMessage> at(Interview sent, Collection<OpenedFollowUp> opened, String followUp, MessageMoment moment) {
        Map<String, Object> known = new HashMap<>();
        sent.wiring().document().followUps().forEach(f -> known.put(f.code(), null));
        opened.stream().filter(o -> o.entry() == 0).forEach(o -> known.put(o.code(), o.parts()));
        Function<Expr, Object> values = sent.values(known, "", 0);
        return sent.wiring().document().messages().stream()
                .filter(m -> m.occasion().followUp().equals(followUp) && m.on() == moment)
                .filter(m -> sent.wiring().expr(m.code() + ".sendWhen", true).filter(e -> Boolean.TRUE.equals(values.apply(e))).isPresent())
                .toList();
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
        for (String answer : message.answers()) {
            if (interview.course().effective().get(answer) instanceof String a && DispatchMessage.isAddress(a) && taken.add(a)) {
                due.add(new DueMessage(message, a, answer));
            }
        }
        message.addresses().stream().filter(taken::add).forEach(a -> due.add(new DueMessage(message, a, "")));
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
