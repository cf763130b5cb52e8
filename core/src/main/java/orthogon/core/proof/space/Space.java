package orthogon.core.proof.space;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import orthogon.core.expression.Evaluator;
import orthogon.core.expression.Expr;
import orthogon.core.expression.Expr.*;
import orthogon.core.expression.Operations;
import orthogon.core.expression.Printer;
import orthogon.core.expression.Wiring;
import orthogon.core.expression.Wiring.Wire;
import orthogon.core.proof.diagram.Diagrams;
import orthogon.core.proof.fault.Fault;
import orthogon.core.questionnaire.Answer;
import orthogon.core.questionnaire.Derived;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;

/** The answer classes of a document as bits, and its conditions as sets over them. */
public final class Space {

    /** Sets of chosen options are listed one by one up to this many options. */
    private static final int MOST_LISTED_OPTIONS = 12;
    /** Values of several answers are combined one by one up to this many combinations. */
    private static final int MOST_COMBINATIONS = 400_000;

    private final Diagrams diagrams;
    private final Wiring wiring;
    private final LocalDate today;
    private final Map<String, Axis> axes = new LinkedHashMap<>();
    private final Map<String, Integer> itemAsked = new LinkedHashMap<>();
    private final Map<String, Question> questions = new HashMap<>();
    private final Map<String, Expr> usable = new LinkedHashMap<>();
    private final Map<String, Guarded> guarded = new HashMap<>();
    /** Comparisons, by their text, that could not be divided exactly, with the reason. */
    private final Map<String, String> inexact = new LinkedHashMap<>();
    private final Map<String, Map<String, Expr>> features = new HashMap<>();
    private final Map<String, Set<String>> comparisons = new HashMap<>();
    private final List<Expr> joint = new ArrayList<>();
    private final Map<String, Truth> open = new HashMap<>();
    private final Map<Integer, String> openBits = new LinkedHashMap<>();
    /** The questions that an open bit hangs on; none noted where it stands for a fault and may hang on anything. */
    private final Map<Integer, Set<String>> openOn = new HashMap<>();
    private final Map<String, String> causes = new HashMap<>();
    private int nextLevel;

    /** @param faults the sound faults; an expression that rests on one becomes an open bit */
    public Space(Wiring wiring, List<Fault> faults, LocalDate today, Diagrams diagrams) {
        this.wiring = wiring;
        this.today = today;
        this.diagrams = diagrams;
        Questionnaire document = wiring.document();
        document.questions().forEach(q -> questions.putIfAbsent(q.code(), q));
        Map<String, String> faulty = new HashMap<>();
        faults.forEach(f -> faulty.putIfAbsent(f.place(), f.kind().claim() + " " + f.place()));
        for (Wire wire : wiring.wires()) {
            use(wire, faulty);
        }
        document.linkParameters().forEach(p -> addAxis(p.code(), null, p.allowed()));
        document.items().forEach(item -> {
            if (item instanceof Question q) {
                addAxis(q.code(), q, List.of());
            } else if (!(item instanceof Derived)) {
                itemAsked.putIfAbsent(item.code(), nextLevel++);
            }
        });
    }

    private void use(Wire wire, Map<String, String> faulty) {
        String cause = cause(wire, faulty, new HashSet<>());
        Optional<Expr> unfolded = wire.expr().flatMap(wiring::unfolded);
        if (cause != null || unfolded.isEmpty()) {
            causes.put(wire.place(), cause != null ? cause : "type-fits " + wire.place());
            return;
        }
        usable.put(wire.place(), unfolded.get());
        analyse(unfolded.get());
    }

    private String cause(Wire wire, Map<String, String> faulty, Set<String> seen) {
        boolean onlyTarget = wire.faults().isEmpty()
                && Set.of(Wiring.Family.SKIP, Wiring.Family.FINISH, Wiring.Family.OUTCOME_ROW).contains(wire.family());
        if (faulty.containsKey(wire.place()) && !onlyTarget) {
            return faulty.get(wire.place());
        }
        for (String name : wire.readable().map(Expr::references).orElse(Set.of())) {
            Optional<Wire> derive = wiring.at(name + ".derive");
            if (derive.isPresent() && seen.add(name)) {
                String inner = cause(derive.get(), faulty, seen);
                if (inner != null) {
                    return inner;
                }
            }
        }
        return null;
    }

    /** The questions and link parameters that an unfolded expression mentions. */
    private static Set<String> mentioned(Expr expr) {
        Set<String> names = new LinkedHashSet<>(expr.references());
        names.remove("outcome");
        removeAsked(expr, names);
        return names;
    }

    private static void removeAsked(Expr expr, Set<String> names) {
        Set<String> inAsked = new HashSet<>();
        Set<String> elsewhere = new HashSet<>();
        spread(expr, inAsked, elsewhere);
        inAsked.removeAll(elsewhere);
        names.removeAll(inAsked);
    }

    private static void spread(Expr expr, Set<String> inAsked, Set<String> elsewhere) {
        if (expr instanceof Call c && c.function().equals("asked")) {
            inAsked.addAll(c.references());
        } else if (expr instanceof Name n) {
            elsewhere.add(n.name());
        } else {
            expr.children().forEach(c -> spread(c, inAsked, elsewhere));
        }
    }

    /** Notes, for each question, the expressions about it that must be constant within a cell. */
    private void analyse(Expr expr) {
        if (expr instanceof Literal || mentioned(expr).isEmpty()) {
            return;
        }
        if (Expr.isLogical(expr)) {
            expr.children().forEach(this::analyse);
            return;
        }
        Set<String> names = mentioned(expr);
        boolean truth = isTruth(expr);
        if (names.size() == 1) {
            String only = names.iterator().next();
            feature(only, expr);
            if (truth) {
                comparisons.computeIfAbsent(only, n -> new LinkedHashSet<>()).add(Printer.print(expr));
                return;
            }
        } else if (truth) {
            joint.add(expr);
        }
        if (expr instanceof Quantified) {
            analyseBound(expr, Set.of());
            return;
        }
        expr.children().forEach(this::analyse);
    }

    /** Parts of a quantifier that do not hang on what it binds are divided by as usual, the others name by name. */
    private void analyseBound(Expr expr, Set<String> bound) {
        Set<String> inner = new HashSet<>(bound);
        if (expr instanceof Quantified q) {
            q.bindings().forEach(b -> inner.add(b.name()));
        }
        for (Expr child : expr.children()) {
            if (child.references().stream().anyMatch(inner::contains)) {
                analyseBound(child, inner);
            } else {
                analyse(child);
            }
        }
    }

    private void feature(String code, Expr expr) {
        features.computeIfAbsent(code, n -> new LinkedHashMap<>()).put(Printer.print(expr), expr);
    }

    private List<Expr> featuresOf(String code) {
        return List.copyOf(features.getOrDefault(code, Map.of()).values());
    }

    private boolean isTruth(Expr expr) {
        return switch (expr) {
            case Compare c -> true;
            case InRange r -> true;
            case InList l -> true;
            case Quantified q -> true;
            case Name n -> questions.containsKey(n.name()) && questions.get(n.name()).answer() instanceof Answer.YesNo;
            case Call c -> Set.of("answered", "list contains", "contains", "starts with", "ends with", "matches").contains(c.function());
            default -> false;
        };
    }

    private void addAxis(String code, Question question, List<String> allowed) {
        if (axes.containsKey(code)) {
            return;
        }
        List<Object> values;
        try {
            values = cells(code, question, allowed, featuresOf(code));
        } catch (Inexact whole) {
            values = withoutInexact(code, question, allowed);
        }
        List<Object> cells = new ArrayList<>();
        List<Integer> classOf = new ArrayList<>();
        Map<List<Object>, Integer> known = new HashMap<>();
        Map<List<Object>, Integer> classes = new HashMap<>();
        boolean each = question == null
                ? !allowed.isEmpty()
                : question.answer() instanceof Answer.YesNo || !question.answer().options().isEmpty();
        List<Object> all = new ArrayList<>();
        all.add(null);
        all.addAll(values);
        for (Object value : all) {
            List<Object> fine = new ArrayList<>();
            List<Object> coarse = new ArrayList<>();
            fine.add(Guarded.key(each ? value : value == null ? null : true));
            coarse.add(fine.getFirst());
            for (Expr feature : featuresOf(code)) {
                if (inexact.containsKey(Printer.print(feature))) {
                    continue;
                }
                Object result = Guarded.key(Evaluator.value(feature, new Alone(code, value, question, today)));
                fine.add(result);
                if (comparisons.getOrDefault(code, Set.of()).contains(Printer.print(feature))) {
                    coarse.add(result);
                }
            }
            if (known.putIfAbsent(fine, cells.size()) == null) {
                cells.add(value);
                classOf.add(classes.computeIfAbsent(coarse, c -> classes.size()));
            }
        }
        if (question != null && question.answer() instanceof Answer.ManyChoices) {
            cells.clear();
            classOf.clear();
        }
        Axis axis = new Axis(diagrams, code, question, cells, classOf.stream().mapToInt(Integer::intValue).toArray(), nextLevel);
        axes.put(code, axis);
        nextLevel = axis.nextLevel();
    }

    /** Divides by the expressions that can be, and opens the comparisons that rest on the others. */
    private List<Object> withoutInexact(String code, Question question, List<String> allowed) {
        List<Expr> exact = new ArrayList<>();
        for (Expr feature : featuresOf(code)) {
            try {
                cells(code, question, allowed, List.of(feature));
                exact.add(feature);
                cells(code, question, allowed, exact);
            } catch (Inexact e) {
                exact.remove(feature);
                inexact.put(Printer.print(feature), "about " + code + ": " + e.getMessage());
            }
        }
        try {
            return cells(code, question, allowed, exact);
        } catch (Inexact e) {
            throw new IllegalStateException(e);
        }
    }

    private List<Object> cells(String code, Question question, List<String> allowed, List<Expr> about) throws Inexact {
        if (question == null) {
            return allowed.isEmpty() ? TextPartition.representatives(code, today, null, null, about) : List.copyOf(allowed);
        }
        return switch (question.answer()) {
            case Answer.YesNo y -> List.of(true, false);
            case Answer.OneChoice c -> List.copyOf(c.options().stream().map(Answer.Option::code).toList());
            case Answer.ManyChoices m -> List.of();
            case Answer.Text t -> TextPartition.representatives(code, today, t.least(), t.most(), about);
            case Answer.Numeric n -> numbers(code, n, about);
            case Answer.DateAnswer d -> {
                LocalDate from = d.earliest() == null ? LocalDate.of(1, 1, 1) : d.earliest().on(today);
                LocalDate to = d.latest() == null ? LocalDate.of(9999, 12, 31) : d.latest().on(today);
                yield LinePartition.dates(code, today, from, to, about);
            }
        };
    }

    private List<Object> numbers(String code, Answer.Numeric n, List<Expr> about) throws Inexact {
        if (n.decimals() == null) {
            return LinePartition.dense(code, today, n.least(), n.most(), about);
        }
        return LinePartition.grid(code, today, n.least(), n.most(), n.decimals(), about);
    }

    public Diagrams diagrams() {
        return diagrams;
    }

    public Wiring wiring() {
        return wiring;
    }

    public LocalDate today() {
        return today;
    }

    public Axis axis(String code) {
        return axes.get(code);
    }

    public Iterable<Axis> axes() {
        return axes.values();
    }

    /** The bit that says whether a question, note or section is asked. */
    public int askedLevel(String item) {
        return axes.containsKey(item) ? axes.get(item).askedLevel() : itemAsked.get(item);
    }

    /** Whether a usable expression stands at the place. */
    public Optional<Expr> expr(String place) {
        return Optional.ofNullable(usable.get(place));
    }

    /** The claim that the expression at this place falls short of, empty where it is sound. */
    public Optional<String> causeAt(String place) {
        return Optional.ofNullable(causes.get(place));
    }

    /** Why bits of the set are open, if any are. */
    public Optional<String> openReason(int set) {
        BitSet support = diagrams.support(set);
        return openBits.entrySet().stream().filter(e -> support.get(e.getKey())).map(Map.Entry::getValue).findFirst();
    }

    /** Every open bit. */
    public BitSet openLevels() {
        BitSet levels = new BitSet();
        openBits.keySet().forEach(levels::set);
        return levels;
    }

    /** Whether some comparison or expression could not be brought into the space, so that counts would not be exact. */
    public Optional<String> whyNotExact() {
        if (!causes.isEmpty()) {
            return Optional.of(causes.values().iterator().next());
        }
        return inexact.isEmpty() ? Optional.empty() : Optional.of(inexact.values().iterator().next());
    }

    /** Comparisons between several answers whose value is not given by the answer classes alone. */
    public List<Expr> jointComparisons() {
        return joint.stream().filter(e -> mentioned(e).stream().anyMatch(n -> axes.get(n).isJoint())).toList();
    }

    /** A fresh bit that may be either; it stands for something unknown. */
    public int freshBit(String why) {
        int level = nextLevel++;
        if (!why.isEmpty()) {
            openBits.put(level, why);
        }
        return diagrams.bit(level);
    }

    public int freshLevel() {
        return nextLevel++;
    }

    /** The condition at a place as sets; {@code usual} where none is written; open where it rests on a fault. */
    public Truth truth(String place, boolean usual) {
        if (wiring.at(place).isEmpty()) {
            return usual ? Truth.ALWAYS : Truth.NEVER;
        }
        Expr expr = usable.get(place);
        return expr == null ? open.computeIfAbsent("at " + place, p -> open(causes.get(place))) : truth(expr, Map.of());
    }

    private Truth open(String why) {
        int holds = freshBit(why);
        return new Truth(holds, diagrams.minus(freshBit(why), holds));
    }

    private Truth open(String why, Set<String> on) {
        int from = nextLevel;
        Truth truth = open(why);
        for (int level = from; level < nextLevel; level++) {
            openOn.put(level, on);
        }
        return truth;
    }

    /** Those of the open bits that may hang on one of the questions. */
    public BitSet openOn(BitSet open, List<String> questionCodes) {
        BitSet found = new BitSet();
        open.stream().filter(l -> !openOn.containsKey(l) || openOn.get(l).stream().anyMatch(questionCodes::contains)).forEach(found::set);
        return found;
    }

    /** An unfolded condition as sets, where {@code asked(x)} and {@code outcome} have the given sets. */
    public Truth truth(Expr expr, Map<String, Integer> outcomes) {
        return switch (expr) {
            case And a -> {
                int holds = Diagrams.ALL;
                int fails = Diagrams.NONE;
                for (Expr part : a.parts()) {
                    Truth t = truth(part, outcomes);
                    holds = diagrams.and(holds, t.holds());
                    fails = diagrams.or(fails, t.fails());
                }
                yield new Truth(holds, fails);
            }
            case Or o -> {
                int holds = Diagrams.NONE;
                int fails = Diagrams.ALL;
                for (Expr part : o.parts()) {
                    Truth t = truth(part, outcomes);
                    holds = diagrams.or(holds, t.holds());
                    fails = diagrams.and(fails, t.fails());
                }
                yield new Truth(holds, fails);
            }
            case Not n -> {
                Truth t = truth(n.of(), outcomes);
                yield new Truth(t.fails(), t.holds());
            }
            case If i -> {
                int when = truth(i.when(), outcomes).holds();
                Truth then = truth(i.then(), outcomes);
                Truth otherwise = truth(i.otherwise(), outcomes);
                yield new Truth(choose(when, then.holds(), otherwise.holds()), choose(when, then.fails(), otherwise.fails()));
            }
            default -> {
                Guarded value = guarded(expr, outcomes);
                yield value == null
                        ? open.computeIfAbsent(Printer.print(expr), t -> open(reason(expr), mentioned(expr)))
                        : new Truth(value.parts().getOrDefault(true, Diagrams.NONE), value.parts().getOrDefault(false, Diagrams.NONE));
            }
        };
    }

    private String reason(Expr expr) {
        String text = Printer.print(expr);
        return inexact.entrySet().stream().filter(e -> text.contains(e.getKey())).map(Map.Entry::getValue).findFirst()
                .orElse("\"" + text + "\" compares more values than are divided");
    }

    private int choose(int when, int then, int otherwise) {
        return diagrams.or(diagrams.and(when, then), diagrams.minus(otherwise, when));
    }

    /** The value of an expression in every state; null where it cannot be said exactly. */
    private Guarded guarded(Expr expr, Map<String, Integer> outcomes) {
        String text = Printer.print(expr) + outcomes;
        if (!guarded.containsKey(text)) {
            guarded.put(text, compute(expr, outcomes));
        }
        return guarded.get(text);
    }

    /** The value of a start expression, by value; empty where it cannot be said exactly. */
    public Optional<Map<Object, Integer>> startValues(String place) {
        Expr expr = usable.get(place);
        Guarded value = expr == null ? null : guarded(expr, Map.of());
        if (value == null) {
            return Optional.empty();
        }
        Map<Object, Integer> byValue = new LinkedHashMap<>();
        value.parts().forEach((key, set) -> byValue.put(Optional.ofNullable(Guarded.value(key)), set));
        return Optional.of(byValue);
    }

    /** The states in which the answer lies in the same cell as this value; none where the question's limits do not allow the value. */
    public int cellOf(Axis axis, Object value) {
        if (value == null || axis.isMany() || axis.question() == null || !axis.question().answer().options().isEmpty()
                || axis.question().answer() instanceof Answer.YesNo) {
            return axis.value(value instanceof List<?> l && l.isEmpty() ? null : value);
        }
        if (!isWithinLimits(axis.question().answer(), value)) {
            return Diagrams.NONE;
        }
        List<Object> signature = signature(axis, value);
        for (int c = 1; c < axis.cells().size(); c++) {
            if (signature(axis, axis.cells().get(c)).equals(signature)) {
                return axis.cell(c);
            }
        }
        return Diagrams.NONE;
    }

    private List<Object> signature(Axis axis, Object value) {
        List<Object> signature = new ArrayList<>();
        for (Expr feature : featuresOf(axis.code())) {
            if (!inexact.containsKey(Printer.print(feature))) {
                signature.add(Guarded.key(Evaluator.value(feature, new Alone(axis.code(), value, axis.question(), today))));
            }
        }
        return signature;
    }

    private boolean isWithinLimits(Answer answer, Object value) {
        return switch (answer) {
            case Answer.Text t -> value instanceof String s && (t.least() == null || s.codePointCount(0, s.length()) >= t.least())
                    && (t.most() == null || s.codePointCount(0, s.length()) <= t.most());
            case Answer.Numeric n -> value instanceof java.math.BigDecimal b && (n.least() == null || b.compareTo(n.least()) >= 0)
                    && (n.most() == null || b.compareTo(n.most()) <= 0)
                    && (n.decimals() == null || b.stripTrailingZeros().scale() <= n.decimals());
            case Answer.DateAnswer a -> value instanceof LocalDate day && (a.earliest() == null || !day.isBefore(a.earliest().on(today)))
                    && (a.latest() == null || !day.isAfter(a.latest().on(today)));
            default -> true;
        };
    }

    private Guarded compute(Expr expr, Map<String, Integer> outcomes) {
        if (inexact.containsKey(Printer.print(expr))) {
            return null;
        }
        if (expr instanceof Call c && c.function().equals("asked")) {
            return split(diagrams.bit(askedLevel(((Name) c.args().getFirst()).name())));
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
        Set<String> names = mentioned(expr);
        if (names.isEmpty() && !expr.references().contains("outcome") && !usesAsked(expr)) {
            return Guarded.constant(Evaluator.value(expr, new Alone("", null, null, today)));
        }
        if (names.size() == 1 && !expr.references().contains("outcome") && !usesAsked(expr)) {
            return single(expr, axes.get(names.iterator().next()));
        }
        if (Expr.isLogical(expr)) {
            if (expr instanceof If i && !isLogicalResult(i)) {
                return choice(i, outcomes);
            }
            Truth t = truth(expr, outcomes);
            Guarded value = new Guarded(new LinkedHashMap<>());
            value.put(diagrams, true, t.holds());
            value.put(diagrams, false, t.fails());
            value.put(diagrams, null, diagrams.not(diagrams.or(t.holds(), t.fails())));
            return value;
        }
        return expr instanceof Quantified ? listed(expr, new ArrayList<>(names)) : combined(expr, outcomes);
    }

    private boolean isLogicalResult(If i) {
        return Expr.isLogical(i.then()) || isTruth(i.then()) || i.then() instanceof Literal l && l.value() instanceof Boolean;
    }

    private static boolean usesAsked(Expr expr) {
        return expr instanceof Call c && c.function().equals("asked") || expr.children().stream().anyMatch(Space::usesAsked);
    }

    private Guarded split(int set) {
        Guarded value = new Guarded(new LinkedHashMap<>());
        value.put(diagrams, true, set);
        value.put(diagrams, false, diagrams.not(set));
        return value;
    }

    private Guarded choice(If i, Map<String, Integer> outcomes) {
        int when = truth(i.when(), outcomes).holds();
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
        if (!isExact(expr, axis.code())) {
            return null;
        }
        Guarded value = new Guarded(new LinkedHashMap<>());
        for (int c = 0; c < axis.cells().size(); c++) {
            value.put(diagrams, Evaluator.value(expr, new Alone(axis.code(), axis.cells().get(c), axis.question(), today)), axis.cell(c));
        }
        return value;
    }

    /** Whether the expression is constant in every cell of the question: it was divided by, or it is made of such parts. */
    private boolean isExact(Expr expr, String code) {
        String text = Printer.print(expr);
        if (features.getOrDefault(code, Map.of()).containsKey(text)) {
            return !inexact.containsKey(text);
        }
        return mentioned(expr).isEmpty() || !expr.children().isEmpty() && expr.children().stream().allMatch(c -> isExact(c, code));
    }

    private boolean restsOnInexact(Expr expr) {
        String text = Printer.print(expr);
        return inexact.containsKey(text) || features.values().stream().noneMatch(f -> f.containsKey(text))
                && expr.children().stream().anyMatch(this::restsOnInexact);
    }

    private Guarded many(Expr expr, Axis axis) {
        boolean plain = expr instanceof Call c && c.args().getFirst() instanceof Name;
        if (expr instanceof Call c && plain && (c.function().equals("count") || c.function().equals("score"))) {
            Guarded sum = Guarded.constant(java.math.BigDecimal.ZERO);
            for (Answer.Option option : axis.question().answer().options()) {
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
            Truth t = truth(expr, Map.of());
            Guarded value = new Guarded(new LinkedHashMap<>());
            value.put(diagrams, true, t.holds());
            value.put(diagrams, false, t.fails());
            value.put(diagrams, null, diagrams.not(diagrams.or(t.holds(), t.fails())));
            return value;
        }
        boolean fromParts = !(expr instanceof Name) && !(expr instanceof Quantified) && !(expr instanceof If)
                && expr.children().stream().noneMatch(c -> c instanceof Name);
        return fromParts ? combined(expr, Map.of()) : listed(expr, List.of(axis.code()));
    }

    /** Evaluates for every combination of cells, as for quantifiers. */
    private Guarded listed(Expr expr, List<String> names) {
        if (restsOnInexact(expr)) {
            return null;
        }
        long combinations = 1;
        List<List<Object>> choices = new ArrayList<>();
        for (String name : names) {
            List<Object> values = everyValue(axes.get(name));
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
        if (at == names.size()) {
            into.put(diagrams, Evaluator.value(expr, new Together(chosen, questions, today)), set);
            return;
        }
        for (Object value : choices.get(at)) {
            chosen.put(names.get(at), value);
            list(expr, names, choices, at + 1, chosen, diagrams.and(set, axes.get(names.get(at)).value(value)), into);
        }
    }

    private List<Object> everyValue(Axis axis) {
        if (!axis.isMany()) {
            return axis.cells();
        }
        List<Answer.Option> options = axis.question().answer().options();
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
        Guarded value = new Guarded(new LinkedHashMap<>());
        int beyond = Diagrams.NONE;
        int next = less ? values.size() - 1 : 0;
        int known = Diagrams.NONE;
        for (Object each : lefts) {
            while (next >= 0 && next < values.size()
                    && Boolean.TRUE.equals(Operations.apply(c, List.of(each, values.get(next))))) {
                beyond = diagrams.or(beyond, right.parts().get(values.get(next)));
                next += less ? -1 : 1;
            }
            int here = left.parts().get(each);
            value.put(diagrams, true, diagrams.and(here, beyond));
            value.put(diagrams, false, diagrams.and(here, diagrams.minus(all, beyond)));
            known = diagrams.or(known, diagrams.and(here, all));
        }
        value.put(diagrams, null, diagrams.not(known));
        return value;
    }

    private void combine(Expr expr, List<Guarded> parts, List<Object> values, int set, Guarded into) {
        if (set == Diagrams.NONE) {
            return;
        }
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
