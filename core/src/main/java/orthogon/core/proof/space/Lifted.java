package orthogon.core.proof.space;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import orthogon.core.expression.Expr;
import orthogon.core.expression.Expr.*;

/**
 * Comparisons that are about fewer answers in another form: {@code (if c then x else y) > 3} as {@code if c then x > 3 else y > 3}, and
 * {@code answered(x + y)} as {@code answered(x) and answered(y)}.
 */
final class Lifted {

    private Lifted() {}

    /** A condition that comes to the same; empty where the comparison has no such form. */
    static Optional<Expr> of(Expr expr) {
        boolean compares = expr instanceof Compare || expr instanceof InRange || expr instanceof InList || isAnswered(expr);
        List<Expr> sides = compares ? expr.children() : List.of();
        for (int side = 0; side < sides.size(); side++) {
            if (sides.get(side) instanceof If choice) {
                return Optional
                        .of(new If(choice.when(), with(expr, side, choice.then()), with(expr, side, choice.otherwise()), choice.span()));
            }
        }
        if (isAnswered(expr) && isSum(sides.getFirst())) {
            return Optional.of(new And(answered(sides.getFirst()), expr.span()));
        }
        if (expr instanceof Compare c && isSum(c.left()) && c.right() instanceof Literal l && l.value() == null) {
            Expr all = new And(answered(c.left()), c.span());
            return Optional.of(c.op().equals("=") ? new Not(all, c.span()) : all);
        }
        return Optional.empty();
    }

    private static boolean isAnswered(Expr expr) {
        return expr instanceof Call c && c.function().equals("answered");
    }

    /** Whether it is blank just where one of its sides is. */
    private static boolean isSum(Expr expr) {
        return expr instanceof Arithmetic a && Set.of("+", "-", "*").contains(a.op());
    }

    private static List<Expr> answered(Expr sum) {
        return sum.children().stream().<Expr>map(side -> new Call("answered", List.of(side), Span.NONE)).toList();
    }

    private static Expr with(Expr expr, int side, Expr instead) {
        List<Expr> sides = new ArrayList<>(expr.children());
        sides.set(side, instead);
        return expr.over(sides);
    }
}
