package orthogon.core.dispatch;

import java.util.List;
import java.util.Optional;
import orthogon.core.expression.Expr;
import orthogon.core.expression.Wiring;
import orthogon.core.questionnaire.FollowUp;
import orthogon.core.questionnaire.Questionnaire.Outcome;

/** With which outcomes a follow-up can be opened, as far as its condition says so by itself. */
public final class OpeningOutcomes {

    private OpeningOutcomes() {}

    /** Codes of the outcomes for which the condition is not false whatever else is answered, in order. */
    public static List<String> of(Wiring wiring, FollowUp followUp) {
        Expr condition = wiring.expr(followUp.code() + ".openFollowUp", true).orElse(new Expr.Literal(true, Expr.Span.NONE));
        return wiring.document().outcomes().stream().map(Outcome::code)
                .filter(outcome -> !known(condition, outcome).equals(Optional.of(false))).toList();
    }

    /** What a condition is with an outcome; empty where that hangs on more. */
    private static Optional<Boolean> known(Expr condition, String outcome) {
        return switch (condition) {
            case Expr.Literal l when l.value() instanceof Boolean b -> Optional.of(b);
            case Expr.And a -> joined(a.parts(), outcome, false);
            case Expr.Or o -> joined(o.parts(), outcome, true);
            case Expr.Not n -> known(n.of(), outcome).map(b -> !b);
            case Expr.Compare c when isOutcome(c.left()) && c.right() instanceof Expr.Literal l && l.value() instanceof String s ->
                switch (c.op()) {
                    case "=" -> Optional.of(s.equals(outcome));
                    case "!=" -> Optional.of(!s.equals(outcome));
                    default -> Optional.empty();
                };
            case Expr.InList in when isOutcome(in.of()) && in.list() instanceof Expr.ListOf list
                    && list.items().stream().allMatch(Expr.Literal.class::isInstance) ->
                Optional.of(list.items().stream().anyMatch(i -> outcome.equals(((Expr.Literal) i).value())));
            default -> Optional.empty();
        };
    }

    /** Parts that are joined by a word that one of them settles. */
    private static Optional<Boolean> joined(List<Expr> parts, String outcome, boolean settles) {
        List<Optional<Boolean>> known = parts.stream().map(p -> known(p, outcome)).toList();
        if (known.contains(Optional.of(settles))) {
            return Optional.of(settles);
        }
        return known.stream().allMatch(Optional::isPresent) ? Optional.of(!settles) : Optional.empty();
    }

    private static boolean isOutcome(Expr expr) {
        return expr instanceof Expr.Name n && n.name().equals("outcome");
    }
}
