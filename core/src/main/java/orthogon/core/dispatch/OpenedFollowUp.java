package orthogon.core.dispatch;

import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import orthogon.core.expression.Expr;
import orthogon.core.interview.Interview;
import orthogon.core.questionnaire.FollowUp;

/**
 * What is known of a follow-up that was opened.
 *
 * @param code of the follow-up
 * @param entry number of the entry that it was opened for, from 1; 0 where it is opened once; from 2 where it is opened again by hand
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

    /**
     * What is known where one is told of: of a follow-up that was opened again by hand, that one and not the first.
     *
     * @param entry of the one that is told of
     */
    public static List<OpenedFollowUp> toldOf(FollowUp followUp, int entry, Collection<OpenedFollowUp> opened) {
        boolean again = entry > 0 && !followUp.isForEachEntry();
        return opened.stream().filter(o -> !again || !o.code().equals(followUp.code()) || o.entry() == entry)
                .map(o -> again && o.code().equals(followUp.code())
                        ? new OpenedFollowUp(o.code(), 0, o.progress(), o.decision(), o.brought())
                        : o)
                .toList();
    }

    boolean is(FollowUp followUp, int ofEntry) {
        return code.equals(followUp.code()) && entry == ofEntry;
    }
}
