package orthogon.core.proof.space;

import orthogon.core.answer.DateLimit;
import orthogon.core.answer.Domain;
import orthogon.core.expression.Evaluator;
import orthogon.core.expression.Expr;
import orthogon.core.expression.Expr.Call;
import orthogon.core.questionnaire.Question;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.Function;

/** Finds the expressions of a document that depend on the current day. */
final class Days {

    private final Features features;
    private final Map<String, Expr> usable;
    private final Runnable goOn;

    Days(Features features, Map<String, Expr> usable, Runnable goOn) {
        this.features = features;
        this.usable = usable;
        this.goOn = goOn;
    }

    /**
     * All that hangs on the day: where two days give the same, the proof says the same for both. Answers that are compared with one
     * another are told themselves, others by what tells them apart; where it cannot be told, the day itself.
     */
    List<Object> on(LocalDate day, Iterable<Axis> axes, Function<String, List<String>> allowed) {
        List<Object> all = new ArrayList<>();
        usable.values().forEach(e -> constants(e, day, all));
        for (Axis axis : axes) {
            boolean moves = isRelative(axis.question());
            if (moves || features.of(axis.code()).stream().anyMatch(Days::usesToday)) {
                try {
                    Division divided = Division.of(axis.code(), axis.question(), allowed.apply(axis.code()), features, day,
                            goOn);
                    all.add(axis.isJoint() ? divided.cells() : divided.told());
                } catch (Inexact e) {
                    all.add(day);
                }
                if (axis.question() != null && !axis.question().startWith().isEmpty()) {
                    all.add(start(axis.question(), day));
                }
            }
        }
        return all;
    }

    /** How a start value stands to limits that move, and to what divides the answers. */
    private Object start(Question question, LocalDate day) {
        Expr start = usable.get(question.code() + ".startWith");
        if (start == null || !Analysis.mentioned(start).isEmpty()) {
            return day;
        }
        Object value = Evaluator.value(start, new Alone("", null, null, day));
        List<Object> stands = new ArrayList<>(List.of(value == null || Domains.isWithinLimits(question.answer().domain(), value, day)));
        features.of(question.code()).forEach(
                f -> stands.add(Guarded.key(Evaluator.value(f, new Alone(question.code(), value, question, day)))));
        return stands;
    }

    private static boolean isRelative(Question question) {
        return question != null && question.answer().domain() instanceof Domain.Dates d
                && (d.earliest() instanceof DateLimit.FromToday || d.latest() instanceof DateLimit.FromToday);
    }

    private static boolean usesToday(Expr expr) {
        return expr instanceof Call c && c.function().equals("today") || expr.children().stream().anyMatch(Days::usesToday);
    }

    private static void constants(Expr expr, LocalDate day, List<Object> into) {
        if (!usesToday(expr)) {
            return;
        }
        if (Analysis.mentioned(expr).isEmpty() && !expr.references().contains("outcome") && !Analysis.usesAsked(expr)) {
            into.add(Guarded.key(Evaluator.value(expr, new Alone("", null, null, day))));
        } else if (Analysis.mentioned(expr).size() != 1) {
            expr.children().forEach(c -> constants(c, day, into));
        }
    }
}
