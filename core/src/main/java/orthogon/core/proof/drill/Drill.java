package orthogon.core.proof.drill;

import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * A scripted respondent, with what must be seen.
 *
 * @param answers question or link parameter to value; what is left out is left blank
 * @param outcome empty for none
 * @param sends codes of the messages that are sent to somebody, in document order
 * @param covers what it is there for
 */
public record Drill(Map<String, Object> answers, List<DrillStep> steps, String outcome, List<String> sends, Set<Goal> covers) {

    /**
     * One page.
     *
     * @param asked codes of the questions and rosters that must be there, in order
     * @param attempts answers that must be refused before the page is passed
     */
    public record DrillStep(String page, List<String> asked, List<RefusedAttempt> attempts) {}

    /**
     * Answers that the page must refuse.
     *
     * @param instead question to the value given in place of the drill's own answer, null for none; a roster or a grid as a whole
     * @param refused what must be told of them: slot, and the message
     * @param covers what it tries
     */
    public record RefusedAttempt(Map<String, Object> instead, Map<String, String> refused, Goal covers) {}
}
