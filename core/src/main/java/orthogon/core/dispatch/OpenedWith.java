package orthogon.core.dispatch;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.Collections;
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
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Questionnaire.LinkParameter;

/**
 * What a follow-up opens a questionnaire with.
 *
 * @param targets code of a question or a link parameter, to whether its value cannot be changed
 * @param values target to value; what is blank is left out
 */
public record OpenedWith(Map<String, Boolean> targets, Map<String, Object> values) {

    public OpenedWith {
        targets = Collections.unmodifiableMap(new LinkedHashMap<>(targets));
        values = Map.copyOf(values);
    }

    /** What a follow-up carries that is to be opened. */
    public static OpenedWith of(DueFollowUp due) {
        return of(due.followUp(), due.carried());
    }

    /** @param values as {@link DueFollowUp#carried()} */
    public static OpenedWith of(FollowUp followUp, Map<String, Object> values) {
        Map<String, Boolean> targets = new LinkedHashMap<>();
        followUp.carriedTo().values().forEach(c -> targets.put(c.to(), c.locked()));
        return new OpenedWith(targets, values);
    }

    /** The document in which what is carried to a question is what it starts with. */
    public Questionnaire in(Questionnaire document) {
        Questionnaire opened = document;
        for (Map.Entry<String, Boolean> target : targets.entrySet()) {
            if (document.question(target.getKey()).filter(q -> !q.isHidden()).isPresent()) {
                Object value = values.get(target.getKey());
                opened = opened.withItem(target.getKey(), i -> {
                    Question started = ((Question) i).withStartWith(value == null ? "" : Printer.print(as(written(value))));
                    return target.getValue() ? started.withLockWhen("true") : started;
                });
            }
        }
        return opened;
    }

    /** What arrives with the link. */
    public Map<String, String> link(Questionnaire document) {
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
            case List<?> list -> new ListOf(list.stream().map(OpenedWith::written).toList(), Span.NONE);
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
