package orthogon.formats.report;

import orthogon.core.proof.drill.Drill;
import orthogon.core.proof.drill.Drills;
import orthogon.core.proof.drill.Goal;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.formats.page.PageTemplates;
import orthogon.formats.stored.JsonAnswers;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import tools.jackson.databind.json.JsonMapper;

/** Drills as JSON, as CSV, and as a script to be printed and signed. */
public final class DrillReport {

    private static final JsonMapper MAPPER = JsonMapper.builder().build();

    private DrillReport() {}

    /** One line of JSON, without a line feed. */
    public static String json(Questionnaire document, LocalDate asOf, Drills drills) {
        Map<String, Object> json = new LinkedHashMap<>();
        json.put("orthogon", 1);
        json.put("questionnaire", document.code());
        json.put("asOf", asOf.toString());
        json.put("atLeast", drills.atLeast());
        json.put("greedy", drills.greedy());
        json.put("goals", drills.goals().size());
        json.put("drills", drills.drills().stream().map(DrillReport::drill).toList());
        return MAPPER.writeValueAsString(json);
    }

    private static Map<String, Object> drill(Drill drill) {
        Map<String, Object> json = new LinkedHashMap<>();
        json.put("answers", JsonAnswers.of(drill.answers()));
        json.put("pages", drill.steps().stream().map(step -> {
            Map<String, Object> page = new LinkedHashMap<>();
            page.put("page", step.page());
            page.put("asked", step.asked());
            page.put("refused", step.attempts().stream().map(DrillReport::attempt).toList());
            return page;
        }).toList());
        json.put("outcome", drill.outcome().isEmpty() ? null : drill.outcome());
        json.put("sends", drill.sends());
        json.put("covers", drill.covers().stream().map(Goal::words).toList());
        return json;
    }

    private static Map<String, Object> attempt(Drill.RefusedAttempt attempt) {
        Map<String, Object> json = new LinkedHashMap<>();
        json.put("instead", JsonAnswers.of(attempt.instead()));
        json.put("messages", attempt.refused());
        json.put("covers", attempt.covers().words());
        return json;
    }

    /** A row for each page of each drill, and one for each answer that must be refused there; RFC 4180. */
    public static String csv(Drills drills) {
        StringBuilder text = new StringBuilder();
        try (CSVPrinter printer = new CSVPrinter(text, CSVFormat.RFC4180)) {
            printer.printRecord("drill", "page", "do", "answers", "expected");
            for (int n = 0; n < drills.drills().size(); n++) {
                Drill drill = drills.drills().get(n);
                for (Drill.DrillStep step : drill.steps()) {
                    for (Drill.RefusedAttempt attempt : step.attempts()) {
                        printer.printRecord(n + 1, step.page(), "try", said(attempt.instead()), said(attempt.refused()));
                    }
                    Map<String, Object> answers = new LinkedHashMap<>();
                    step.asked().forEach(code -> answers.put(code, drill.answers().get(code)));
                    printer.printRecord(n + 1, step.page(), "answer", said(answers), "asked: " + String.join(" ", step.asked()));
                }
                printer.printRecord(n + 1, "", "send", "", (drill.outcome().isEmpty() ? "no outcome" : "outcome: " + drill.outcome())
                        + (drill.sends().isEmpty() ? "" : "; sends: " + String.join(" ", drill.sends())));
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return text.toString();
    }

    static String said(Map<String, ?> values) {
        return values.entrySet().stream().map(e -> e.getKey() + ": " + said(e.getValue())).collect(Collectors.joining("; "));
    }

    static String said(Object value) {
        return switch (JsonAnswers.value(value)) {
            case null -> "(blank)";
            case Boolean b -> b ? "yes" : "no";
            case List<?> l -> l.stream().map(DrillReport::said).collect(Collectors.joining(", "));
            case Map<?, ?> m -> m.entrySet().stream().map(e -> e.getKey() + " " + said(e.getValue())).collect(Collectors.joining(", "));
            case Object o -> o.toString();
        };
    }

    /** A page of HTML that needs nothing else, to be printed: every step with boxes to tick, and room for a signature. */
    public static String script(Questionnaire document, LocalDate asOf, Drills drills) {
        return PageTemplates.filled("drills", DrillScript.of(document, asOf, drills));
    }

}
