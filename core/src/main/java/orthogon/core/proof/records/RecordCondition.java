package orthogon.core.proof.records;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import orthogon.core.answer.DateLimit;
import orthogon.core.answer.Domain;
import orthogon.core.expression.Evaluator;
import orthogon.core.expression.Expr;
import orthogon.core.expression.Expr.And;
import orthogon.core.expression.Expr.Call;
import orthogon.core.expression.Expr.If;
import orthogon.core.expression.Expr.ListOf;
import orthogon.core.expression.Expr.Literal;
import orthogon.core.expression.Expr.Name;
import orthogon.core.expression.Expr.Not;
import orthogon.core.expression.Expr.PartOf;
import orthogon.core.expression.Expr.Span;
import orthogon.core.expression.Printer;
import orthogon.core.expression.Situation;
import orthogon.core.expression.Wiring;
import orthogon.core.proof.diagram.Diagrams;
import orthogon.core.proof.diagram.Limits;
import orthogon.core.proof.diagram.Watch;
import orthogon.core.proof.fault.Faults;
import orthogon.core.proof.flow.Flow;
import orthogon.core.proof.plain.PlainForm;
import orthogon.core.proof.space.Axis;
import orthogon.core.proof.space.Space;

/**
 * What the respondents of a questionnaire can give to some of its questions together, as a condition over {@code record}. It holds for
 * everybody who comes to an end; where it is exact, every combination for which it holds is given by somebody.
 */
public final class RecordCondition {

    /** Most parts that a condition has; one that would need more is not made. */
    public static final int MOST_PARTS = 400;

    /**
     * A condition that every record meets.
     *
     * @param text {@code true} where answers of those types can be given in every combination; empty where nothing is known of that
     * @param isExact whether somebody gives every combination for which it holds
     */
    public record KnownOfRecords(String text, boolean isExact) {

        static final KnownOfRecords NOTHING = new KnownOfRecords("", false);
    }

    /** It would have too many parts. */
    private static final class ConditionTooLong extends Exception {}

    private static final Expr ALWAYS = new Literal(true, Span.NONE);
    private static final Expr NEVER = new Literal(false, Span.NONE);

    private final Space space;
    private final Diagrams d;
    private final List<Axis> axes;
    private final Map<String, List<Expr>> comparisons = new HashMap<>();
    private final Map<List<Integer>, Expr> known = new HashMap<>();
    private boolean exact = true;

    private RecordCondition(Space space, List<String> shown) {
        this.space = space;
        this.d = space.diagrams();
        this.axes = shown.stream().map(space::axis).sorted(Comparator.comparingInt(a -> a.levels().nextSetBit(0))).toList();
        shown.forEach(code -> comparisons.put(code, new ArrayList<>()));
        space.conditions().forEach(this::collect);
    }

    /**
     * What respondents can give.
     *
     * @param shown codes of questions outside of rosters, none twice
     * @param today any day, since nothing is known of a document that hangs on the day
     */
    public static KnownOfRecords of(Wiring wiring, List<String> shown, LocalDate today, Limits limits, Watch watch) {
        PlainForm form = PlainForm.of(wiring, watch::goOn);
        if (!Faults.of(wiring).isEmpty() || !form.unclear().isEmpty() || hangsOnTheDay(wiring)) {
            return KnownOfRecords.NOTHING;
        }
        try {
            Space space = new Space(form, List.of(), today, new Diagrams(limits, watch));
            if (space.whyNotExact().isPresent() || !space.openLevels().isEmpty()) {
                return KnownOfRecords.NOTHING;
            }
            BitSet kept = new BitSet();
            shown.forEach(code -> kept.or(space.axis(code).levels()));
            kept.or(space.linkLevels());
            Flow flow = new Flow(space, Set.of(), new BitSet(), kept);
            int ends = flow.byOutcome().values().stream().reduce(Diagrams.NONE, space.diagrams()::or);
            RecordCondition condition = new RecordCondition(space, shown);
            Expr expr = condition.from(0, condition.onlyShown(ends));
            return new KnownOfRecords(Printer.print(expr), condition.exact);
        } catch (Diagrams.BudgetSpent | ConditionTooLong e) {
            return KnownOfRecords.NOTHING;
        }
    }

    private static boolean hangsOnTheDay(Wiring wiring) {
        return wiring.wires().stream().flatMap(w -> w.expr().stream()).anyMatch(RecordCondition::usesToday)
                || wiring.document().questions().map(q -> q.answer().domain())
                        .anyMatch(domain -> domain instanceof Domain.Dates dates
                                && (isRelative(dates.earliest()) || isRelative(dates.latest())));
    }

    private static boolean usesToday(Expr expr) {
        return expr instanceof Call c && c.function().equals("today") || expr.children().stream().anyMatch(RecordCondition::usesToday);
    }

    private static boolean isRelative(DateLimit limit) {
        return limit instanceof DateLimit.FromToday;
    }

    private int onlyShown(int ends) {
        BitSet others = d.support(ends);
        axes.forEach(a -> others.andNot(a.levels()));
        return d.exists(ends, d.cube(others));
    }

    /** Comparisons that speak of one shown answer alone, as parts of conditions. */
    private void collect(Expr expr) {
        Set<String> names = expr.references();
        boolean isComparison = !Expr.isLogical(expr) && names.size() == 1 && comparisons.containsKey(names.iterator().next());
        if (isComparison && !(expr instanceof Name) && !usesScore(expr)) {
            List<Expr> all = comparisons.get(names.iterator().next());
            if (!all.contains(expr)) {
                all.add(expr);
            }
        }
        expr.children().forEach(this::collect);
    }

    private static boolean usesScore(Expr expr) {
        return expr instanceof Call c && Set.of("score", "asked").contains(c.function())
                || expr.children().stream().anyMatch(RecordCondition::usesScore);
    }

    /**
     * The condition that tells the states of a set apart from all others.
     *
     * @param axis number of the first shown answer that the set may speak of
     */
    private Expr from(int axis, int set) throws ConditionTooLong {
        if (set == Diagrams.NONE) {
            return NEVER;
        }
        if (axis == axes.size()) {
            return ALWAYS;
        }
        List<Integer> key = List.of(axis, set);
        Expr found = known.get(key);
        if (found == null) {
            found = axes.get(axis).isMany() ? byOptions(axis, set, 0) : byCells(axis, set);
            known.put(key, found);
        }
        return found;
    }

    /** Of many choices, option by option. */
    private Expr byOptions(int axis, int set, int option) throws ConditionTooLong {
        Axis of = axes.get(axis);
        List<String> codes = of.optionCodes();
        if (option == codes.size()) {
            return from(axis + 1, set);
        }
        int chosen = of.option(codes.get(option));
        BitSet bit = d.support(chosen);
        int with = d.andExists(set, chosen, d.cube(bit));
        int without = d.andExists(set, d.not(chosen), d.cube(bit));
        Expr contains = new Call("list contains", List.of(part(of.code()), new Literal(codes.get(option), Span.NONE)), Span.NONE);
        return choice(contains, byOptions(axis, with, option + 1), byOptions(axis, without, option + 1));
    }

    private Expr byCells(int axis, int set) throws ConditionTooLong {
        Axis of = axes.get(axis);
        int levels = d.cube(of.levels());
        int blank = d.andExists(set, of.blank(), levels);
        Map<Object, Integer> rest = new LinkedHashMap<>();
        for (Object value : of.representatives()) {
            int cell = space.cellOf(of, value);
            if (cell != Diagrams.NONE) {
                rest.put(value, d.andExists(set, cell, levels));
            }
        }
        if (rest.values().stream().allMatch(r -> r == blank)) {
            return from(axis + 1, blank);
        }
        Expr answered = new Call("answered", List.of(part(of.code())), Span.NONE);
        Expr given = told(axis, rest);
        return choice(answered, given, from(axis + 1, blank));
    }

    /** What follows from each value of an answer, told apart by its options or by the comparisons that are made with it. */
    private Expr told(int axis, Map<Object, Integer> left) throws ConditionTooLong {
        Axis of = axes.get(axis);
        List<Integer> sets = left.values().stream().distinct().toList();
        if (sets.size() == 1) {
            return from(axis + 1, sets.getFirst());
        }
        Domain domain = of.question().answer().domain();
        if (domain instanceof Domain.OneOf || domain instanceof Domain.Truths) {
            Expr all = from(axis + 1, sets.getLast());
            for (int set : sets.subList(0, sets.size() - 1).reversed()) {
                List<Expr> values = left.entrySet().stream().filter(e -> e.getValue() == set)
                        .<Expr>map(e -> new Literal(e.getKey(), Span.NONE)).toList();
                all = choice(isOneOf(of.code(), values), from(axis + 1, set), all);
            }
            return all;
        }
        for (Expr comparison : comparisons.get(of.code())) {
            Map<Object, Integer> holding = new LinkedHashMap<>();
            Map<Object, Integer> failing = new LinkedHashMap<>();
            left.forEach((value, set) -> (holds(comparison, of.code(), value) ? holding : failing).put(value, set));
            if (!holding.isEmpty() && !failing.isEmpty()) {
                return choice(ofRecord(comparison, of.code()), told(axis, holding), told(axis, failing));
            }
        }
        // Nothing that is said of it alone tells these values apart, so each of them is taken for any other.
        exact = false;
        return from(axis + 1, sets.stream().reduce(Diagrams.NONE, d::or));
    }

    private static Expr isOneOf(String code, List<Expr> values) {
        return values.size() == 1
                ? new Expr.Compare("=", part(code), values.getFirst(), Span.NONE)
                : new Expr.InList(part(code), new ListOf(values, Span.NONE), Span.NONE);
    }

    private boolean holds(Expr comparison, String code, Object value) {
        return Evaluator.holds(comparison, new OneAnswer(code, value, space.today()));
    }

    /** A situation in which one question is answered and nothing else. */
    private record OneAnswer(String code, Object answer, LocalDate today) implements Situation {

        @Override
        public Object value(String name) {
            return name.equals(code) ? answer : null;
        }

        @Override
        public BigDecimal score(String question) {
            throw new IllegalStateException("no score is asked for");
        }
    }

    private static Expr part(String code) {
        return new PartOf(new Name(Domain.OneRecord.RECEIPT, Span.NONE), code, Span.NONE);
    }

    private static Expr ofRecord(Expr expr, String code) {
        return expr instanceof Name n && n.name().equals(code)
                ? part(code)
                : expr.over(expr.children().stream().map(c -> ofRecord(c, code)).toList());
    }

    private static Expr choice(Expr when, Expr then, Expr otherwise) throws ConditionTooLong {
        if (then.equals(otherwise)) {
            return then;
        }
        // Whether something is answered is never unknown.
        boolean negates = then.equals(NEVER) && otherwise.equals(ALWAYS) && when instanceof Call c && c.function().equals("answered");
        Expr made = negates
                ? new Not(when, Span.NONE)
                : !otherwise.equals(NEVER)
                        ? new If(when, then, otherwise, Span.NONE)
                        : then.equals(ALWAYS) ? when : new And(and(when, then), Span.NONE);
        if (parts(made) > MOST_PARTS) {
            throw new ConditionTooLong();
        }
        return made;
    }

    private static List<Expr> and(Expr when, Expr then) {
        List<Expr> parts = new ArrayList<>(List.of(when));
        parts.addAll(then instanceof And a ? a.parts() : List.of(then));
        return parts;
    }

    private static int parts(Expr expr) {
        return 1 + expr.children().stream().mapToInt(RecordCondition::parts).sum();
    }
}
