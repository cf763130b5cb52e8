package orthogon.core.expression;

import java.math.BigDecimal;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import orthogon.core.expression.Expr.*;

/** A condition in the words an analyst would say: {@code group is bat or mammal}, {@code seen includes blood}. */
public final class Phrase {

    private Phrase() {}

    public static String of(Expr expr) {
        return say(expr, false);
    }

    private static String say(Expr expr, boolean inner) {
        return switch (expr) {
            case And a -> grouped(a.parts().stream().map(p -> say(p, p instanceof Or)).collect(Collectors.joining(" and ")), inner);
            case Or o ->
                oneOf(o).orElseGet(() -> grouped(o.parts().stream().map(p -> say(p, true)).collect(Collectors.joining(" or ")), inner));
            case Not n when n.of() instanceof Call c && c.function().equals("answered") -> say(c.args().getFirst(), true) + " is blank";
            case Not n when n.of() instanceof Name name -> name.name() + " is not yes";
            case Not n when n.of() instanceof Call c && c.function().equals("list contains") -> say(c.args().getFirst(), true)
                    + " does not include " + value(c.args().get(1));
            case Not n -> "not (" + say(n.of(), false) + ")";
            case Compare c -> compare(c);
            case InRange r -> say(r.of(), true) + " is "
                    + (r.lowClosed() && r.highClosed()
                            ? "from " + value(r.low()) + " to " + value(r.high())
                            : (r.lowClosed() ? "at least " : "over ") + value(r.low()) + (r.highClosed() ? " and at most " : " and under ")
                                    + value(r.high()));
            case InList l when l.list() instanceof ListOf items -> say(l.of(), true) + " is " + words(items.items());
            case InList l -> say(l.of(), true) + " is one of " + say(l.list(), true);
            case Call c when c.function().equals("answered") && c.args().size() == 1 -> say(c.args().getFirst(), true) + " is answered";
            case Call c when c.function().equals("asked") && c.args().size() == 1 -> say(c.args().getFirst(), true) + " is asked";
            case Call c when c.function().equals("sends") && c.args().size() == 1 ->
                say(c.args().getFirst(), true) + " is sent to somebody";
            case Call c when c.function().equals("opens") && c.args().size() == 1 -> say(c.args().getFirst(), true) + " is opened";
            case Call c when c.function().equals("list contains") && c.args().size() == 2 -> say(c.args().getFirst(), true) + " includes "
                    + value(c.args().get(1));
            case Call c when c.function().equals("today") -> "today";
            case Call c when c.function().equals("date") || c.function().equals("time") || c.function().equals("duration") -> value(c);
            case Call c when c.args().size() == 1 -> (c.function().equals("count") ? "number of " : c.function() + " of ")
                    + say(c.args().getFirst(), true);
            case If i -> "if " + say(i.when(), false) + " then " + say(i.then(), false) + " else " + say(i.otherwise(), false);
            case Literal l -> value(l);
            case Arithmetic a ->
                grouped(say(a.left(), !(a.left() instanceof Arithmetic)) + " " + a.op() + " " + say(a.right(), true), inner);
            case Name n -> n.name();
            case PartOf p -> p.part() + " of " + say(p.of(), true);
            case Quantified q -> (q.every() ? "for every " : "for some ")
                    + q.bindings().stream().map(b -> b.name() + " of " + say(b.in(), true)).collect(Collectors.joining(" and "))
                    + ", " + say(q.satisfies(), false);
            default -> Printer.print(expr);
        };
    }

    private static String grouped(String text, boolean inner) {
        return inner ? "(" + text + ")" : text;
    }

    /** {@code a = 1 or a = 2} is said as {@code a is 1 or 2}. */
    private static java.util.Optional<String> oneOf(Or or) {
        List<Compare> compares = or.parts().stream().filter(p -> p instanceof Compare c && c.op().equals("=") && c.left() instanceof Name
                && c.right() instanceof Literal).map(Compare.class::cast).toList();
        if (compares.size() != or.parts().size()
                || compares.stream().map(c -> ((Name) c.left()).name()).distinct().count() != 1) {
            return java.util.Optional.empty();
        }
        return java.util.Optional
                .of(say(compares.getFirst().left(), true) + " is " + words(compares.stream().map(Compare::right).toList()));
    }

    private static String compare(Compare c) {
        String left = say(c.left(), true);
        if (c.right() instanceof Literal l && l.value() == null) {
            return left + (c.op().equals("=") ? " is blank" : " is answered");
        }
        String right = value(c.right());
        boolean date = isDate(c.right());
        return switch (c.op()) {
            case "=" -> left + " is " + right;
            case "!=" -> left + " is not " + right;
            case ">=" -> left + (c.right() instanceof Literal
                    ? " is " + right + " or more"
                    : date ? " is on or after " + right : " is at least " + right);
            case "<=" -> left + (c.right() instanceof Literal
                    ? " is " + right + " or less"
                    : date ? " is on or before " + right : " is at most " + right);
            case ">" -> left + (date ? " is after " : " is over ") + right;
            default -> left + (date ? " is before " : " is under ") + right;
        };
    }

    private static boolean isDate(Expr expr) {
        return expr instanceof Call c && (c.function().equals("date") || c.function().equals("today"))
                || expr instanceof Call t && t.function().equals("time")
                || expr instanceof Arithmetic a && isDate(a.left()) && !isDate(a.right());
    }

    private static String words(List<Expr> values) {
        List<String> said = values.stream().map(Phrase::value).toList();
        return said.size() == 1
                ? said.getFirst()
                : String.join(", ", said.subList(0, said.size() - 1)) + " or " + said.getLast();
    }

    private static String value(Expr expr) {
        return switch (expr) {
            case Literal l -> switch (l.value()) {
                case null -> "blank";
                case Boolean b -> b ? "yes" : "no";
                case String s -> s;
                case BigDecimal d -> d.toPlainString();
                default -> l.value().toString();
            };
            case Call c when Set.of("date", "time").contains(c.function()) && c.args().size() == 1
                    && c.args().getFirst() instanceof Literal l ->
                String
                        .valueOf(l.value());
            case Call c when c.function().equals("duration") && c.args().getFirst() instanceof Literal l ->
                duration(String.valueOf(l.value()));
            default -> say(expr, true);
        };
    }

    private static String duration(String iso) {
        return switch (Operations.duration(iso)) {
            case java.time.Duration d when d.toHours() % 24 == 0 -> d.toDays() + (d.toDays() == 1 ? " day" : " days");
            case java.time.Period p -> (p.getYears() != 0 ? p.getYears() + " years" : "")
                    + (p.getMonths() != 0 ? (p.getYears() != 0 ? " " : "") + p.getMonths() + " months" : "");
            case null, default -> iso;
        };
    }
}
