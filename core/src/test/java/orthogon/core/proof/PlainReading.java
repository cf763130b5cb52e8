package orthogon.core.proof;

import java.util.List;
import java.util.Set;
import java.util.function.Function;
import orthogon.core.expression.Expr;

/** What a condition says to somebody who reads it without a thought of blank answers. */
final class PlainReading {

    private PlainReading() {}

    /**
     * What a comparison reads as where something in it is blank.
     *
     * @param comparison its number in the condition
     * @param value what an expression gives for the respondent at hand
     * @return null where nothing is blank or where it reads as it is
     */
    static Boolean of(Expr condition, int comparison, Function<Expr, Object> value) {
        Expr part = condition.comparisons().get(comparison);
        boolean negated = negated(condition, part, false);
        if (part instanceof Expr.Compare e && Set.of("=", "!=").contains(e.op())) {
            boolean aboutBlank = List.of(e.left(), e.right()).stream().anyMatch(s -> s instanceof Expr.Literal l && l.value() == null);
            boolean operandBlank = value.apply(e.left()) == null || value.apply(e.right()) == null;
            boolean slips = e.op().equals("!=") != negated;
            return !aboutBlank && operandBlank && slips ? negated : null;
        }
        boolean somethingBlank = part instanceof Expr.Quantified
                || part.references().stream().anyMatch(n -> value.apply(new Expr.Name(n, Expr.Span.NONE)) == null);
        return negated && somethingBlank && value.apply(part) == null ? Boolean.FALSE : null;
    }

    private static boolean negated(Expr in, Expr comparison, boolean so) {
        return switch (in) {
            case Expr e when e == comparison -> so;
            case Expr.Not n -> negated(n.of(), comparison, !so);
            case Expr.If i when holdsIt(i.when(), comparison) -> negated(i.when(), comparison, false);
            default -> {
                for (Expr child : in.children()) {
                    if (holdsIt(child, comparison)) {
                        yield negated(child, comparison, so);
                    }
                }
                yield false;
            }
        };
    }

    private static boolean holdsIt(Expr in, Expr comparison) {
        return in == comparison || in.children().stream().anyMatch(c -> holdsIt(c, comparison));
    }
}
