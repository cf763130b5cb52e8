package orthogon.formats.responses;

import orthogon.core.answer.Option;
import orthogon.core.answer.file.Attachment;
import orthogon.core.questionnaire.Derived;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Roster;
import orthogon.core.questionnaire.Section;
import orthogon.formats.answer.AnswerColumn;
import orthogon.formats.answer.kinds.AnswerFormats;
import orthogon.formats.progress.ProgressListener;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;

/** One row for each response, one column for each value that is kept of it, RFC 4180, with codes as values. */
public final class ResponsesCsv {

    private ResponsesCsv() {}

    /** @param sent when it was sent, ISO 8601 with offset */
    public record ResponseLine(String receipt, int release, String sent, String outcome, Map<String, Object> answers) {}

    /** @param progress is told of each row that is written, and may end the work */
    public static String write(Questionnaire document, List<ResponseLine> rows, ProgressListener progress) {
        List<Column> columns = columns(document);
        StringBuilder text = new StringBuilder();
        List<String> header = new ArrayList<>(List.of("receipt", "release", "sent", "outcome"));
        columns.forEach(c -> header.add(c.name()));
        try (CSVPrinter printer = new CSVPrinter(text, CSVFormat.RFC4180)) {
            printer.printRecord(header);
            int written = 0;
            for (ResponseLine row : rows) {
                progress.at("Writing the responses", written++, rows.size());
                List<String> cells = new ArrayList<>(List.of(row.receipt(), String.valueOf(row.release()), row.sent(), row.outcome()));
                columns.forEach(c -> cells.add(cell(c.of().apply(row.answers()))));
                printer.printRecord(cells);
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return text.toString();
    }

    private record Column(String name, Function<Map<String, Object>, Object> of) {}

    /** A column for each link parameter, derived value and question, or part of its answer; each of these for every entry of a roster. */
    private static List<Column> columns(Questionnaire document) {
        List<Column> columns = new ArrayList<>();
        document.linkParameters().forEach(p -> columns.add(new Column(p.code(), answers -> answers.get(p.code()))));
        document.pages().forEach(p -> p.items().forEach(i -> add(i, "", answers -> answers, columns)));
        return columns;
    }

    private static void add(Item item, String prefix, Function<Map<String, Object>, Map<?, ?>> in, List<Column> into) {
        switch (item) {
            case Question q -> {
                Function<Map<String, Object>, Object> value = in.andThen(m -> m.get(q.code()));
                List<String> parts = AnswerFormats.of(q.answer()).columns(q.answer()).stream().map(AnswerColumn::part).toList();
                if (parts.isEmpty()) {
                    into.add(new Column(prefix + q.code(), value));
                }
                parts.forEach(part -> into.add(new Column(prefix + q.code() + "." + part,
                        value.andThen(v -> v instanceof Map<?, ?> m ? m.get(part) : null))));
                if (q.answer().hasOwnOptions() && q.answer().options().stream().anyMatch(Option::other)) {
                    into.add(new Column(prefix + q.code() + ".other", in.andThen(m -> m.get(q.code() + ".other"))));
                }
            }
            case Derived d -> into.add(new Column(prefix + d.code(), in.andThen(m -> m.get(d.code()))));
            case Section s -> s.items().forEach(i -> add(i, prefix, in, into));
            case Roster r -> {
                for (int n = 0; n < r.most(); n++) {
                    int at = n;
                    Function<Map<String, Object>, Map<?, ?>> entry = in.andThen(m -> m.get(r.code()) instanceof List<?> l && at < l.size()
                            ? (Map<?, ?>) l.get(at)
                            : Map.of());
                    r.items().forEach(i -> add(i, r.code() + "." + (at + 1) + ".", entry, into));
                }
            }
            default -> {}
        }
    }

    /** A value as it stands in the file. A text that a spreadsheet would take for a formula gets a straight quote before it. */
    public static String cell(Object value) {
        return switch (value) {
            case null -> "";
            case String s -> !s.isEmpty() && "=+-@\t\r".indexOf(s.charAt(0)) >= 0 ? "'" + s : s;
            case List<?> l -> l.stream().map(ResponsesCsv::cell).collect(Collectors.joining(";"));
            case Attachment f -> cell(f.name());
            case Boolean b -> b ? "yes" : "no";
            case java.math.BigDecimal d -> d.toPlainString();
            default -> value.toString();
        };
    }
}
