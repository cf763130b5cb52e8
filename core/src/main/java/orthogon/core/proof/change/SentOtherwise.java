package orthogon.core.proof.change;

import java.util.LinkedHashMap;
import java.util.Map;
import orthogon.core.proof.change.Difference.DifferenceKind;
import orthogon.core.proof.change.Lockstep.Topic;
import orthogon.core.proof.diagram.Diagrams;
import orthogon.core.proof.space.Space;
import orthogon.core.questionnaire.DispatchMessage;

/** Who is sent a message by one of two documents alone, of those who have ended in both. */
final class SentOtherwise {

    private SentOtherwise() {}

    /**
     * For each message of either, the states in which only one of the two sends it.
     *
     * @param oneOutcome code of the outcome in the first, empty for none
     * @param otherOutcome code of the outcome in the second
     */
    static Map<Topic, Integer> of(Space one, String oneOutcome, Space other, String otherOutcome) {
        Diagrams d = one.diagrams();
        Map<String, Integer> before = sent(one, oneOutcome);
        Map<String, Integer> now = sent(other, otherOutcome);
        Map<Topic, Integer> topics = new LinkedHashMap<>();
        before.forEach((code, set) -> topics.put(
                new Topic(isOpened(one, code) ? DifferenceKind.OPENED_NO_MORE : DifferenceKind.SENT_NO_MORE, code, "", ""),
                d.minus(set, now.getOrDefault(code, Diagrams.NONE))));
        now.forEach((code, set) -> topics.put(
                new Topic(isOpened(other, code) ? DifferenceKind.OPENED_NOW : DifferenceKind.SENT_NOW, code, "", ""),
                d.minus(set, before.getOrDefault(code, Diagrams.NONE))));
        return topics;
    }

    /** Whether a message stands for a follow-up, see {@link OpenedOtherwise}. */
    private static boolean isOpened(Space space, String code) {
        return space.wiring().document().message(code).filter(OpenedOtherwise::isStandIn).isPresent();
    }

    /** For each message, who of those with this outcome is sent it. */
    private static Map<String, Integer> sent(Space space, String outcome) {
        Diagrams d = space.diagrams();
        Map<String, Integer> outcomes = new LinkedHashMap<>();
        space.wiring().document().outcomes()
                .forEach(o -> outcomes.put(o.code(), o.code().equals(outcome) ? Diagrams.ALL : Diagrams.NONE));
        Map<String, Integer> sent = new LinkedHashMap<>();
        for (DispatchMessage message : space.wiring().document().messages()) {
            if (message.isAfterAnswers()) {
                int given = message.hasRecipientAlways() ? Diagrams.ALL : Diagrams.NONE;
                for (String answer : message.answers()) {
                    given = d.or(given, d.not(space.axis(answer).blank()));
                }
                int when = space.expr(message.code() + ".sendWhen").map(e -> space.truth(e, outcomes).holds()).orElse(Diagrams.ALL);
                sent.put(message.code(), d.and(when, given));
            }
        }
        return sent;
    }
}
