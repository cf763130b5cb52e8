package orthogon.core.proof.space;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import orthogon.core.expression.Expr;
import orthogon.core.expression.Expr.*;

/**
 * Comparisons that are about fewer answers in another form: {@code (if c then x else y) > 3} as {@code if c then x > 3 else y > 3}, and
 * {@code answered(x + y)} as {@code answered(x) and answered(y)}, {@code answered(string join([x, y]))} with {@code or}.
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
        if (isAnswered(expr)) {
            return answered(sides.getFirst());
        }
        if (expr instanceof Compare c && c.right() instanceof Literal l && l.value() == null) {
            return answered(c.left()).map(a -> c.op().equals("=") ? new Not(a, c.span()) : a);
        }
        return Optional.empty();
    }

    /** When a value made of several is not blank, said of these; empty where that is not known. */
    private static Optional<Expr> answered(Expr value) {
        if (isSum(value)) {
            return Optional.of(new And(eachAnswered(value.children()), Span.NONE));
        }
        if (value instanceof Call c && c.function().equals("string join") && c.args().getFirst() instanceof ListOf l
                && l.items().size() > 1) {
            return Optional.of(new Or(eachAnswered(l.items()), Span.NONE));
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

    private static List<Expr> eachAnswered(List<Expr> values) {
        return values.stream().<Expr>map(value -> new Call("answered", List.of(value), Span.NONE)).toList();
    }

    private static Expr with(Expr expr, int side, Expr instead) {
        List<Expr> sides = new ArrayList<>(expr.children());
        sides.set(side, instead);
        return expr.over(sides);
    }
}
