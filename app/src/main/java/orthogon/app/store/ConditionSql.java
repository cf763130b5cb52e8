package orthogon.app.store;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.LinkedHashMap;
import java.util.Map;
import orthogon.core.responses.KeptValue;
import orthogon.core.responses.ResponseDocument;
import orthogon.core.responses.ResponseFact;
import orthogon.core.responses.Selection;
import orthogon.core.responses.Selection.Relation;

/** One condition on responses as a query for their numbers, with its parameters. Answers are looked up by their index alone. */
final class ConditionSql {

    private static final String NONE = "1 = 0";
    private static final String ALL = "1 = 1";
    private static final String FACTS = "select p.number from response p where p.questionnaire_id = :questionnaire and ";
    private static final String VALUES = "select v.response from answer_value v where v.questionnaire_id = :questionnaire and v.name = ";

    private final Map<String, Object> parameters = new LinkedHashMap<>();
    private final String query;

    ConditionSql(ResponseDocument over, Selection.Answered answered) {
        this.query = over.fact(answered.code()).map(fact -> FACTS + known(fact))
                .orElseGet(() -> VALUES + put(answered.code()) + " and v.kind <> 'E'");
    }

    ConditionSql(ResponseDocument over, Selection.Holding holding) {
        this.query = over.fact(holding.code()).isPresent()
                ? FACTS + NONE
                : VALUES + put(holding.code()) + " and v.kind = 'E' and v.text = " + put(holding.element());
    }

    ConditionSql(ResponseDocument over, Selection.Compared compared) {
        this.query = over.fact(compared.code()).map(fact -> FACTS + fact(fact, compared.relation(), compared.value()))
                .orElseGet(() -> answer(KeptValue.single(compared.code(), compared.value()), compared.relation()));
    }

    ConditionSql(ResponseDocument over, Selection.Sized sized) {
        this.query = over.fact(sized.code()).isPresent()
                ? FACTS + NONE
                : VALUES + put(sized.code()) + " and v.kind = 'W' and v.number " + sized.relation().sign() + " " + put(sized.size());
    }

    ConditionSql(ResponseDocument over, Selection.Containing containing) {
        String like = " like " + put(pattern(containing)) + " escape '\\'";
        this.query = over.fact(containing.code()).map(fact -> FACTS + column(fact) + like)
                .orElseGet(() -> VALUES + put(containing.code()) + " and v.kind = 'T' and v.text" + like);
    }

    /** Gives numbers, some perhaps twice. Besides its parameters it takes {@code questionnaire}. */
    String query() {
        return query;
    }

    Map<String, Object> parameters() {
        return parameters;
    }

    private String answer(KeptValue value, Relation relation) {
        String compared = value.number() == null
                ? "v.text " + relation.sign() + " " + put(value.text())
                : "v.number " + relation.sign() + " " + put(value.number());
        return VALUES + put(value.code()) + " and v.kind = " + put(value.kind().sign()) + " and " + compared;
    }

    /** Where a fact stands in {@code response p}. */
    static String column(ResponseFact fact) {
        return switch (fact) {
            case RECEIPT -> "p.receipt";
            case SENT -> "p.sent_at";
            case OUTCOME -> "p.outcome";
            case RELEASE -> "(select r.number from release r where r.id = p.release_id)";
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
