package orthogon.app.store;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import orthogon.core.responses.KeptValue;
import orthogon.core.responses.ResponseDocument;
import orthogon.core.responses.ResponseFact;
import orthogon.core.responses.Selection;
import orthogon.core.responses.Selection.Relation;

/**
 * A selection of responses as a condition over {@code response p join release r}, with its parameters. Answers are looked up in
 * {@code answer_value}, by its index alone.
 */
final class SelectionSql {

    private static final String NONE = "1 = 0";
    private static final String ALL = "1 = 1";
    private static final String VALUES = "p.number in (select v.response from answer_value v where v.questionnaire_id = :questionnaire"
            + " and v.name = ";

    private final ResponseDocument over;
    private final Map<String, Object> parameters = new LinkedHashMap<>();
    private final String condition;

    SelectionSql(ResponseDocument over, Selection selection) {
        this.over = over;
        this.condition = of(selection);
    }

    /** True or false of every row. */
    String condition() {
        return condition;
    }

    /** Without {@code questionnaire}. */
    Map<String, Object> parameters() {
        return parameters;
    }

    private String of(Selection selection) {
        return switch (selection) {
            case Selection.EveryResponse e -> ALL;
            case Selection.NoResponse n -> NONE;
            case Selection.Numbered n -> n.numbers().isEmpty() ? NONE : "p.number in (" + put(n.numbers()) + ")";
            case Selection.AllOf a -> joined(a.parts(), " and ");
            case Selection.AnyOf a -> joined(a.parts(), " or ");
            case Selection.Outside o -> "not (" + of(o.of()) + ")";
            case Selection.Answered a -> over.fact(a.code()).map(SelectionSql::known)
                    .orElseGet(() -> VALUES + put(a.code()) + " and v.kind <> 'E')");
            case Selection.Holding h -> over.fact(h.code()).isPresent()
                    ? NONE
                    : VALUES + put(h.code()) + " and v.kind = 'E' and v.text = " + put(h.element()) + ")";
            case Selection.Compared c -> over.fact(c.code()).map(fact -> fact(fact, c.relation(), c.value()))
                    .orElseGet(() -> answer(KeptValue.single(c.code(), c.value()), c.relation()));
            case Selection.Containing c -> {
                String like = " like " + put(pattern(c)) + " escape '\\'";
                yield over.fact(c.code()).map(fact -> column(fact) + like)
                        .orElseGet(() -> VALUES + put(c.code()) + " and v.kind = 'T' and v.text" + like + ")");
            }
        };
    }

    private String joined(List<Selection> parts, String by) {
        return parts.stream().map(this::of).collect(Collectors.joining(by, "(", ")"));
    }

    private String answer(KeptValue value, Relation relation) {
        String compared = value.number() == null
                ? "v.text " + relation.sign() + " " + put(value.text())
                : "v.number " + relation.sign() + " " + put(value.number());
        return VALUES + put(value.code()) + " and v.kind = " + put(value.kind().sign()) + " and " + compared + ")";
    }

    /** Where a fact stands in {@code response p join release r}. */
    static String column(ResponseFact fact) {
        return switch (fact) {
            case RECEIPT -> "p.receipt";
            case SENT -> "p.sent_at";
            case OUTCOME -> "p.outcome";
            case RELEASE -> "r.number";
            case LANGUAGE -> "p.language";
            case STATE -> "p.state";
            case IN_CHARGE -> "p.in_charge";
        };
    }

    private static String known(ResponseFact fact) {
        return switch (fact) {
            case OUTCOME, IN_CHARGE -> column(fact) + " <> ''";
            case RECEIPT, SENT, RELEASE, LANGUAGE, STATE -> ALL;
        };
    }

    private String fact(ResponseFact fact, Relation relation, Object value) {
        return switch (value) {
            case LocalDate day when fact == ResponseFact.SENT -> sent(relation, day);
            case BigDecimal number when fact == ResponseFact.RELEASE -> column(fact) + " " + relation.sign() + " " + put(number);
            case String text when fact != ResponseFact.SENT && fact != ResponseFact.RELEASE ->
                known(fact) + " and " + column(fact) + " " + relation.sign()
                        + " " + put(text);
            default -> NONE;
        };
    }

    /** Days begin at midnight where Orthogon runs. */
    private String sent(Relation relation, LocalDate day) {
        String from = put(day.atStartOfDay(ZoneId.systemDefault()).toOffsetDateTime());
        String next = put(day.plusDays(1).atStartOfDay(ZoneId.systemDefault()).toOffsetDateTime());
        return switch (relation) {
            case SAME -> "(p.sent_at >= " + from + " and p.sent_at < " + next + ")";
            case DIFFERENT -> "(p.sent_at < " + from + " or p.sent_at >= " + next + ")";
            case LESS -> "p.sent_at < " + from;
            case AT_MOST -> "p.sent_at < " + next;
            case MORE -> "p.sent_at >= " + next;
            case AT_LEAST -> "p.sent_at >= " + from;
        };
    }

    private static String pattern(Selection.Containing c) {
        String part = escaped(c.part());
        return switch (c.side()) {
            case START -> part + "%";
            case ANYWHERE -> "%" + part + "%";
            case END -> "%" + part;
        };
    }

    /** A text that stands for itself in a pattern of {@code like}, escaped by a backslash. */
    static String escaped(String text) {
        return text.replace("\\", "\\\\").replace("%", "\\%").replace("_", "\\_");
    }

    private String put(Object value) {
        String name = "s" + parameters.size();
        parameters.put(name, value);
        return ":" + name;
    }
}
