package orthogon.formats.responses;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;

/** One row a response, one column a question, RFC 4180, with codes as values. */
public final class ResponsesCsv {

    private ResponsesCsv() {}

    /** @param sent when it was sent, ISO 8601 with offset */
    public record Row(String receipt, int release, String sent, String outcome, Map<String, Object> answers) {}

    public static String write(Questionnaire document, List<Row> rows) {
        List<String> codes = document.questions().map(Question::code).toList();
        StringBuilder text = new StringBuilder();
        List<String> header = new ArrayList<>(List.of("receipt", "release", "sent", "outcome"));
        header.addAll(codes);
        try (CSVPrinter printer = new CSVPrinter(text, CSVFormat.RFC4180)) {
            printer.printRecord(header);
            for (Row row : rows) {
                List<String> cells = new ArrayList<>(List.of(row.receipt(), String.valueOf(row.release()), row.sent(), row.outcome()));
                codes.forEach(code -> cells.add(cell(row.answers().get(code))));
                printer.printRecord(cells);
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return text.toString();
    }

    /** A text that a spreadsheet would take for a formula gets a straight quote before it. */
    static String cell(Object value) {
        return switch (value) {
            case null -> "";
            case String s -> !s.isEmpty() && "=+-@\t\r".indexOf(s.charAt(0)) >= 0 ? "'" + s : s;
            case List<?> l -> l.stream().map(String::valueOf).collect(Collectors.joining(";"));
            case Boolean b -> b ? "yes" : "no";
            case java.math.BigDecimal d -> d.toPlainString();
            default -> value.toString();
        };
    }
}
