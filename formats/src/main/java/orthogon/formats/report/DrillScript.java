package orthogon.formats.report;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import orthogon.core.answer.Option;
import orthogon.core.proof.drill.Drill;
import orthogon.core.proof.drill.Drills;
import orthogon.core.questionnaire.DispatchMessage;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;

/**
 * Drills as a script to be printed and signed.
 *
 * @param summary how many there are, and how few there could be
 */
public record DrillScript(String title, String summary, List<ScriptDrill> drills) {

    /** @param link what the link carries; empty for nothing */
    public record ScriptDrill(int number, String link, List<ScriptStep> steps, String outcome, List<String> sends) {}

    /** One page: what is tried in vain, and what is answered. */
    public record ScriptStep(String title, List<String> tries, List<ScriptAnswer> answers) {}

    public record ScriptAnswer(String wording, String answer) {}

    static DrillScript of(Questionnaire document, LocalDate asOf, Drills drills) {
        List<ScriptDrill> all = new ArrayList<>();
        for (Drill drill : drills.drills()) {
            all.add(drill(document, drill, all.size() + 1));
        }
        String summary = drills.drills().size() + " drills for " + drills.goals().size() + " goals, as of " + asOf + ". At least "
                + drills.atLeast() + " drills are needed; a simple greedy choice takes " + drills.greedy() + ".";
        return new DrillScript(document.title(), summary, all);
    }

    private static ScriptDrill drill(Questionnaire document, Drill drill, int number) {
        String link = document.arriving().stream().filter(p -> drill.answers().containsKey(p.code()))
                .map(p -> p.code() + " = " + DrillReport.said(drill.answers().get(p.code()))).collect(Collectors.joining(", "));
        String outcome = document.outcome(drill.outcome()).map(Questionnaire.Outcome::label).orElse("no outcome");
        return new ScriptDrill(number, link, drill.steps().stream().map(step -> step(document, drill, step)).toList(), outcome,
                drill.sends().stream().map(code -> document.message(code).map(DispatchMessage::shown).orElse(code)).toList());
    }

    private static ScriptStep step(Questionnaire document, Drill drill, Drill.DrillStep step) {
        List<String> tries = step.attempts().stream().map(a -> "Try " + DrillReport.said(a.instead()) + ". It must be refused: "
                + String.join(" ", a.refused().values())).toList();
        List<ScriptAnswer> answers = step.asked().stream().map(code -> document.item(code).orElseThrow())
                .map(item -> new ScriptAnswer(item.wording(), label(item, drill.answers().get(item.code())))).toList();
        return new ScriptStep(document.page(step.page()).orElseThrow().title(), tries, answers);
    }

    private static String label(Item item, Object value) {
        if (item instanceof Question q && !q.answer().options().isEmpty() && q.answer().rows().isEmpty()) {
            List<?> chosen = value instanceof List<?> l ? l : value == null ? List.of() : List.of(value);
            return chosen.isEmpty()
                    ? "(blank)"
                    : chosen.stream().map(c -> q.answer().option((String) c).map(Option::label).orElse((String) c))
                            .collect(Collectors.joining(", "));
        }
        return DrillReport.said(value);
    }
}
