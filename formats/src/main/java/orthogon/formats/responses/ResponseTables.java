package orthogon.formats.responses;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Stream;
import orthogon.core.answer.Domain;
import orthogon.core.answer.Option;
import orthogon.core.interview.Slots;
import orthogon.core.questionnaire.Derived;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Roster;
import orthogon.core.questionnaire.Section;
import orthogon.formats.answer.AnswerColumn;
import orthogon.formats.answer.kinds.AnswerFormats;

/**
 * Responses as tables: one with a row for each response, and one for each roster with a row for each entry, linked by the receipt. Cells are
 * numbers, truths, dates, times, moments and texts, lists of these, and null for blank.
 */
public record ResponseTables(List<ResponseTable> tables) {

    /** Name of the first table. */
    public static final String RESPONSES = "responses";

    /** One table. */
    public record ResponseTable(String name, List<String> heads, Function<ResponseLine, List<List<Object>>> rows) {}

    private record TableColumn(String name, Function<Map<?, ?>, Object> value) {}

    /** The tables of the responses to a document; with one table alone where there are no rosters or they are not apart. */
    public static ResponseTables of(Questionnaire document, ExportForm form) {
        List<TableColumn> columns = new ArrayList<>();
        List<ResponseTable> rosters = new ArrayList<>();
        document.linkParameters().forEach(p -> columns.add(new TableColumn(p.code(), answers -> answers.get(p.code()))));
        document.pages().forEach(p -> p.items().forEach(i -> add(i, "", Function.identity(), form, columns, rosters)));
        List<String> heads = Stream.concat(Stream.of("receipt", "release", "sent", "outcome", "language", "state", "in_charge"),
                columns.stream().map(TableColumn::name)).toList();
        List<ResponseTable> tables = new ArrayList<>();
        tables.add(new ResponseTable(RESPONSES, heads, line -> {
            List<Object> row = new ArrayList<>(heads.size());
            row.add(line.receipt());
            row.add(BigDecimal.valueOf(line.release()));
            row.add(line.sent());
            row.add(form.labels()
                    ? document.outcome(line.outcome()).map(Questionnaire.Outcome::label).orElse(line.outcome())
                    : line.outcome());
            row.add(line.language());
            row.add(line.state());
            row.add(line.inCharge());
            columns.forEach(c -> row.add(c.value().apply(line.answers())));
            return List.of(row);
        }));
        tables.addAll(rosters);
        return new ResponseTables(List.copyOf(tables));
    }

    private static void add(Item item, String prefix, Function<Map<?, ?>, Map<?, ?>> in, ExportForm form, List<TableColumn> into,
            List<ResponseTable> rosters) {
        switch (item) {
            case Question q -> question(q, prefix, in, form, into);
            case Derived d -> into.add(new TableColumn(prefix + d.code(), in.andThen(m -> m.get(d.code()))));
            case Section s -> s.items().forEach(i -> add(i, prefix, in, form, into, rosters));
            case Roster r when form.apart() -> {
                into.add(new TableColumn(prefix + r.code(), in.andThen(m -> m.get(r.code()) instanceof List<?> l
                        ? BigDecimal.valueOf(l.size())
                        : null)));
                rosters.add(apart(r, form));
            }
            case Roster r -> {
                for (int n = 0; n < r.most(); n++) {
                    int at = n;
                    Function<Map<?, ?>, Map<?, ?>> entry = in.andThen(m -> m.get(r.code()) instanceof List<?> l && at < l.size()
                            ? (Map<?, ?>) l.get(at)
                            : Map.of());
                    r.items().forEach(i -> add(i, r.code() + "." + (at + 1) + ".", entry, form, into, rosters));
                }
            }
            default -> {}
        }
    }

    private static ResponseTable apart(Roster roster, ExportForm form) {
        List<TableColumn> columns = new ArrayList<>();
        roster.items().forEach(i -> add(i, "", Function.identity(), form, columns, new ArrayList<>()));
        List<String> heads = Stream.concat(Stream.of("receipt", "entry"), columns.stream().map(TableColumn::name)).toList();
        return new ResponseTable(roster.code(), heads, line -> {
            List<List<Object>> rows = new ArrayList<>();
            if (line.answers().get(roster.code()) instanceof List<?> entries) {
                for (Object entry : entries) {
                    List<Object> row = new ArrayList<>(heads.size());
                    row.add(line.receipt());
                    row.add(BigDecimal.valueOf(rows.size() + 1L));
                    columns.forEach(c -> row.add(c.value().apply((Map<?, ?>) entry)));
                    rows.add(row);
                }
            }
            return rows;
        });
    }

    private static void question(Question q, String prefix, Function<Map<?, ?>, Map<?, ?>> in, ExportForm form, List<TableColumn> into) {
        String name = prefix + q.code();
        Function<Map<?, ?>, Object> value = in.andThen(m -> m.get(q.code()));
        List<AnswerColumn> parts = AnswerFormats.of(q.answer()).columns(q.answer());
        if (parts.isEmpty() && form.several() && q.answer().domain() instanceof Domain.Subset many) {
            many.options().forEach(o -> into.add(new TableColumn(name + "." + o.code(),
                    value.andThen(v -> v instanceof List<?> l ? (Object) l.contains(o.code()) : null))));
        } else if (parts.isEmpty()) {
            into.add(new TableColumn(name,
                    value.andThen(v -> said(v, q.answer().hasOwnOptions() ? q.answer().options() : List.of(), form))));
        }
        parts.forEach(part -> into.add(new TableColumn(name + "." + part.part(),
                value.andThen(v -> said(inside(v, part.part()), part.options(), form)))));
        if (q.answer().hasOwnOptions() && q.answer().options().stream().anyMatch(Option::other)) {
            into.add(new TableColumn(Slots.other(name), in.andThen(m -> m.get(Slots.other(q.code())))));
        }
    }

    /** A part of a value, or a part of its part; null where it is not there. */
    private static Object inside(Object value, String part) {
        Object found = value;
        for (String name : part.split("\\.")) {
            found = found instanceof Map<?, ?> parts ? parts.get(name) : null;
        }
        return found;
    }

    private static Object said(Object value, List<Option> options, ExportForm form) {
        return switch (value) {
            case List<?> list when form.labels() -> list.stream().map(v -> said(v, options, form)).toList();
            case String code when form.labels() -> {
                Optional<Option> option = options.stream().filter(o -> o.code().equals(code)).findFirst();
                yield option.map(Option::label).filter(l -> !l.isEmpty()).orElse(code);
            }
            case null, default -> value;
        };
    }
}
