package orthogon.core.proof.space;

import orthogon.core.answer.Option;
import orthogon.core.expression.Evaluator;
import orthogon.core.expression.Expr;
import orthogon.core.expression.Expr.*;
import orthogon.core.expression.Operations;
import orthogon.core.expression.Printer;
import orthogon.core.proof.diagram.Diagrams;
import orthogon.core.questionnaire.Question;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** The value of expressions in every state, as disjoint sets. */
final class Values {

    /** Sets of chosen options are listed one by one up to this many options. */
    private static final int MOST_LISTED_OPTIONS = 12;
    /** Values of several answers are combined one by one up to this many combinations. */
    private static final int MOST_COMBINATIONS = 400_000;

    private final Space space;
    private final Diagrams diagrams;
    private final Features features;
    private final Map<String, Question> questions;
    private final LocalDate today;
    private final Map<String, Guarded> guarded = new HashMap<>();

    Values(Space space, Features features, Map<String, Question> questions) {
        this.space = space;
        this.diagrams = space.diagrams();
        this.features = features;
        this.questions = questions;
        this.today = space.today();
    }

    /** The value of an expression in every state; null where it cannot be said exactly. */
    Guarded guarded(Expr expr, Map<String, Integer> outcomes) {
        String text = Printer.print(expr) + outcomes;
        if (!guarded.containsKey(text)) {
            guarded.put(text, compute(expr, outcomes));
        }
        return guarded.get(text);
    }

    private Guarded compute(Expr expr, Map<String, Integer> outcomes) {
        if (features.isInexact(expr)) {
            return null;
        }
        if (expr instanceof Call c && c.function().equals("asked")) {
            return split(diagrams.bit(space.askedLevel(((Name) c.args().getFirst()).name())));
        }
        if (expr instanceof Name n && n.name().equals("outcome")) {
            Guarded outcome = new Guarded(new LinkedHashMap<>());
            int rest = Diagrams.ALL;
            for (Map.Entry<String, Integer> e : outcomes.entrySet()) {
                outcome.put(diagrams, e.getKey(), e.getValue());
                rest = diagrams.minus(rest, e.getValue());
            }
            outcome.put(diagrams, null, rest);
            return outcome;
        }
        Set<String> names = Analysis.mentioned(expr);
        if (names.isEmpty() && !expr.references().contains("outcome") && !Analysis.usesAsked(expr)) {
            return Guarded.constant(Evaluator.value(expr, new Alone("", null, null, today)));
        }
        if (names.size() == 1 && !expr.references().contains("outcome") && !Analysis.usesAsked(expr)) {
            Guarded alone = single(expr, space.axis(names.iterator().next()));
            return alone == null ? lifted(expr, outcomes) : alone;
        }
        if (Expr.isLogical(expr)) {
            if (expr instanceof If i && !isLogicalResult(i)) {
                return choice(i, outcomes);
            }
            return guarded(space.truth(expr, outcomes));
        }
        if (Lifted.of(expr).isPresent()) {
            return lifted(expr, outcomes);
        }
        return expr instanceof Quantified ? listed(expr, new ArrayList<>(names)) : combined(expr, outcomes);
    }

    /** The value of a comparison by the form that is about fewer answers; null where there is none or it cannot be said exactly. */
    private Guarded lifted(Expr expr, Map<String, Integer> outcomes) {
        return Lifted.of(expr).filter(plain -> isKnown(plain, outcomes)).map(plain -> guarded(space.truth(plain, outcomes))).orElse(null);
    }

    private Guarded guarded(Truth t) {
        Guarded value = new Guarded(new LinkedHashMap<>());
        value.put(diagrams, true, t.holds());
        value.put(diagrams, false, t.fails());
        value.put(diagrams, null, diagrams.not(diagrams.or(t.holds(), t.fails())));
        return value;
    }

    /** Whether every comparison of a condition can be said exactly. */
    private boolean isKnown(Expr expr, Map<String, Integer> outcomes) {
        return Expr.isLogical(expr)
                ? expr.children().stream().allMatch(c -> isKnown(c, outcomes))
                : guarded(expr, outcomes) != null;
    }

    /** Whether a choice gives true or false, however deep it is nested. */
    private boolean isLogicalResult(If i) {
        return isTruth(i.then()) || isTruth(i.otherwise());
    }

    private boolean isTruth(Expr result) {
        return result instanceof If inner
                ? isLogicalResult(inner)
                : Expr.isLogical(result) || Analysis.isTruth(result, questions)
                        || result instanceof Literal l && l.value() instanceof Boolean;
    }

    private Guarded split(int set) {
        Guarded value = new Guarded(new LinkedHashMap<>());
        value.put(diagrams, true, set);
        value.put(diagrams, false, diagrams.not(set));
        return value;
    }

    private Guarded choice(If i, Map<String, Integer> outcomes) {
        int when = space.truth(i.when(), outcomes).holds();
        Guarded then = guarded(i.then(), outcomes);
        Guarded otherwise = guarded(i.otherwise(), outcomes);
        if (then == null || otherwise == null) {
            return null;
        }
        Guarded value = new Guarded(new LinkedHashMap<>());
        then.parts().forEach((k, set) -> value.put(diagrams, Guarded.value(k), diagrams.and(set, when)));
        otherwise.parts().forEach((k, set) -> value.put(diagrams, Guarded.value(k), diagrams.minus(set, when)));
        return value;
    }

    private Guarded single(Expr expr, Axis axis) {
        if (axis.isMany()) {
            return many(expr, axis);
        }
        if (!features.isExact(expr, axis.code())) {
            return null;
        }
        Map<Object, List<Integer>> cells = new LinkedHashMap<>();
        for (int c = 0; c < axis.cells().size(); c++) {
            Object result = Evaluator.value(expr, new Alone(axis.code(), axis.cells().get(c), axis.question(), today));
            cells.computeIfAbsent(Guarded.key(result), k -> new ArrayList<>()).add(axis.cell(c));
        }
        Guarded value = new Guarded(new LinkedHashMap<>());
        cells.forEach((key, sets) -> value.parts().put(key, diagrams.any(sets)));
        return value;
    }

    private Guarded many(Expr expr, Axis axis) {
        boolean plain = expr instanceof Call c && c.args().getFirst() instanceof Name;
        if (expr instanceof Call c && plain && (c.function().equals("count") || c.function().equals("score"))) {
            Guarded sum = Guarded.constant(java.math.BigDecimal.ZERO);
            for (Option option : axis.question().answer().options()) {
                sum = sum.plus(diagrams, axis.option(option.code()),
                        c.function().equals("count") ? java.math.BigDecimal.ONE : option.scoreOrZero());
            }
            return sum;
        }
        if (expr instanceof Call c && plain && c.function().equals("list contains") && c.args().get(1) instanceof Literal l) {
            return split(l.value() == null ? Diagrams.NONE : axis.option((String) l.value()));
        }
        if (expr instanceof Call c && plain && c.function().equals("answered")) {
            return split(diagrams.not(axis.blank()));
        }
        if (expr instanceof Compare c && c.left() instanceof Name && c.right() instanceof Literal l && l.value() == null) {
            return split(c.op().equals("=") ? axis.blank() : diagrams.not(axis.blank()));
        }
        if (Expr.isLogical(expr) && !(expr instanceof If)) {
            return guarded(space.truth(expr, Map.of()));
        }
        boolean fromParts = !(expr instanceof Name) && !(expr instanceof Quantified) && !(expr instanceof If)
                && expr.children().stream().noneMatch(c -> c instanceof Name);
        return fromParts ? combined(expr, Map.of()) : listed(expr, List.of(axis.code()));
    }

    /** Evaluates for every combination of cells, as for quantifiers. */
    private Guarded listed(Expr expr, List<String> names) {
        return features.restsOnInexact(expr) ? null : byCells(expr, names);
    }

    /** One value for each combination of cells of what the expression mentions; null where they are too many. */
    Guarded byCells(Expr expr) {
        return byCells(expr, new ArrayList<>(Analysis.mentioned(expr)));
    }

    private Guarded byCells(Expr expr, List<String> names) {
        long combinations = 1;
        List<List<Object>> choices = new ArrayList<>();
        for (String name : names) {
            List<Object> values = everyValue(space.axis(name));
            if (values == null || (combinations *= values.size()) > 100_000) {
                return null;
            }
            choices.add(values);
        }
        Guarded value = new Guarded(new LinkedHashMap<>());
        list(expr, names, choices, 0, new HashMap<>(), Diagrams.ALL, value);
        return value;
    }

    private void list(Expr expr, List<String> names, List<List<Object>> choices, int at, Map<String, Object> chosen, int set,
            Guarded into) {
        diagrams.goOn();
        if (at == names.size()) {
            into.put(diagrams, Evaluator.value(expr, new Together(chosen, questions, today)), set);
            return;
        }
        for (Object value : choices.get(at)) {
            chosen.put(names.get(at), value);
            list(expr, names, choices, at + 1, chosen, diagrams.and(set, space.axis(names.get(at)).value(value)), into);
        }
    }

    private List<Object> everyValue(Axis axis) {
        if (!axis.isMany()) {
            return axis.cells();
        }
        List<Option> options = axis.question().answer().options();
        if (options.size() > MOST_LISTED_OPTIONS) {
            return null;
        }
        List<Object> values = new ArrayList<>();
        for (int chosen = 0; chosen < 1 << options.size(); chosen++) {
            List<String> codes = new ArrayList<>();
            for (int i = 0; i < options.size(); i++) {
                if ((chosen >> i & 1) == 1) {
                    codes.add(options.get(i).code());
                }
            }
            values.add(codes.isEmpty() ? null : codes);
        }
        return values;
    }

    private Guarded combined(Expr expr, Map<String, Integer> outcomes) {
        List<Guarded> parts = new ArrayList<>();
        long combinations = 1;
        for (Expr child : expr.children()) {
            Guarded part = guarded(child, outcomes);
            if (part == null) {
                return null;
            }
            combinations *= part.parts().size();
            parts.add(part);
        }
        if (expr instanceof Compare c && !c.op().equals("=") && !c.op().equals("!=")) {
            return ordered(c, parts.get(0), parts.get(1));
        }
        if (combinations > MOST_COMBINATIONS) {
            return null;
        }
        Guarded value = new Guarded(new LinkedHashMap<>());
        combine(expr, parts, new ArrayList<>(), Diagrams.ALL, value);
        return value;
    }

    /** Both sides in order, so that each value meets all that lie beyond it at once. */
    private Guarded ordered(Compare c, Guarded left, Guarded right) {
        Comparator<Object> order = (a, b) -> {
            List<Object> pair = List.of(a, b);
            Span at = c.span();
            return Boolean.TRUE.equals(Operations.apply(new Compare("<", c, c, at), pair))
                    ? -1
                    : Boolean.TRUE.equals(Operations.apply(new Compare(">", c, c, at), pair)) ? 1 : 0;
        };
        List<Object> values = new ArrayList<>(right.parts().keySet());
        values.removeIf(v -> Guarded.value(v) == null);
        values.sort(order);
        boolean less = c.op().startsWith("<");
        List<Object> lefts = new ArrayList<>(left.parts().keySet());
        lefts.removeIf(v -> Guarded.value(v) == null);
        lefts.sort(less ? order.reversed() : order);
        int all = values.stream().mapToInt(right.parts()::get).reduce(Diagrams.NONE, diagrams::or);
        List<Integer> holds = new ArrayList<>();
        List<Integer> fails = new ArrayList<>();
        int beyond = Diagrams.NONE;
        int next = less ? values.size() - 1 : 0;
        for (Object each : lefts) {
            diagrams.goOn();
            while (next >= 0 && next < values.size()
                    && Boolean.TRUE.equals(Operations.apply(c, List.of(each, values.get(next))))) {
                beyond = diagrams.or(beyond, right.parts().get(values.get(next)));
                next += less ? -1 : 1;
            }
            int here = left.parts().get(each);
            holds.add(diagrams.and(here, beyond));
            fails.add(diagrams.and(here, diagrams.minus(all, beyond)));
        }
        Guarded value = new Guarded(new LinkedHashMap<>());
        value.put(diagrams, true, diagrams.any(holds));
        value.put(diagrams, false, diagrams.any(fails));
        int known = diagrams.and(diagrams.any(lefts.stream().map(left.parts()::get).toList()), all);
        value.put(diagrams, null, diagrams.not(known));
        return value;
    }

    private void combine(Expr expr, List<Guarded> parts, List<Object> values, int set, Guarded into) {
        if (set == Diagrams.NONE) {
            return;
        }
        diagrams.goOn();
        if (values.size() == parts.size()) {
            into.put(diagrams, Operations.apply(expr, values), set);
            return;
        }
        parts.get(values.size()).parts().forEach((key, states) -> {
            values.add(Guarded.value(key));
            combine(expr, parts, values, diagrams.and(set, states), into);
            values.removeLast();
        });
    }
}
