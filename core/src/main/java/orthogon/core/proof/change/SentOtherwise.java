package orthogon.core.proof.change;

import java.util.LinkedHashMap;
import java.util.Map;
import orthogon.core.proof.change.Difference.DifferenceKind;
import orthogon.core.proof.change.Lockstep.Topic;
import orthogon.core.proof.claim.SentMessages;
import orthogon.core.proof.composed.OpeningMessages;
import orthogon.core.proof.diagram.Diagrams;
import orthogon.core.proof.space.Space;

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
        Map<String, Integer> before = SentMessages.of(one, oneOutcome);
        Map<String, Integer> now = SentMessages.of(other, otherOutcome);
        Map<Topic, Integer> topics = new LinkedHashMap<>();
        before.forEach((code, set) -> topics.put(
                new Topic(isOpened(one, code) ? DifferenceKind.OPENED_NO_MORE : DifferenceKind.SENT_NO_MORE, code, "", ""),
                d.minus(set, now.getOrDefault(code, Diagrams.NONE))));
        now.forEach((code, set) -> topics.put(
                new Topic(isOpened(other, code) ? DifferenceKind.OPENED_NOW : DifferenceKind.SENT_NOW, code, "", ""),
                d.minus(set, before.getOrDefault(code, Diagrams.NONE))));
        return topics;
    }

    /** Whether a message stands for a follow-up, see {@link OpeningMessages}. */
    private static boolean isOpened(Space space, String code) {
        return space.wiring().document().message(code).filter(OpeningMessages::isStandIn).isPresent();
    }
}
