package orthogon.core.expression;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Function;

/** One node of an expression, with the part of the text it was read from. */
public sealed interface Expr {

    Span span();

    /** Positions in the text, from inclusive, to exclusive, counted in UTF-16 units from 0. */
    record Span(int from, int to) {
        public static final Span NONE = new Span(0, 0);
    }

    /** A value: Boolean, BigDecimal, String, or null. */
    record Literal(Object value, Span span) implements Expr {}

    /** A question, derived value, link parameter, or the bound name of a quantifier. */
    record Name(String name, Span span) implements Expr {}

    /** A named part of a value: {@code owner.family}; of a list, that part of each element: {@code animals.urgency}. */
    record PartOf(Expr of, String part, Span span) implements Expr {}

    record Negate(Expr of, Span span) implements Expr {}

    /** {@code + - * / **} */
    record Arithmetic(String op, Expr left, Expr right, Span span) implements Expr {}

    /** {@code = != < <= > >=} */
    record Compare(String op, Expr left, Expr right, Span span) implements Expr {}

    /** {@code between} and {@code in [a..b]}, ends closed or open. */
    record InRange(Expr of, Expr low, boolean lowClosed, Expr high, boolean highClosed, boolean between, Span span) implements Expr {}

    /** {@code in (a, b)}: equal to one of them; {@code in list}: one of its elements. */
    record InList(Expr of, Expr list, Span span) implements Expr {}

    record And(List<Expr> parts, Span span) implements Expr {}

    record Or(List<Expr> parts, Span span) implements Expr {}

    record Not(Expr of, Span span) implements Expr {}

    record If(Expr when, Expr then, Expr otherwise, Span span) implements Expr {}

    record Quantified(boolean every, List<Binding> bindings, Expr satisfies, Span span) implements Expr {}

    record Binding(String name, Expr in) {}

    record Call(String function, List<Expr> args, Span span) implements Expr {}

    record ListOf(List<Expr> items, Span span) implements Expr {}

    /** The parts directly below this node, in reading order. */
    default List<Expr> children() {
        return switch (this) {
            case Literal l -> List.of();
            case Name n -> List.of();
            case PartOf p -> List.of(p.of());
            case Negate n -> List.of(n.of());
            case Arithmetic a -> List.of(a.left(), a.right());
            case Compare c -> List.of(c.left(), c.right());
            case InRange r -> List.of(r.of(), r.low(), r.high());
            case InList l -> List.of(l.of(), l.list());
            case And a -> a.parts();
            case Or o -> o.parts();
            case Not n -> List.of(n.of());
            case If i -> List.of(i.when(), i.then(), i.otherwise());
            case Quantified q -> {
                List<Expr> all = new ArrayList<>();
                q.bindings().forEach(b -> all.add(b.in()));
                all.add(q.satisfies());
                yield all;
            }
            case Call c -> c.args();
            case ListOf l -> l.items();
        };
    }

    /** The free names, in reading order; names that a quantifier binds are not among them. */
    default Set<String> references() {
        Set<String> found = new LinkedHashSet<>();
        freeNames(this, Set.of(), n -> found.add(n.name()));
        return found;
    }

    /** Calls {@code use} for each free name, in reading order. */
    static void freeNames(Expr expr, Set<String> bound, Consumer<Name> use) {
        if (expr instanceof Name n) {
            if (!bound.contains(n.name())) {
                use.accept(n);
            }
        } else if (expr instanceof Quantified q) {
            Set<String> inner = new LinkedHashSet<>(bound);
            for (Binding b : q.bindings()) {
                freeNames(b.in(), inner, use);
                inner.add(b.name());
            }
            freeNames(q.satisfies(), inner, use);
        } else {
            expr.children().forEach(c -> freeNames(c, bound, use));
        }
    }

    /**
     * The comparisons: largest parts that are true or false and hold no {@code and}, {@code or}, {@code not}, {@code if}; numbered by
     * their place in this list. A bare literal is none. Call it on true/false expressions only.
     */
    default List<Expr> comparisons() {
        List<Expr> found = new ArrayList<>();
        collect(this, found);
        return found;
    }

    private static void collect(Expr expr, List<Expr> found) {
        switch (expr) {
            case And a -> a.parts().forEach(p -> collect(p, found));
            case Or o -> o.parts().forEach(p -> collect(p, found));
            case Not n -> collect(n.of(), found);
            case If i -> {
                collect(i.when(), found);
                collect(i.then(), found);
                collect(i.otherwise(), found);
            }
            case Literal l -> {}
            default -> found.add(expr);
        }
    }

    /** This condition with a literal in the place of one of its {@link #comparisons()}. */
    default Expr with(int comparison, boolean literal) {
        return with(this, new int[]{comparison}, literal);
    }

    private static Expr with(Expr expr, int[] left, boolean literal) {
        return switch (expr) {
            case Literal l -> l;
            case And a -> a.over(a.children().stream().map(c -> with(c, left, literal)).toList());
            case Or o -> o.over(o.children().stream().map(c -> with(c, left, literal)).toList());
            case Not n -> n.over(n.children().stream().map(c -> with(c, left, literal)).toList());
            case If i -> i.over(i.children().stream().map(c -> with(c, left, literal)).toList());
            default -> left[0]-- == 0 ? new Literal(literal, expr.span()) : expr;
        };
    }

    /** The same condition without literals that decide nothing; a literal where they decide everything. */
    default Expr folded() {
        return switch (this) {
            case And a -> folded(a.parts(), true, p -> new And(p, a.span()));
            case Or o -> folded(o.parts(), false, p -> new Or(p, o.span()));
            case Not n -> n.of().folded() instanceof Literal l && l.value() instanceof Boolean b
                    ? new Literal(!b, n.span())
                    : new Not(n.of().folded(), n.span());
            case If i -> i.when().folded() instanceof Literal l
                    ? (Boolean.TRUE.equals(l.value()) ? i.then() : i.otherwise()).folded()
                    : i.over(i.children().stream().map(Expr::folded).toList());
            default -> this;
        };
    }

    private static Expr folded(List<Expr> parts, boolean idle, Function<List<Expr>, Expr> together) {
        List<Expr> left = new ArrayList<>();
        for (Expr part : parts) {
            Expr folded = part.folded();
            if (folded instanceof Literal l && l.value() instanceof Boolean b) {
                if (b != idle) {
                    return folded;
                }
            } else {
                left.add(folded);
            }
        }
        return left.isEmpty() ? new Literal(idle, Span.NONE) : left.size() == 1 ? left.getFirst() : together.apply(left);
    }

    /** The same node over other parts, which must be as many and in the same order as {@link #children()}. */
    default Expr over(List<Expr> c) {
        return switch (this) {
            case Literal l -> l;
            case Name n -> n;
            case PartOf p -> new PartOf(c.getFirst(), p.part(), p.span());
            case Negate n -> new Negate(c.getFirst(), n.span());
            case Arithmetic a -> new Arithmetic(a.op(), c.get(0), c.get(1), a.span());
            case Compare e -> new Compare(e.op(), c.get(0), c.get(1), e.span());
            case InRange r -> new InRange(c.get(0), c.get(1), r.lowClosed(), c.get(2), r.highClosed(), r.between(), r.span());
            case InList l -> new InList(c.get(0), c.get(1), l.span());
            case And a -> new And(c, a.span());
            case Or o -> new Or(c, o.span());
            case Not n -> new Not(c.getFirst(), n.span());
            case If i -> new If(c.get(0), c.get(1), c.get(2), i.span());
            case Quantified q -> {
                List<Binding> bindings = new ArrayList<>();
                for (int i = 0; i < q.bindings().size(); i++) {
                    bindings.add(new Binding(q.bindings().get(i).name(), c.get(i)));
                }
                yield new Quantified(q.every(), bindings, c.getLast(), q.span());
            }
            case Call f -> new Call(f.function(), c, f.span());
            case ListOf l -> new ListOf(c, l.span());
        };
    }

    static boolean isLogical(Expr expr) {
        return expr instanceof And || expr instanceof Or || expr instanceof Not || expr instanceof If;
    }
}
