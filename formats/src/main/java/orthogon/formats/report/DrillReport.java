package orthogon.formats.report;

import orthogon.core.answer.Option;
import orthogon.core.proof.drill.Drill;
import orthogon.core.proof.drill.Drills;
import orthogon.core.proof.drill.Goal;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.formats.stored.JsonAnswers;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.LocalDate;
import java.util.ArrayList;
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
                printer.printRecord(n + 1, "", "send", "", drill.outcome().isEmpty() ? "no outcome" : "outcome: " + drill.outcome());
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return text.toString();
    }

    private static String said(Map<String, ?> values) {
        return values.entrySet().stream().map(e -> e.getKey() + ": " + said(e.getValue())).collect(Collectors.joining("; "));
    }

    private static String said(Object value) {
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
        StringBuilder html = new StringBuilder("<!doctype html>\n<html lang=\"en\"><head><meta charset=\"utf-8\"><title>Drills: ")
                .append(escaped(document.title())).append("</title>\n<style>\n")
                .append("body{font:11pt/1.4 sans-serif;max-width:46rem;margin:2rem auto;padding:0 1rem}")
                .append("section{break-inside:avoid-page;break-after:page}h2{border-bottom:1px solid}")
                .append("li{margin:.25rem 0}.box::before{content:'\\2610\\00a0'}.try{font-style:italic}")
                .append(".signed{display:flex;gap:2rem;margin-top:2rem}.signed span{flex:1;border-top:1px solid;padding-top:.2rem}\n")
                .append("</style></head><body>\n<h1>").append(escaped(document.title())).append("</h1>\n<p>")
                .append(drills.drills().size()).append(" drills for ").append(drills.goals().size())
                .append(" goals, as of ").append(asOf).append(". At least ").append(drills.atLeast())
                .append(" drills are needed; a simple greedy choice takes ").append(drills.greedy()).append(".</p>\n");
        for (int n = 0; n < drills.drills().size(); n++) {
            script(document, drills.drills().get(n), n + 1, html);
        }
        return html.append("</body></html>\n").toString();
    }

    private static void script(Questionnaire document, Drill drill, int number, StringBuilder html) {
        html.append("<section><h2>Drill ").append(number).append("</h2>\n");
        List<String> link = new ArrayList<>();
        document.arriving().stream().filter(p -> drill.answers().containsKey(p.code()))
                .forEach(p -> link.add(p.code() + " = " + said(drill.answers().get(p.code()))));
        if (!link.isEmpty()) {
            html.append("<p>The link carries ").append(escaped(String.join(", ", link))).append(".</p>\n");
        }
        for (Drill.DrillStep step : drill.steps()) {
            html.append("<h3>").append(escaped(document.page(step.page()).orElseThrow().title())).append("</h3>\n<ul>\n");
            for (Drill.RefusedAttempt attempt : step.attempts()) {
                html.append("<li class=\"box try\">Try ").append(escaped(said(attempt.instead()))).append(". It must be refused: ")
                        .append(escaped(String.join(" ", attempt.refused().values()))).append("</li>\n");
            }
            for (String code : step.asked()) {
                Item item = document.item(code).orElseThrow();
                html.append("<li class=\"box\">").append(escaped(item.wording())).append(" <b>")
                        .append(escaped(label(item, drill.answers().get(code)))).append("</b></li>\n");
            }
            html.append("</ul>\n");
        }
        String outcome = document.outcome(drill.outcome()).map(Questionnaire.Outcome::label).orElse("no outcome");
        html.append("<p class=\"box\">It ends as <b>").append(escaped(outcome)).append("</b>.</p>\n")
                .append("<p class=\"signed\"><span>Date</span><span>Name</span><span>Signature</span></p></section>\n");
    }

    private static String label(Item item, Object value) {
        if (item instanceof Question q && !q.answer().options().isEmpty() && q.answer().rows().isEmpty()) {
            List<?> chosen = value instanceof List<?> l ? l : value == null ? List.of() : List.of(value);
            return chosen.isEmpty()
                    ? "(blank)"
                    : chosen.stream().map(c -> q.answer().option((String) c).map(Option::label).orElse((String) c))
                            .collect(Collectors.joining(", "));
        }
        return said(value);
    }

    private static String escaped(String text) {
        return text.replace("&", "&amp;").replace("<", "&lt;").replace(">", "&gt;").replace("\"", "&quot;");
    }
}
