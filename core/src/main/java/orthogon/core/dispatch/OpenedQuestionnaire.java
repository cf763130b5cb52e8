package orthogon.core.dispatch;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import orthogon.core.expression.Expr;
import orthogon.core.expression.Expr.Call;
import orthogon.core.expression.Expr.If;
import orthogon.core.expression.Expr.ListOf;
import orthogon.core.expression.Expr.Literal;
import orthogon.core.expression.Expr.Span;
import orthogon.core.expression.Printer;
import orthogon.core.questionnaire.FollowUp;
import orthogon.core.questionnaire.FollowUp.Carried;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Questionnaire.LinkParameter;

/** A questionnaire as a follow-up opens it: questions start with what is carried to them. */
public final class OpenedQuestionnaire {

    private OpenedQuestionnaire() {}

    /**
     * The document with what is carried to its questions.
     *
     * @param values target to value, as {@link DueFollowUp#carried()}
     */
    public static Questionnaire of(Questionnaire document, FollowUp followUp, Map<String, Object> values) {
        Questionnaire opened = document;
        for (Carried carried : followUp.carriedTo().values()) {
            if (document.question(carried.to()).filter(q -> !q.isHidden()).isPresent()) {
                Object value = values.get(carried.to());
                opened = opened.withItem(carried.to(), i -> {
                    Question started = ((Question) i).withStartWith(value == null ? "" : Printer.print(as(written(value))));
                    return carried.locked() ? started.withLockWhen("true") : started;
                });
            }
        }
        return opened;
    }

    /** What arrives with the link of a follow-up. */
    public static Map<String, String> link(Questionnaire document, Map<String, Object> values) {
        Map<String, String> link = new LinkedHashMap<>();
        for (LinkParameter parameter : document.arriving()) {
            if (values.get(parameter.code()) instanceof String text) {
                link.put(parameter.code(), text);
            }
        }
        return link;
    }

    /** A value that is known only now: one that is no option of the question is refused to whoever answers, and is no fault. */
    private static Expr as(Expr value) {
        return new If(new Literal(true, Span.NONE), value, new Literal(null, Span.NONE), Span.NONE);
    }

    private static Expr written(Object value) {
        return switch (value) {
            case LocalDate date -> call("date", date.toString());
            case LocalTime time -> call("time", time.toString());
            case List<?> list -> new ListOf(list.stream().map(OpenedQuestionnaire::written).toList(), Span.NONE);
            case Boolean truth -> new Literal(truth, Span.NONE);
            case BigDecimal number when number.signum() < 0 -> new Expr.Negate(new Literal(number.negate(), Span.NONE), Span.NONE);
            case BigDecimal number -> new Literal(number, Span.NONE);
            default -> new Literal(value.toString(), Span.NONE);
        };
    }

    private static Expr call(String function, String text) {
        return new Call(function, List.of(new Literal(text, Span.NONE)), Span.NONE);
    }
}
