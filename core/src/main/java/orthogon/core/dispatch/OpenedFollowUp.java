package orthogon.core.dispatch;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Map;
import orthogon.core.expression.Expr;
import orthogon.core.interview.Interview;
import orthogon.core.questionnaire.FollowUp;

/**
 * What is known of a follow-up that was opened.
 *
 * @param code of the follow-up
 * @param entry number of the entry that it was opened for, from 1; 0 where it is opened once
 * @param decision code of the choice; empty where nothing is decided
 * @param brought name to value; what is blank is left out
 */
public record OpenedFollowUp(String code, int entry, FollowUpProgress progress, String decision, Map<String, Object> brought) {

    public OpenedFollowUp {
        brought = Map.copyOf(brought);
    }

    /** What a follow-up brings once its interview is sent, name to value; what is blank is left out. */
    public static Map<String, Object> brought(FollowUp followUp, Interview sent) {
        Map<String, Object> brought = new LinkedHashMap<>();
        for (FollowUp.Brought each : followUp.brings()) {
            Object value = sent.value(new Expr.Name(each.of(), Expr.Span.NONE));
            if (value != null) {
                brought.put(each.name(), value);
            }
        }
        return brought;
    }

    /** What conditions read of it. */
    public Map<String, Object> parts() {
        Map<String, Object> parts = new HashMap<>(brought);
        parts.put("state", progress.word());
        if (!decision.isEmpty()) {
            parts.put("decision", decision);
        }
        return parts;
    }

    boolean is(FollowUp followUp, int ofEntry) {
        return code.equals(followUp.code()) && entry == ofEntry;
    }
}
