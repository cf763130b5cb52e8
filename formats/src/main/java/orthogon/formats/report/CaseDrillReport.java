package orthogon.formats.report;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import orthogon.core.proof.composed.CaseWitness.FollowedUp;
import orthogon.core.proof.drill.CaseDrill;
import orthogon.core.proof.drill.CaseDrill.CaseGoal;
import orthogon.core.proof.drill.CaseLane.CaseEnd;
import orthogon.core.proof.drill.CaseLanes;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.formats.stored.JsonAnswers;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import tools.jackson.databind.json.JsonMapper;

/** Drills across a case as JSON, and as CSV. */
public final class CaseDrillReport {

    private static final JsonMapper MAPPER = JsonMapper.builder().build();

    private CaseDrillReport() {}

    /** One line of JSON, without a line feed. */
    public static String json(Questionnaire document, LocalDate asOf, CaseLanes lanes) {
        Map<String, Object> json = new LinkedHashMap<>();
        json.put("orthogon", 1);
        json.put("questionnaire", document.code());
        json.put("asOf", asOf.toString());
        json.put("lanes", lanes.lanes().size());
        json.put("more", lanes.more());
        json.put("goals", lanes.goals().size());
        json.put("drills", lanes.drills().stream().map(CaseDrillReport::drill).toList());
        return MAPPER.writeValueAsString(json);
    }

    private static Map<String, Object> drill(CaseDrill drill) {
        Map<String, Object> json = new LinkedHashMap<>();
        json.put("answers", JsonAnswers.of(drill.witness().answers()));
        json.put("outcome", drill.lane().outcome().isEmpty() ? null : drill.lane().outcome());
        json.put("followUps", drill.witness().followed().stream().map(f -> {
            Map<String, Object> followed = new LinkedHashMap<>();
            followed.put("followUp", f.path());
            followed.put("answers", JsonAnswers.of(f.answers()));
            followed.put("state", f.state());
            followed.put("decision", f.decision().isEmpty() ? null : f.decision());
            followed.put("outcome", end(drill, f).outcome().isEmpty() ? null : end(drill, f).outcome());
            return followed;
        }).toList());
        json.put("sends", drill.sends());
        json.put("covers", drill.covers().stream().map(CaseGoal::words).toList());
        return json;
    }

    private static CaseEnd end(CaseDrill drill, FollowedUp followed) {
        return drill.lane().ends().stream().filter(e -> e.name().equals(followed.name())).findFirst()
                .orElse(new CaseEnd(followed.name(), followed.state(), followed.decision(), ""));
    }

    /** A row for every act of everybody in each drill, with what must come of it; RFC 4180. */
    public static String csv(List<CaseDrill> drills) {
        StringBuilder text = new StringBuilder();
        try (CSVPrinter printer = new CSVPrinter(text, CSVFormat.RFC4180)) {
            printer.printRecord("drill", "follow-up", "do", "answers", "expected");
            for (int n = 0; n < drills.size(); n++) {
                CaseDrill drill = drills.get(n);
                String opens = drill.lane().ends().stream().map(CaseEnd::path).collect(Collectors.joining(" "));
                printer.printRecord(n + 1, "", "answer and send", DrillReport.said(drill.witness().answers()),
                        outcome(drill.lane().outcome()) + (opens.isEmpty() ? "; opens nothing" : "; opens in the end: " + opens));
                for (FollowedUp followed : drill.witness().followed()) {
                    act(printer, n + 1, followed, end(drill, followed));
                }
                if (!drill.sends().isEmpty()) {
                    printer.printRecord(n + 1, "", "look at the messages", "", "sent: " + String.join(" ", drill.sends()));
                }
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return text.toString();
    }

    private static void act(CSVPrinter printer, int number, FollowedUp followed, CaseEnd end) throws IOException {
        switch (followed.state()) {
            case "expired" -> printer.printRecord(number, followed.path(), "let it expire", "", "expired");
            case "withdrawn" -> printer.printRecord(number, followed.path(), "withdraw it", "", "withdrawn");
            default -> {
                printer.printRecord(number, followed.path(), "answer and send", DrillReport.said(followed.answers()),
                        outcome(end.outcome()));
                if (!followed.decision().isEmpty()) {
                    printer.printRecord(number, followed.path(), "decide: " + followed.decision(), "", "decided");
                }
            }
        }
    }

    private static String outcome(String code) {
        return code.isEmpty() ? "no outcome" : "outcome: " + code;
    }
}
