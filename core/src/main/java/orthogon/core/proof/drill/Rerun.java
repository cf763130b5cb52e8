package orthogon.core.proof.drill;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import orthogon.core.dispatch.DueMessage;
import orthogon.core.expression.Wiring;
import orthogon.core.interview.Interview;
import orthogon.core.interview.Problem;
import orthogon.core.questionnaire.Questionnaire.LinkParameter;

/** Runs a drill through the interview, which knows nothing of how it was found. */
public final class Rerun {

    private Rerun() {}

    /** The differences from what the drill expects, in the order of the interview; empty where there is none. */
    public static List<String> differences(Wiring wiring, LocalDate today, Drill drill) {
        List<String> differences = new ArrayList<>();
        Map<String, String> link = new LinkedHashMap<>();
        for (LinkParameter parameter : wiring.document().arriving()) {
            if (drill.answers().get(parameter.code()) instanceof String value) {
                link.put(parameter.code(), value);
            }
        }
        Interview interview = Interview.start(wiring, today, link);
        for (Drill.DrillStep step : drill.steps()) {
            Optional<String> page = interview.course().current().map(v -> v.page().code());
            if (!page.equals(Optional.of(step.page()))) {
                differences.add("page " + step.page() + " was expected, and " + page.map(p -> "page " + p).orElse("the end") + " came");
                return differences;
            }
            for (Drill.RefusedAttempt attempt : step.attempts()) {
                Map<String, String> refused = new LinkedHashMap<>();
                if (Attempts.leaving(interview, drill.answers(), attempt.instead()) instanceof Interview.LeaveResult.Held held) {
                    held.problems().forEach((Problem p) -> refused.merge(p.slot(), p.message(), (a, b) -> a));
                }
                if (!refused.equals(attempt.refused())) {
                    differences.add("on page " + step.page() + " " + attempt.instead() + " is told " + refused + " and not "
                            + attempt.refused());
                }
            }
            Interview.LeaveResult left = Attempts.leaving(interview, drill.answers(), Map.of());
            List<String> asked = left.interview().course().pages().stream().filter(v -> v.page().code().equals(step.page()))
                    .flatMap(v -> v.shown().stream()).filter(s -> s.roster().isEmpty() && !s.item().kind().equals("note")
                            && !s.item().kind().equals("section"))
                    .map(s -> s.item().code()).distinct().toList();
            if (!new LinkedHashSet<>(asked).equals(new LinkedHashSet<>(step.asked()))) {
                differences.add("on page " + step.page() + " " + asked + " are asked and not " + step.asked());
            }
            if (!(left instanceof Interview.LeaveResult.Passed)) {
                differences.add("page " + step.page() + " is not passed");
                return differences;
            }
            interview = left.interview();
        }
        String outcome = interview.course().outcome().orElse("");
        if (!interview.course().complete() || !outcome.equals(drill.outcome())) {
            differences.add("it ends " + (outcome.isEmpty() ? "without an outcome" : "as " + outcome) + " and not as " + drill.outcome());
        }
        List<String> sends = DueMessage.codes(interview);
        if (!sends.equals(drill.sends())) {
            differences.add("it sends " + sends + " and not " + drill.sends());
        }
        return differences;
    }
}
