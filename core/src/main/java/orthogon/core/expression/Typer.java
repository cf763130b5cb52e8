package orthogon.core.expression;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import orthogon.core.expression.Expr.*;
import orthogon.core.expression.Type.TypeKind;

/** Finds the type of an expression and every name, option and value in it that cannot be right. */
final class Typer {

    /** What names mean where the expression stands. */
    interface Scope {
        Optional<Type> type(String name);

        /** Every name that {@link #type} knows, for suggestions. */
        Collection<String> names();

        /** Why a name that exists cannot be used as a value, for instance because it is a note; empty where it does not exist. */
        Optional<String> otherwise(String name);

        /** The codes {@code asked(...)} takes; empty where the function has no meaning. */
        Collection<String> askable();

        /** The codes {@code sends(...)} takes; empty where the function has no meaning. */
        Collection<String> sendable();

        /** The codes {@code opens(...)} takes; empty where the function has no meaning. */
        Collection<String> openable();

        /** Whether the name is a choice question, so that it has a score. */
        boolean hasScore(String name);
    }

    static final List<String> FUNCTIONS = List.of("list contains", "count", "sum", "min", "max", "mean", "string length", "contains",
            "starts with", "ends with", "matches", "upper case", "lower case", "string join", "date", "time", "today", "duration",
            "years and months duration", "round half up", "floor", "ceiling", "abs", "score", "answered", "not");

    /** Each name more is up to fifty times the work for whoever answers. */
    private static final int MOST_IN_EACH_OTHER = 3;

    private final Scope scope;
    /** How many names {@code some} and {@code every} have bound around the part at hand. */
    private int inEachOther;
    private final List<ExpressionFault> faults = new ArrayList<>();
    private final List<Wiring.OptionUse> options = new ArrayList<>();

    private Typer(Scope scope) {
        this.scope = scope;
    }

    record Typing(Type type, List<ExpressionFault> faults, List<Wiring.OptionUse> options) {}

    static Typing type(Expr expr, Scope scope) {
        Typer typer = new Typer(scope);
        return new Typing(typer.type(expr, Map.of()), typer.faults, List.copyOf(typer.options));
    }

    private Type fault(ExpressionFault.FaultKind kind, Span at, String message, String nearest) {
        faults.add(new ExpressionFault(kind, message, at.from(), at.to(), nearest));
        return Type.NOTHING;
    }

    private Type wrongType(Expr at, String message) {
        return fault(ExpressionFault.FaultKind.TYPE, at.span(), message, "");
    }

    private Type type(Expr expr, Map<String, Type> bound) {
        return switch (expr) {
            case Literal l -> switch (l.value()) {
                case null -> Type.NOTHING;
                case Boolean b -> Type.TRUTH;
                case String s -> Type.TEXT;
                default -> Type.NUMBER;
            };
            case Name n -> name(n, bound);
            case PartOf p -> part(p, bound);
            case Negate n -> needs(n.of(), bound, TypeKind.NUMBER, "a minus sign needs a number");
            case Arithmetic a -> arithmetic(a, bound);
            case Compare c -> {
                compared(c.left(), c.right(), type(c.left(), bound), type(c.right(), bound), c.op(), c);
                yield Type.TRUTH;
            }
            case InRange r -> {
                Type of = type(r.of(), bound);
                compared(r.of(), r.low(), of, type(r.low(), bound), ">=", r);
                compared(r.of(), r.high(), of, type(r.high(), bound), "<=", r);
                yield Type.TRUTH;
            }
            case InList l -> inList(l.of(), type(l.of(), bound), l.list(), type(l.list(), bound), l);
            case And a -> logical(a.parts(), bound);
            case Or o -> logical(o.parts(), bound);
            case Not n -> logical(List.of(n.of()), bound);
            case If i -> {
                logical(List.of(i.when()), bound);
                Type then = type(i.then(), bound);
                Type otherwise = type(i.otherwise(), bound);
                yield then.fits(otherwise)
                        ? (then.kind() == TypeKind.NOTHING ? otherwise : then)
                        : wrongType(i, "then gives " + then.words() + " but else gives " + otherwise.words());
            }
            case Quantified q -> {
                Map<String, Type> inner = new HashMap<>(bound);
                inEachOther += q.bindings().size();
                if (inEachOther > MOST_IN_EACH_OTHER) {
                    wrongType(q, "“some” and “every” stand in each other for more than " + MOST_IN_EACH_OTHER
                            + " names; split this with derived values");
                }
                for (Binding b : q.bindings()) {
                    Type in = type(b.in(), inner);
                    if (!in.is(TypeKind.LIST)) {
                        wrongType(b.in(), "after in a list is needed, but this is " + in.words());
                    }
                    inner.put(b.name(), in.kind() == TypeKind.LIST ? in.element() : Type.NOTHING);
                }
                Type said = logical(List.of(q.satisfies()), inner);
                inEachOther -= q.bindings().size();
                yield said;
            }
            case Call c -> call(c, bound);
            case ListOf l -> {
                Type element = Type.NOTHING;
                for (Expr item : l.items()) {
                    Type type = type(item, bound);
                    if (!element.fits(type)) {
                        wrongType(item, "the values of a list must be of one kind; this is " + type.words() + ", before stands "
                                + element.words());
                    }
                    element = element.kind() == TypeKind.NOTHING ? type : element;
                }
                yield Type.listOf(element);
            }
        };
    }

    private Type name(Name n, Map<String, Type> bound) {
        if (bound.containsKey(n.name())) {
            return bound.get(n.name());
        }
        Optional<Type> known = scope.type(n.name());
        if (known.isPresent()) {
            return known.get();
        }
        Optional<String> otherwise = scope.otherwise(n.name());
        if (otherwise.isPresent()) {
            return fault(ExpressionFault.FaultKind.NAME, n.span(), otherwise.get(), "");
        }
        Set<String> names = new HashSet<>(scope.names());
        names.addAll(bound.keySet());
        return unknown(n.span(), "there is no question or value called " + n.name(), n.name(), names);
    }

    private Type part(PartOf p, Map<String, Type> bound) {
        Type of = type(p.of(), bound);
        Type single = of.kind() == TypeKind.LIST ? of.element() : of;
        if (single.kind() == TypeKind.NOTHING) {
            return Type.NOTHING;
        }
        if (single.kind() != TypeKind.PARTS) {
            return wrongType(p, of.words() + " has no parts, so nothing can follow the dot");
        }
        Type part = single.parts().get(p.part());
        if (part == null) {
            return unknown(new Span(p.span().to() - p.part().length(), p.span().to()), single.owner() + " has no part " + p.part(),
                    p.part(), single.parts().keySet());
        }
        return of.kind() == TypeKind.LIST ? Type.listOf(part) : part;
    }

    private Type unknown(Span at, String what, String wrong, Collection<String> right) {
        String nearest = Nearest.of(wrong, right.stream().sorted().toList());
        return fault(ExpressionFault.FaultKind.NAME, at, nearest.isEmpty() ? what : what + "; did you mean " + nearest + "?", nearest);
    }

    private Type needs(Expr part, Map<String, Type> bound, TypeKind kind, String why) {
        Type type = type(part, bound);
        return type.is(kind) ? type : wrongType(part, why + ", but this is " + type.words());
    }

    private Type logical(List<Expr> parts, Map<String, Type> bound) {
        for (Expr part : parts) {
            needs(part, bound, TypeKind.TRUTH, "a condition must be true or false");
        }
        return Type.TRUTH;
    }

    private void compared(Expr left, Expr right, Type l, Type r, String op, Expr whole) {
        if (!l.fits(r)) {
            wrongType(whole, l.words() + " cannot be compared with " + r.words()
                    + (l.kind() == TypeKind.LIST && r.kind() == TypeKind.TEXT ? "; write list contains(…, \"…\")" : ""));
            return;
        }
        boolean order = !op.equals("=") && !op.equals("!=");
        if (order && (l.kind() == TypeKind.TRUTH || l.kind() == TypeKind.LIST)) {
            wrongType(whole, l.words() + " has no order; use = or !=");
        }
        boolean parts = l.kind() == TypeKind.PARTS || r.kind() == TypeKind.PARTS || l.kind() == TypeKind.FILE || r.kind() == TypeKind.FILE;
        if (parts && l.kind() != TypeKind.NOTHING && r.kind() != TypeKind.NOTHING) {
            wrongType(whole, l.words() + " cannot be compared as a whole; compare its parts, or write answered(…)");
        }
        option(left, r);
        option(right, l);
    }

    /** Marks a literal that is no option of the choice question it stands beside. */
    private void option(Expr literal, Type type) {
        Type element = type.kind() == TypeKind.LIST ? type.element() : type;
        if (literal instanceof ListOf list) {
            list.items().forEach(i -> option(i, element));
        } else if (literal instanceof Literal l && l.value() instanceof String code && !element.options().isEmpty()) {
            options.add(new Wiring.OptionUse(element.owner(), code, l.span()));
            if (!element.options().contains(code)) {
                unknown(l.span(), element.owner() + " has no option \"" + code + "\"", code, element.options());
            }
        }
    }

    private Type inList(Expr of, Type type, Expr list, Type listType, Expr whole) {
        if (!listType.is(TypeKind.LIST)) {
            compared(of, list, type, listType, "=", whole);
        } else if (listType.kind() == TypeKind.LIST && !type.fits(listType.element())) {
            wrongType(whole, type.words() + " cannot be in a list of " + listType.element().words());
        } else {
            option(list, type);
            option(of, listType);
        }
        return Type.TRUTH;
    }

    private Type arithmetic(Arithmetic a, Map<String, Type> bound) {
        Type l = type(a.left(), bound);
        Type r = type(a.right(), bound);
        if (l.kind() == TypeKind.NOTHING || r.kind() == TypeKind.NOTHING) {
            return l.kind() == TypeKind.NOTHING ? r : l;
        }
        boolean plus = a.op().equals("+");
        boolean additive = plus || a.op().equals("-");
        Type result = switch (l.kind()) {
            case NUMBER -> r.kind() == TypeKind.NUMBER ? Type.NUMBER : null;
            case TEXT -> plus && r.kind() == TypeKind.TEXT ? Type.TEXT : null;
            case DATE -> !additive
                    ? null
                    : r.kind() == TypeKind.DATE
                            ? (plus ? null : Type.DAYS)
                            : r.kind() == TypeKind.DAYS || r.kind() == TypeKind.MONTHS ? Type.DATE : null;
            case DAYS, MONTHS -> additive && r.kind() == l.kind() ? l : plus && r.kind() == TypeKind.DATE ? Type.DATE : null;
            default -> null;
        };
        return result != null ? result : wrongType(a, l.words() + " " + a.op() + " " + r.words() + " has no meaning");
    }

    private Type call(Call c, Map<String, Type> bound) {
        String f = c.function();
        if (f.equals("asked") && !scope.askable().isEmpty()) {
            if (arity(c, 1, 1) && !(c.args().getFirst() instanceof Name n && scope.askable().contains(n.name()))) {
                String wrong = c.args().getFirst() instanceof Name n ? n.name() : "";
                if (scope.otherwise(wrong).filter(o -> o.contains("once for each entry")).isPresent()) {
                    fault(ExpressionFault.FaultKind.NAME, c.args().getFirst().span(),
                            wrong + " is answered once for each entry; asked(...) takes the roster around it", "");
                } else {
                    unknown(c.args().getFirst().span(), "asked(...) takes the code of a question, note or section", wrong,
                            scope.askable());
                }
            }
            return Type.TRUTH;
        }
        if (f.equals("sends") && !scope.sendable().isEmpty()) {
            if (arity(c, 1, 1) && !(c.args().getFirst() instanceof Name n && scope.sendable().contains(n.name()))) {
                unknown(c.args().getFirst().span(), "sends(...) takes the code of a message that is sent with the interview",
                        c.args().getFirst() instanceof Name n ? n.name() : "", scope.sendable());
            }
            return Type.TRUTH;
        }
        if (f.equals("opens") && !scope.openable().isEmpty()) {
            if (arity(c, 1, 1) && !(c.args().getFirst() instanceof Name n && scope.openable().contains(n.name()))) {
                unknown(c.args().getFirst().span(), "opens(...) takes the code of a follow-up",
                        c.args().getFirst() instanceof Name n ? n.name() : "", scope.openable());
            }
            return Type.TRUTH;
        }
        if (!FUNCTIONS.contains(f)) {
            return unknown(c.span(), switch (f) {
                case "asked" -> "asked(...) is only for own claims and messages; write answered(...)";
                case "sends" -> "sends(...) is only for own claims of a questionnaire that has messages";
                case "opens" -> "opens(...) is only for own claims of a questionnaire that has follow-ups";
                default -> "there is no function called " + f;
            }, f, FUNCTIONS);
        }
        if (f.equals("score")) {
            if (arity(c, 1, 1) && !(c.args().getFirst() instanceof Name n && scope.hasScore(n.name()))) {
                if (c.args().getFirst() instanceof Name n && scope.type(n.name()).isEmpty()) {
                    name(n, bound);
                } else {
                    wrongType(c, "score(...) takes the code of a choice question");
                }
            }
            return Type.NUMBER;
        }
        List<Type> types = c.args().stream().map(a -> type(a, bound)).toList();
        return switch (f) {
            case "answered" -> arity(c, 1, 1) ? Type.TRUTH : Type.TRUTH;
            case "list contains" -> {
                if (arity(c, 2, 2) && takes(c, types, 0, TypeKind.LIST)) {
                    inList(c.args().get(1), types.get(1), c.args().get(0), types.get(0), c);
                }
                yield Type.TRUTH;
            }
            case "count" -> checked(c, types, Type.NUMBER, 1, 1, TypeKind.LIST);
            case "sum", "mean" -> aggregate(c, types, true);
            case "min", "max" -> aggregate(c, types, false);
            case "string length" -> checked(c, types, Type.NUMBER, 1, 1, TypeKind.TEXT);
            case "upper case", "lower case" -> checked(c, types, Type.TEXT, 1, 1, TypeKind.TEXT);
            case "contains", "starts with", "ends with" -> checked(c, types, Type.TRUTH, 2, 2, TypeKind.TEXT, TypeKind.TEXT);
            case "matches" -> {
                checked(c, types, Type.TRUTH, 2, 2, TypeKind.TEXT, TypeKind.TEXT);
                if (c.args().size() == 2) {
                    pattern(c.args().get(1));
                }
                yield Type.TRUTH;
            }
            case "string join" -> checked(c, types, Type.TEXT, 1, 2, TypeKind.LIST, TypeKind.TEXT);
            case "date" -> {
                if (c.args().size() == 3) {
                    yield checked(c, types, Type.DATE, 3, 3, TypeKind.NUMBER, TypeKind.NUMBER, TypeKind.NUMBER);
                }
                checked(c, types, Type.DATE, 1, 3, TypeKind.TEXT);
                yield literalOf(c, Type.DATE, "write a date as date(\"2026-11-30\")");
            }
            case "time" -> {
                checked(c, types, Type.TIME, 1, 1, TypeKind.TEXT);
                yield literalOf(c, Type.TIME, "write a time as time(\"14:30\")");
            }
            case "today" -> checked(c, types, Type.DATE, 0, 0);
            case "duration" -> {
                checked(c, types, Type.DAYS, 1, 1, TypeKind.TEXT);
                yield literalOf(c, Type.DAYS, "write a duration as duration(\"P30D\") for days or duration(\"P18Y\") for years");
            }
            case "years and months duration" -> checked(c, types, Type.MONTHS, 2, 2, TypeKind.DATE, TypeKind.DATE);
            case "round half up" -> checked(c, types, Type.NUMBER, 2, 2, TypeKind.NUMBER, TypeKind.NUMBER);
            case "floor", "ceiling" -> checked(c, types, Type.NUMBER, 1, 2, TypeKind.NUMBER, TypeKind.NUMBER);
            default -> checked(c, types, Type.NUMBER, 1, 1, TypeKind.NUMBER);
        };
    }

    /** A date or duration must be written out, so that its type is known and a slip is found at once. */
    private Type literalOf(Call c, Type type, String how) {
        if (c.args().size() != 1 || !(c.args().getFirst() instanceof Literal l) || !(l.value() instanceof String)) {
            return wrongType(c, how);
        }
        Object value = Operations.apply(c, List.of(l.value()));
        if (value == null) {
            return wrongType(l, how);
        }
        return value instanceof java.time.Period ? Type.MONTHS : type;
    }

    private void pattern(Expr pattern) {
        if (!(pattern instanceof Literal l) || !(l.value() instanceof String text)) {
            wrongType(pattern, "the pattern of matches(...) must be written out in quotes");
            return;
        }
        try {
            TextPattern.read(text);
        } catch (IllegalArgumentException e) {
            wrongType(pattern, e.getMessage());
        }
    }

    private boolean arity(Call c, int least, int most) {
        int n = c.args().size();
        if (n < least || n > most) {
            String many = least == most
                    ? (least == 0 ? "nothing" : least == 1 ? "one value" : least + " values")
                    : least + " to " + most
                            + " values";
            wrongType(c, c.function() + "(...) takes " + many + ", not " + n);
            return false;
        }
        return true;
    }

    private boolean takes(Call c, List<Type> types, int i, TypeKind kind) {
        if (types.get(i).is(kind)) {
            return true;
        }
        wrongType(c.args().get(i), c.function() + "(...) needs " + kind.words + " here, but this is " + types.get(i).words());
        return false;
    }

    private Type checked(Call c, List<Type> types, Type result, int least, int most, TypeKind... kinds) {
        if (arity(c, least, most)) {
            for (int i = 0; i < types.size() && i < kinds.length; i++) {
                takes(c, types, i, kinds[i]);
            }
        }
        return result;
    }

    private Type aggregate(Call c, List<Type> types, boolean numbersOnly) {
        if (!arity(c, 1, 99)) {
            return Type.NUMBER;
        }
        Type first = types.size() == 1 && types.getFirst().kind() == TypeKind.LIST ? types.getFirst().element() : types.getFirst();
        for (int i = 0; i < types.size(); i++) {
            Type type = types.size() == 1 && types.get(i).kind() == TypeKind.LIST ? types.get(i).element() : types.get(i);
            boolean fits = numbersOnly
                    ? type.is(TypeKind.NUMBER)
                    : type.fits(first) && type.kind() != TypeKind.TRUTH && type.kind() != TypeKind.LIST;
            if (!fits) {
                return wrongType(c.args().get(i), c.function() + "(...) cannot take " + type.words() + " here");
            }
        }
        return numbersOnly ? Type.NUMBER : first;
    }
}
