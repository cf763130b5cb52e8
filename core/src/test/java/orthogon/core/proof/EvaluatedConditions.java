package orthogon.core.proof;

import java.time.LocalDate;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.Map;
import java.util.Set;
import orthogon.core.expression.Expr;
import orthogon.core.expression.Wiring;
import orthogon.core.expression.Wiring.Wire;
import orthogon.core.interview.Interview;
import orthogon.core.place.RuleFamily;
import orthogon.core.proof.claim.Replay;
import orthogon.core.questionnaire.Question;

/**
 * How conditions turn out for those who come to evaluate them, told from one interview after another: conditions of questions and of the
 * rows of grids outside of rosters, and of rows of the outcome table. Documents have two pages and no skips.
 */
final class EvaluatedConditions {

    private final Wiring wiring;
    private final LocalDate today;
    private final Set<String> looked = new LinkedHashSet<>();
    private final Set<String> holds = new HashSet<>();
    private final Set<String> fails = new HashSet<>();
    private final Set<String> decides = new HashSet<>();
    private final Set<String> turned = new HashSet<>();

    EvaluatedConditions(Wiring wiring, LocalDate today) {
        this.wiring = wiring;
        this.today = today;
        wiring.wires().stream().filter(w -> w.family() == RuleFamily.OUTCOME_ROW
                || w.family() == RuleFamily.ASK_WHEN && wiring.rosterOf(w.owner()).isEmpty()).map(Wire::place).forEach(looked::add);
    }

    /** @param ended the interview of these answers as far as it goes */
    void by(Map<String, Object> answers, Interview ended) {
        for (String place : looked) {
            Wire wire = wiring.at(place).orElseThrow();
            if (wire.family() == RuleFamily.OUTCOME_ROW) {
                boolean comes = ended.course().complete() && ended.course().endedBy()
                        .map(by -> by.family() == RuleFamily.OUTCOME_ROW && by.number() >= wire.at().number()).orElse(true);
                if (comes) {
                    note(place, wire, ended);
                }
                continue;
            }
            String page = wiring.document().pageOf(wire.owner()).orElseThrow().code();
            Interview there = Replay.of(wiring, today, answers, page);
            // A page is come to as well where it is passed by as empty.
            boolean isThere = wiring.document().pages().getFirst().code().equals(page)
                    || there.passed().contains(wiring.document().pages().getFirst().code()) && there.course().taken().isEmpty();
            boolean ofRow = !place.equals(wire.owner() + ".askWhen");
            Question question = wiring.document().question(wire.owner()).orElse(null);
            boolean around = !ofRow || question.askWhen().isEmpty() || Boolean.TRUE.equals(there.truth(wire.owner() + ".askWhen"));
            if (isThere && around) {
                note(place, wire, there);
            }
        }
    }

    private void note(String place, Wire wire, Interview interview) {
        Expr condition = wire.expr().orElseThrow();
        boolean held = Boolean.TRUE.equals(interview.value(condition));
        (held ? holds : fails).add(place);
        for (int n = 0; n < condition.comparisons().size(); n++) {
            for (boolean literal : new boolean[]{true, false}) {
                if (Boolean.TRUE.equals(interview.value(condition.with(n, literal))) != held) {
                    decides.add(place + "#" + n + literal);
                }
            }
            Boolean plainly = PlainReading.of(condition, n, interview::value);
            if (plainly != null && Boolean.TRUE.equals(interview.value(condition.with(n, plainly))) != held) {
                turned.add(place + "#" + n);
            }
        }
    }

    /** Claims by kind and place, and whether they are to be proved. */
    Map<String, Boolean> verdicts() {
        Map<String, Boolean> verdicts = new LinkedHashMap<>();
        for (String place : looked) {
            int comparisons = wiring.at(place).orElseThrow().expr().orElseThrow().comparisons().size();
            if (comparisons > 0) {
                verdicts.put("condition-varies " + place, holds.contains(place) && fails.contains(place));
            }
            for (int n = 0; n < comparisons; n++) {
                String at = place + "#" + n;
                verdicts.put("comparison-matters " + at, decides.contains(at + true) && decides.contains(at + false));
                verdicts.put("blank-reading " + at, !turned.contains(at));
            }
        }
        return verdicts;
    }
}
