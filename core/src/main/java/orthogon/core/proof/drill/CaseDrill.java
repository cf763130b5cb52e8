package orthogon.core.proof.drill;

import java.util.List;
import java.util.Set;
import orthogon.core.proof.composed.CaseWitness;
import orthogon.core.proof.plain.CaseNames;

/**
 * A scripted case: what everybody in it answers and decides, and what must be seen.
 *
 * @param witness what everybody does
 * @param lane how it must go
 * @param sends codes of the messages of follow-ups that are sent in it, in document order
 * @param covers what it is there for
 */
public record CaseDrill(CaseWitness witness, CaseLane lane, List<String> sends, Set<CaseGoal> covers) {

    /**
     * One thing that some drill must do.
     *
     * @param name of the follow-up in the composed document; empty for the first questionnaire; the code of a message
     * @param value the outcome, the state or the decision; empty for a message, a follow-up that is not opened and no outcome
     */
    public record CaseGoal(CaseGoalKind kind, String name, String value) {

        /** {@code handover ends as arrived}. */
        public String words() {
            String of = CaseNames.path(name);
            return switch (kind) {
                case OUTCOME ->
                    (of.isEmpty() ? "the first interview" : of) + " ends " + (value.isEmpty() ? "without an outcome" : "as " + value);
                case STATE -> of + " is " + value;
                case DECISION -> of + " is decided as " + value;
                case NOT_OPENED -> of + " is not opened";
                case MESSAGE -> "message " + of + " is sent";
            };
        }
    }

    /** What is to happen. */
    public enum CaseGoalKind {
        OUTCOME, STATE, DECISION, NOT_OPENED, MESSAGE
    }
}
