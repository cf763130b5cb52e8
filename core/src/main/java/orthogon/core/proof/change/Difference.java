package orthogon.core.proof.change;

import java.math.BigInteger;
import java.util.Map;
import java.util.Optional;

/**
 * One way in which a change affects respondents.
 *
 * @param place code of the question, page, message or follow-up it is about; of the questionnaire for an ending
 * @param from code of the outcome before, {@code to} of that now; empty for none, and for other kinds
 * @param paths how many answer paths meet it, see {@link Change#paths()}; empty where that was not counted
 * @param before somebody's answers in the earlier document as they would be sent: question or link parameter to value
 * @param after the same respondent's in the later one
 */
public record Difference(DifferenceKind kind, String place, String from, String to, Optional<BigInteger> paths, Map<String, Object> before,
        Map<String, Object> after) {

    /** What is different. */
    public enum DifferenceKind {
        /** Asked before, not now. */
        ASKED_NO_MORE,
        /** Asked now, not before. */
        ASKED_NOW,
        /** Another outcome. */
        ENDS_OTHERWISE,
        /** A message that was sent to somebody is sent to nobody. */
        SENT_NO_MORE,
        /** A message that was sent to nobody is sent to somebody. */
        SENT_NOW,
        /** A follow-up that was opened is not. */
        OPENED_NO_MORE,
        /** A follow-up that was not opened is. */
        OPENED_NOW,
        /** Answers that were taken are held back at a page. */
        REFUSED_NOW,
        /** Answers that were held back at a page are taken. */
        ACCEPTED_NOW
    }
}
