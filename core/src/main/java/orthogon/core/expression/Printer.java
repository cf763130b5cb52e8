package orthogon.core.expression;

import java.math.BigDecimal;
import java.util.List;
import java.util.stream.Collectors;
import orthogon.core.expression.Expr.*;

/** Tree to text, with one blank between words and no more parentheses than needed. Reading the result gives the same tree. */
public final class Printer {

    private Printer() {}

    public static String print(Expr expr) {
        return print(expr, 0);
    }

    private static String print(Expr expr, int outer) {
        int own = level(expr);
        String text = switch (expr) {
            case Literal l -> literal(l.value());
            case Name n -> n.name();
            case PartOf p -> print(p.of(), 8) + "." + p.part();
            case Negate n -> "-" + print(n.of(), 7);
            case Arithmetic a -> print(a.left(), own) + " " + a.op() + " " + print(a.right(), own + 1);
            case Compare c -> print(c.left(), 4) + " " + c.op() + " " + print(c.right(), 4);
            case InRange r when r.between() -> print(r.of(), 4) + " between " + print(r.low(), 4) + " and " + print(r.high(), 4);
            case InRange r -> print(r.of(), 4) + " in " + (r.lowClosed() ? "[" : "(") + print(r.low(), 4) + ".." + print(r.high(), 4)
                    + (r.highClosed() ? "]" : ")");
            case InList l when l.list() instanceof ListOf items && items.items().size() > 1 ->
                print(l.of(), 4) + " in (" + list(items.items())
                        + ")";
            case InList l -> print(l.of(), 4) + " in " + print(l.list(), 4);
            case And a -> a.parts().stream().map(p -> print(p, 3)).collect(Collectors.joining(" and "));
            case Or o -> o.parts().stream().map(p -> print(p, 2)).collect(Collectors.joining(" or "));
            case Not n -> "not(" + print(n.of(), 0) + ")";
            case If i -> "if " + print(i.when(), 0) + " then " + print(i.then(), 0) + " else " + print(i.otherwise(), 0);
            case Quantified q -> (q.every() ? "every " : "some ")
                    + q.bindings().stream().map(b -> b.name() + " in " + print(b.in(), 1)).collect(Collectors.joining(", ")) + " satisfies "
                    + print(q.satisfies(), 0);
            case Call c -> c.function() + "(" + list(c.args()) + ")";
            case ListOf l -> "[" + list(l.items()) + "]";
        };
        return own < outer ? "(" + text + ")" : text;
    }

    private static String list(List<Expr> items) {
        return items.stream().map(i -> print(i, 0)).collect(Collectors.joining(", "));
    }

    /** A value as a literal of the language. */
    public static String literal(Object value) {
        return switch (value) {
            case null -> "null";
            case BigDecimal d -> d.toPlainString();
            case String s ->
                "\"" + s.replace("\\", "\\\\").replace("\"", "\\\"").replace("\n", "\\n").replace("\r", "\\r").replace("\t", "\\t")
                        + "\"";
            default -> value.toString();
        };
    }

    private static int level(Expr expr) {
        return switch (expr) {
            case If i -> 0;
            case Quantified q -> 0;
            case Or o -> 1;
            case And a -> 2;
            case Compare c -> 3;
            case InRange r -> 3;
            case InList l -> 3;
            case Arithmetic a -> switch (a.op()) {
                case "+", "-" -> 4;
                case "*", "/" -> 5;
                default -> 6;
            };
            case Literal l when l.value() instanceof BigDecimal d && d.signum() < 0 -> 7;
            case Negate n -> 7;
            default -> 8;
        };
    }
}
