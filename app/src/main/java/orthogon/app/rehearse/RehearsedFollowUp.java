package orthogon.app.rehearse;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import orthogon.core.dispatch.DueFollowUp;
import orthogon.core.dispatch.OpenedFollowUp;
import orthogon.core.expression.Phrase;
import orthogon.core.expression.Wiring;
import orthogon.core.interview.Interview;
import orthogon.core.interview.Reasons;
import orthogon.core.questionnaire.FollowUp;
import orthogon.core.questionnaire.Questionnaire;

/**
 * A follow-up at the end of a rehearsal, which opens none.
 *
 * @param carried target to what it would be opened with, in words
 * @param because why it would not be opened now; empty where it would
 */
record RehearsedFollowUp(String code, String title, String opens, Map<String, String> carried, String because) {

    /**
     * Every follow-up of a document, for a complete interview.
     *
     * @param opened those that are opened
     */
    static List<RehearsedFollowUp> all(Questionnaire document, Interview interview, List<OpenedFollowUp> opened) {
        Wiring wiring = Wiring.of(document);
        List<DueFollowUp> due = DueFollowUp.of(interview, opened);
        return document.followUps().stream()
                .map(f -> of(wiring, f, due.stream().filter(d -> d.followUp().code().equals(f.code())).toList()))
                .toList();
    }

    private static RehearsedFollowUp of(Wiring wiring, FollowUp followUp, List<DueFollowUp> due) {
        Map<String, String> carried = new LinkedHashMap<>();
        for (DueFollowUp each : due) {
            String entry = each.entry() == 0 ? "" : " of entry " + each.entry();
            followUp.carries().stream().filter(c -> each.carried().containsKey(c.to()))
                    .forEach(c -> carried.put(c.to() + entry, Reasons.said(each.carried().get(c.to()))));
        }
        return new RehearsedFollowUp(followUp.code(), followUp.shown(), followUp.questionnaire(), carried,
                due.isEmpty() ? because(wiring, followUp) : "");
    }

    private static String because(Wiring wiring, FollowUp followUp) {
        Optional<String> when = wiring.at(followUp.code() + ".openFollowUp").flatMap(Wiring.Wire::readable).map(Phrase::of);
        return DueFollowUp.needs(wiring, followUp).isEmpty()
                ? "only when " + when.orElse(followUp.openWhen())
                : "not before " + String.join(" and ", DueFollowUp.needs(wiring, followUp).stream().sorted().toList())
                        + " is over" + when.map(w -> ", and only when " + w).orElse("");
    }
}
