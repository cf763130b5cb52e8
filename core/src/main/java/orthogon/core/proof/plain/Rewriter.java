package orthogon.core.proof.plain;

import orthogon.core.answer.Domain;
import orthogon.core.answer.grid.GridAnswer;
import orthogon.core.answer.lookup.LookupAnswer;
import orthogon.core.expression.Expr;
import orthogon.core.expression.Expr.*;
import orthogon.core.expression.Unfolding;
import orthogon.core.proof.message.Message;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Roster;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.function.IntFunction;

/** Expressions in plain form: what speaks of all entries of a roster is spelled out entry by entry, up to its most. */
final class Rewriter {

    /** An expression that cannot be spelled out, with the reason. */
    static final class Unclear extends RuntimeException {
        private final transient Message why;

        Unclear(Message why) {
            super(why.toString(), null, false, false);
            this.why = why;
        }

        Message why() {
            return why;
        }
    }

    private final Map<String, Item> items;
    /** Roster and entry in which the expression stands; empty and 0 outside. */
    private final String roster;
    private final int entry;
    /** The lookup in plain form whose records the name {@code record} stands for; empty where it stands for nothing of the kind. */
    private final String lookup;
    /** How many parts were written out so far. */
    private int made;

    Rewriter(Map<String, Item> items, String roster, int entry) {
        this(items, roster, entry, "");
    }

    private Rewriter(Map<String, Item> items, String roster, int entry, String lookup) {
        this.items = items;
        this.roster = roster;
        this.entry = entry;
        this.lookup = lookup;
    }

    /** The same where {@code record} stands for the record of a lookup. */
    Rewriter ofRecord(String plainLookup) {
        return new Rewriter(items, roster, entry, plainLookup);
    }

    /** What a name that a quantifier binds stands for: an entry, or a value. */
    private sealed interface Bound {
        record Entry(String roster, int number) implements Bound {}

        record BoundValue(Expr expr) implements Bound {}

        /** @param lookup in plain form */
        record BoundRecord(String lookup) implements Bound {}
    }

    Expr rewrite(Expr expr) {
        made = 0;
        return rewrite(expr, lookup.isEmpty() ? Map.of() : Map.of(Domain.OneRecord.RECEIPT, new Bound.BoundRecord(lookup)));
    }

    private Expr rewrite(Expr expr, Map<String, Bound> bound) {
        if (++made > Unfolding.MOST_PARTS) {
            throw new Unclear(Message.of("unclear.entries"));
        }
        return switch (expr) {
            case Name n -> name(n, bound);
            case PartOf p -> part(p, bound).orElseThrow(() -> new Unclear(Message.of("unclear.list")));
            case Quantified q -> quantified(q, 0, bound);
            case Call c when c.function().equals("asked") && c.args().getFirst() instanceof Name n -> asked(n.name());
            case Call c when c.function().equals("answered") && c.args().size() == 1 -> answered(c.args().getFirst(), bound);
            case Compare c when isNull(c.right()) && isWhole(c.left(), bound) -> {
                Expr answered = answered(c.left(), bound);
                yield c.op().equals("=") ? new Not(answered, Span.NONE) : answered;
            }
            case Call c when !c.args().isEmpty() && each(c.args().getFirst(), bound).isPresent() -> overEntries(c, bound);
            case InList l when each(l.list(), bound).isPresent() -> {
                Expr of = rewrite(l.of(), bound);
                Each each = each(l.list(), bound).orElseThrow();
                yield any(each, x -> new Compare("=", of, x, Span.NONE));
            }
            default -> expr.over(expr.children().stream().map(c -> rewrite(c, bound)).toList());
        };
    }

    private static boolean isNull(Expr expr) {
        return expr instanceof Literal l && l.value() == null;
    }

    /** Whether it is a roster, a list over one, or a grid, taken as a whole. */
    private boolean isWhole(Expr expr, Map<String, Bound> bound) {
        return each(expr, bound).isPresent() || grid(expr, bound).isPresent() || lookup(expr, bound).isPresent();
    }

    private Expr name(Name n, Map<String, Bound> bound) {
        if (bound.containsKey(n.name())) {
            if (bound.get(n.name()) instanceof Bound.BoundValue v) {
                return v.expr();
            }
            throw new Unclear(Message.of(bound.get(n.name()) instanceof Bound.BoundRecord ? "unclear.whole" : "unclear.entry").code("code",
                    n.name()));
        }
        if (items.get(n.name()) instanceof Roster || items.get(n.name()) instanceof Question q
                && (q.answer() instanceof GridAnswer || q.answer() instanceof LookupAnswer)) {
            throw new Unclear(Message.of("unclear.whole").code("code", n.name()));
        }
        return new Name(here(n.name()), Span.NONE);
    }

    /** The code in plain form, seen from where the expression stands. */
    private String here(String code) {
        boolean inside = entry > 0 && items.get(roster) instanceof Roster r
                && r.withInner().skip(1).anyMatch(i -> i.code().equals(code));
        return inside ? Names.inEntry(roster, entry, code) : code;
    }

    /** The grid that an expression names, as a code in plain form, with its rows. */
    private Optional<Map.Entry<String, GridAnswer>> grid(Expr expr, Map<String, Bound> bound) {
        String code = switch (expr) {
            case Name n when !bound.containsKey(n.name()) -> n.name();
            case PartOf p when p.of() instanceof Name n && bound.get(n.name()) instanceof Bound.Entry -> p.part();
            default -> "";
        };
        if (!(items.get(code) instanceof Question q && q.answer() instanceof GridAnswer grid)) {
            return Optional.empty();
        }
        String plain = expr instanceof PartOf p && p.of() instanceof Name n && bound.get(n.name()) instanceof Bound.Entry e
                ? Names.inEntry(e.roster(), e.number(), code)
                : here(code);
        return Optional.of(Map.entry(plain, grid));
    }

    /** The lookup that an expression names, as a code in plain form. */
    private Optional<String> lookup(Expr expr, Map<String, Bound> bound) {
        return switch (expr) {
            case Name n when bound.get(n.name()) instanceof Bound.BoundRecord r -> Optional.of(r.lookup());
            case Name n when !bound.containsKey(n.name()) && isLookup(n.name()) -> Optional.of(here(n.name()));
            case PartOf p when p.of() instanceof Name n && bound.get(n.name()) instanceof Bound.Entry e && isLookup(p.part()) ->
                Optional.of(Names.inEntry(e.roster(), e.number(), p.part()));
            default -> Optional.empty();
        };
    }

    private boolean isLookup(String code) {
        return items.get(code) instanceof Question q && q.answer() instanceof LookupAnswer;
    }

    /** A part of one value; empty where it is a part of every entry. */
    private Optional<Expr> part(PartOf p, Map<String, Bound> bound) {
        Optional<String> ofRecord = lookup(p.of(), bound);
        if (ofRecord.isPresent()) {
            return Optional.of(new Name(Names.row(ofRecord.get(), p.part()), Span.NONE));
        }
        Optional<Map.Entry<String, GridAnswer>> grid = grid(p.of(), bound);
        if (grid.isPresent()) {
            return Optional.of(new Name(Names.row(grid.get().getKey(), p.part()), Span.NONE));
        }
        if (p.of() instanceof Name n && bound.get(n.name()) instanceof Bound.Entry e) {
            return Optional.of(new Name(Names.inEntry(e.roster(), e.number(), p.part()), Span.NONE));
        }
        if (each(p, bound).isPresent()) {
            return Optional.empty();
        }
        return Optional.of(new PartOf(rewrite(p.of(), bound), p.part(), Span.NONE));
    }

    /** A value for each entry of a roster. */
    private record Each(Roster roster, IntFunction<Expr> at) {}

    private Optional<Each> each(Expr expr, Map<String, Bound> bound) {
        return switch (expr) {
            case Name n when !bound.containsKey(n.name()) && items.get(n.name()) instanceof Roster r ->
                Optional.of(new Each(r, e -> new Literal(true, Span.NONE)));
            case PartOf p -> root(p, bound).map(r -> new Each(r, e -> {
                Map<String, Bound> one = new HashMap<>(bound);
                one.put("Z", new Bound.Entry(r.code(), e));
                return rewrite(replaced(p), one);
            }));
            default -> Optional.empty();
        };
    }

    private Optional<Roster> root(Expr expr, Map<String, Bound> bound) {
        return switch (expr) {
            case PartOf p -> root(p.of(), bound);
            case Name n when !bound.containsKey(n.name()) && items.get(n.name()) instanceof Roster r -> Optional.of(r);
            default -> Optional.empty();
        };
    }

    /** The path with the one entry in the roster's place. */
    private static Expr replaced(PartOf p) {
        return new PartOf(p.of() instanceof PartOf inner ? replaced(inner) : new Name("Z", Span.NONE), p.part(), Span.NONE);
    }

    private static Expr has(Roster roster, int entry) {
        return new Compare(">=", new Name(roster.code(), Span.NONE), number(entry), Span.NONE);
    }

    private static Literal number(int n) {
        return new Literal(BigDecimal.valueOf(n), Span.NONE);
    }

    private static Literal truth(boolean value) {
        return new Literal(value, Span.NONE);
    }

    private static Expr or(List<Expr> parts) {
        return parts.size() == 1 ? parts.getFirst() : new Or(parts, Span.NONE);
    }

    private static Expr any(Each each, Function<Expr, Expr> condition) {
        List<Expr> parts = new ArrayList<>();
        for (int e = 1; e <= each.roster().most(); e++) {
            parts.add(new If(has(each.roster(), e), condition.apply(each.at().apply(e)), truth(false), Span.NONE));
        }
        return or(parts);
    }

    private Expr quantified(Quantified q, int at, Map<String, Bound> bound) {
        if (at == q.bindings().size()) {
            return rewrite(q.satisfies(), bound);
        }
        Binding binding = q.bindings().get(at);
        Optional<Each> each = each(binding.in(), bound);
        if (each.isEmpty()) {
            if (at > 0 || q.bindings().size() > 1) {
                throw new Unclear(Message.of("unclear.several"));
            }
            Map<String, Bound> inner = new HashMap<>(bound);
            inner.put(binding.name(), new Bound.BoundValue(new Name(binding.name(), Span.NONE)));
            return new Quantified(q.every(), List.of(new Binding(binding.name(), rewrite(binding.in(), bound))),
                    rewrite(q.satisfies(), inner), Span.NONE);
        }
        List<Expr> parts = new ArrayList<>();
        for (int e = 1; e <= each.get().roster().most(); e++) {
            Map<String, Bound> inner = new HashMap<>(bound);
            inner.put(binding.name(), binding.in() instanceof Name
                    ? new Bound.Entry(each.get().roster().code(), e)
                    : new Bound.BoundValue(each.get().at().apply(e)));
            parts.add(new If(has(each.get().roster(), e), quantified(q, at + 1, inner), truth(q.every()), Span.NONE));
        }
        return !q.every() ? or(parts) : parts.size() == 1 ? parts.getFirst() : new And(parts, Span.NONE);
    }

    /** A grid is asked where one of its rows is, a roster where the number of its entries is. */
    private Expr asked(String code) {
        List<String> codes = items.get(code) instanceof Question q && q.answer() instanceof GridAnswer grid
                ? grid.rows().stream().map(r -> Names.row(here(code), r.code())).toList()
                : List.of(here(code));
        return or(codes.stream().<Expr>map(c -> new Call("asked", List.of(new Name(c, Span.NONE)), Span.NONE)).toList());
    }

    private Expr answered(Expr of, Map<String, Bound> bound) {
        Optional<Map.Entry<String, GridAnswer>> grid = grid(of, bound);
        if (grid.isPresent()) {
            return or(grid.get().getValue().rows().stream()
                    .map(r -> isAnswered(new Name(Names.row(grid.get().getKey(), r.code()), Span.NONE))).toList());
        }
        Optional<String> ofRecord = lookup(of, bound);
        if (ofRecord.isPresent()) {
            return isAnswered(new Name(Names.row(ofRecord.get(), Domain.OneRecord.RECEIPT), Span.NONE));
        }
        Optional<Each> each = each(of, bound);
        return isAnswered(each.isPresent() ? new Name(each.get().roster().code(), Span.NONE) : rewrite(of, bound));
    }

    static Expr isAnswered(Expr of) {
        return new Call("answered", List.of(of), Span.NONE);
    }

    private Expr overEntries(Call c, Map<String, Bound> bound) {
        Each each = each(c.args().getFirst(), bound).orElseThrow();
        Roster r = each.roster();
        return switch (c.function()) {
            case "count" -> new If(isAnswered(new Name(r.code(), Span.NONE)), new Name(r.code(), Span.NONE), number(0), Span.NONE);
            case "list contains" -> {
                Expr wanted = rewrite(c.args().get(1), bound);
                yield any(each, x -> new Compare("=", x, wanted, Span.NONE));
            }
            case "string join" -> {
                // What is blank is left out, and a question of an entry that is not there is blank.
                boolean blankAnyway = c.args().getFirst() instanceof PartOf p && items.get(p.part()) instanceof Question;
                List<Expr> parts = new ArrayList<>();
                for (int e = 1; e <= r.most(); e++) {
                    Expr x = each.at().apply(e);
                    parts.add(blankAnyway ? x : new If(has(r, e), x, new Literal(null, Span.NONE), Span.NONE));
                }
                List<Expr> args = new ArrayList<>(List.of(new ListOf(parts, Span.NONE)));
                c.args().stream().skip(1).forEach(a -> args.add(rewrite(a, bound)));
                yield new Call(c.function(), args, Span.NONE);
            }
            case "sum", "mean", "min", "max" -> {
                Expr result = new Literal(null, Span.NONE);
                Expr folded = null;
                for (int e = 1; e <= r.most(); e++) {
                    Expr x = each.at().apply(e);
                    boolean adds = Set.of("sum", "mean").contains(c.function());
                    folded = folded == null
                            ? x
                            : adds
                                    ? new Arithmetic("+", folded, x, Span.NONE)
                                    : new Call(c.function(), List.of(folded, x), Span.NONE);
                    Expr value = c.function().equals("mean") ? new Arithmetic("/", folded, number(e), Span.NONE) : folded;
                    result = new If(has(r, e), value, result, Span.NONE);
                }
                yield result;
            }
            default -> throw new Unclear(Message.of("unclear.function").text("function", c.function()).code("roster", r.code()));
        };
    }
}
