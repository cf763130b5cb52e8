package orthogon.core.expression;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import orthogon.core.expression.Expr.*;

/**
 * The value of an expression, three-valued as FEEL has it. Values are Boolean, BigDecimal, String, LocalDate, LocalTime, Duration, Period,
 * List, Map for values with named parts, and null for blank or "cannot be said".
 */
public final class Evaluator {

    private Evaluator() {}

    public static Object value(Expr expr, Situation situation) {
        return value(expr, situation, Map.of());
    }

    /** Whether the condition holds: only when it is true. */
    public static boolean holds(Expr condition, Situation situation) {
        return Boolean.TRUE.equals(value(condition, situation));
    }

    private static Object value(Expr expr, Situation s, Map<String, Object> bound) {
        return switch (expr) {
            case Literal l -> l.value();
            case Name n -> bound.containsKey(n.name()) ? bound.get(n.name()) : s.value(n.name());
            case And a -> together(a.parts(), false, s, bound);
            case Or o -> together(o.parts(), true, s, bound);
            case Not n -> value(n.of(), s, bound) instanceof Boolean b ? !b : null;
            case If i -> value(Boolean.TRUE.equals(value(i.when(), s, bound)) ? i.then() : i.otherwise(), s, bound);
            case Quantified q -> quantified(q, 0, s, bound);
            case Call c when c.function().equals("score") -> s.score(((Name) c.args().getFirst()).name());
            case Call c when c.function().equals("asked") -> s.asked(((Name) c.args().getFirst()).name());
            case Call c when c.function().equals("opens") -> s.opens(((Name) c.args().getFirst()).name());
            case Call c when c.function().equals("sends") -> s.sends(((Name) c.args().getFirst()).name());
            case Call c when c.function().equals("today") -> s.today();
            default -> {
                List<Object> values = new ArrayList<>();
                for (Expr child : expr.children()) {
                    values.add(value(child, s, bound));
                }
                yield Operations.apply(expr, values);
            }
        };
    }

    private static Object together(List<Expr> parts, boolean decisive, Situation s, Map<String, Object> bound) {
        boolean unknown = false;
        for (Expr part : parts) {
            if (value(part, s, bound) instanceof Boolean b) {
                if (b == decisive) {
                    return decisive;
                }
            } else {
                unknown = true;
            }
        }
        return unknown ? null : (Object) !decisive;
    }

    private static Object quantified(Quantified q, int at, Situation s, Map<String, Object> bound) {
        if (at == q.bindings().size()) {
            return value(q.satisfies(), s, bound);
        }
        Binding binding = q.bindings().get(at);
        Object in = value(binding.in(), s, bound);
        List<?> over = in == null ? List.of() : in instanceof List<?> list ? list : List.of(in);
        boolean unknown = false;
        Map<String, Object> inner = new HashMap<>(bound);
        for (Object element : over) {
            inner.put(binding.name(), element);
            if (quantified(q, at + 1, s, inner) instanceof Boolean b) {
                if (b != q.every()) {
                    return b;
                }
            } else {
                unknown = true;
            }
        }
        return unknown ? null : (Object) q.every();
    }
}
