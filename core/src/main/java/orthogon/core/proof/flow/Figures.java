package orthogon.core.proof.flow;

import java.math.BigInteger;
import java.util.BitSet;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiFunction;
import orthogon.core.expression.Expr;
import orthogon.core.proof.diagram.Diagrams;
import orthogon.core.proof.diagram.Weights;
import orthogon.core.proof.space.Axis;
import orthogon.core.proof.space.Space;
import orthogon.core.proof.space.Truth;
import orthogon.core.questionnaire.Questionnaire.Outcome;
import orthogon.core.questionnaire.Questionnaire;

/**
 * How many answer paths and routes there are, exactly or not at all.
 *
 * @param answerPaths empty where not counted
 * @param pathsByOutcome every outcome, in document order; empty map where not counted
 * @param joint whether paths are divided by comparisons between several answers as well
 * @param routes empty where not counted
 * @param shortest fewest questions on a route; empty where there is no route or routes are not counted
 * @param notCounted why something was not counted; empty where everything was
 */
public record Figures(Optional<BigInteger> answerPaths, Map<String, BigInteger> pathsByOutcome, boolean joint,
        Optional<BigInteger> routes, Optional<Integer> shortest, Optional<Integer> longest, Optional<String> notCounted) {

    private static final int MOST_WEIGHT_NODES = 3_000_000;
    private static final String WITHOUT = "";

    /** @param flow the flow of the document with nothing set free */
    public static Figures of(Flow flow) {
        Space space = flow.space();
        boolean joint = false;
        for (Axis axis : space.axes()) {
            joint |= axis.isJoint();
        }
        Optional<String> why = flow.lostAt().isPresent() ? flow.lostAt() : space.whyNotExact();
        if (why.isPresent() || !space.openLevels().isEmpty()) {
            return none(joint, why.orElse("some conditions are open"));
        }
        Optional<String> notCounted = Optional.empty();
        Map<String, BigInteger> paths = new LinkedHashMap<>();
        try {
            paths = joint ? jointPaths(flow) : new Paths(flow).count();
        } catch (Diagrams.BudgetSpent e) {
            notCounted = Optional.of("answer paths: " + e.getMessage());
        }
        Optional<BigInteger> total = paths.isEmpty()
                ? Optional.empty()
                : Optional.of(paths.values().stream().reduce(BigInteger.ZERO, BigInteger::add));
        Map<String, BigInteger> byOutcome = new LinkedHashMap<>(paths);
        byOutcome.remove(WITHOUT);
        try {
            BitSet asked = askedLevels(space);
            Flow routed = new Flow(space, Set.of(), asked, new BitSet());
            Diagrams d = space.diagrams();
            BitSet others = new BitSet();
            space.axes().forEach(a -> others.or(a.levels()));
            int cube = d.cube(others);
            BigInteger routes = BigInteger.ZERO;
            int any = Diagrams.NONE;
            for (int set : endings(routed).values()) {
                int shape = d.exists(set, cube);
                routes = routes.add(d.count(shape, asked));
                any = d.or(any, shape);
            }
            Optional<Integer> shortest = any == Diagrams.NONE ? Optional.empty() : Optional.of(d.ones(any, asked, false));
            Optional<Integer> longest = any == Diagrams.NONE ? Optional.empty() : Optional.of(d.ones(any, asked, true));
            return new Figures(total, byOutcome, joint, Optional.of(routes), shortest, longest, notCounted);
        } catch (Diagrams.BudgetSpent e) {
            return new Figures(total, byOutcome, joint, Optional.empty(), Optional.empty(), Optional.empty(),
                    Optional.of("routes: " + e.getMessage()));
        }
    }

    private static Figures none(boolean joint, String why) {
        return new Figures(Optional.empty(), Map.of(), joint, Optional.empty(), Optional.empty(), Optional.empty(), Optional.of(why));
    }

    /** The bits that say which questions are on a route. */
    public static BitSet askedLevels(Space space) {
        BitSet asked = new BitSet();
        for (Axis axis : space.axes()) {
            if (axis.question() != null && space.spelled().isOnRoutes(axis.code())) {
                asked.set(axis.askedLevel());
            }
        }
        space.spelled().grids().stream().filter(space.spelled()::isOnRoutes).forEach(g -> asked.set(space.askedLevel(g)));
        return asked;
    }

    /** States at the end by outcome code, the empty code for those without an outcome. */
    public static Map<String, Integer> endings(Flow flow) {
        Diagrams d = flow.space().diagrams();
        Map<String, Integer> sets = new LinkedHashMap<>();
        flow.space().wiring().document().outcomes().forEach(o -> sets.putIfAbsent(o.code(), Diagrams.NONE));
        sets.put(WITHOUT, Diagrams.NONE);
        for (Flow.Exit ending : flow.endings()) {
            if (ending.kind() == Flow.Kind.FINISH) {
                sets.merge(finishOutcome(flow, ending), ending.remembered(), d::or);
            }
        }
        byRow(flow, flow.tableReached(), d::and, d::minus, (outcome, set) -> sets.merge(outcome, set, d::or));
        return sets;
    }

    /** The outcome of a finish; empty where the document does not know it. */
    public static String finishOutcome(Flow flow, Flow.Exit ending) {
        Questionnaire document = flow.space().wiring().document();
        String[] place = ending.place().split("/");
        String outcome = document.pages().get(ending.from()).finish().get(Integer.parseInt(place[2])).outcome();
        return document.outcome(outcome).map(Outcome::code).orElse(WITHOUT);
    }

    private static void byRow(Flow flow, int reached, BiFunction<Integer, Integer, Integer> and,
            BiFunction<Integer, Integer, Integer> minus, java.util.function.BiConsumer<String, Integer> use) {
        Questionnaire document = flow.space().wiring().document();
        int rest = reached;
        for (int i = 0; i < document.outcomeTable().size(); i++) {
            String outcome = document.outcome(document.outcomeTable().get(i).outcome()).map(Outcome::code).orElse(WITHOUT);
            use.accept(outcome, and.apply(rest, flow.rowHolds(i)));
            rest = minus.apply(rest, flow.rowHolds(i));
        }
        use.accept(WITHOUT, rest);
    }

    /** Carries, for each state, the number of answer paths that lead to it. */
    private static final class Paths {

        private final Flow flow;
        private final Diagrams d;
        private final Weights w;

        Paths(Flow flow) {
            this.flow = flow;
            this.d = flow.space().diagrams();
            this.w = new Weights(d, MOST_WEIGHT_NODES);
        }

        Map<String, BigInteger> count() {
            int pages = flow.stages().size();
            int[] coming = new int[pages + 1];
            Map<String, Integer> finished = new LinkedHashMap<>();
            flow.space().wiring().document().outcomes().forEach(o -> finished.put(o.code(), Weights.ZERO));
            finished.put(WITHOUT, Weights.ZERO);
            coming[0] = w.within(w.constant(BigInteger.ONE), flow.start());
            for (Flow.Stage stage : flow.stages()) {
                int here = coming[stage.sets().index()];
                for (Flow.Exit exit : stage.exits()) {
                    int leaving = left(exit, here);
                    if (exit.kind() == Flow.Kind.FINISH) {
                        finished.merge(finishOutcome(flow, exit), leaving, w::plus);
                    } else {
                        coming[exit.target()] = w.plus(coming[exit.target()], leaving);
                    }
                }
            }
            byRow(flow, coming[pages], w::within, (weight, set) -> w.within(weight, d.not(set)),
                    (outcome, weight) -> finished.merge(outcome, weight, w::plus));
            BitSet rest = live(pages, pages);
            Map<String, BigInteger> counts = new LinkedHashMap<>();
            finished.forEach((outcome, weight) -> counts.put(outcome, w.value(w.sumOut(weight, rest))));
            return counts;
        }

        private int left(Flow.Exit exit, int here) {
            int leaving = w.within(here, exit.set());
            BitSet out = live(exit.from(), exit.from() + 1);
            out.and(flow.forgotten(exit.from(), exit.target()));
            int remembered = w.sumOut(leaving, out);
            return w.within(remembered, exit.remembered());
        }

        /** Bits that a state has when it comes to a page: of the link and of earlier pages, still needed; and that page's own. */
        private BitSet live(int page, int upTo) {
            BitSet live = new BitSet();
            for (Axis axis : flow.space().axes()) {
                if (axis.question() == null) {
                    live.or(axis.levels());
                }
            }
            for (int p = 0; p < Math.min(upTo, flow.stages().size()); p++) {
                live.or(flow.stages().get(p).sets().levels());
            }
            if (page > 0) {
                BitSet gone = flow.forgotten(page - 1, page);
                live.andNot(gone);
            }
            return live;
        }
    }

    /** With answers that are compared with one another: keep everything, then forget what is finer than classes and comparisons. */
    private static Map<String, BigInteger> jointPaths(Flow flow) {
        Space space = flow.space();
        Diagrams d = space.diagrams();
        BitSet all = new BitSet();
        BitSet finer = new BitSet();
        BitSet counted = new BitSet();
        int links = Diagrams.ALL;
        for (Axis axis : space.axes()) {
            all.or(axis.levels());
            if (axis.isJoint()) {
                finer.or(axis.levels());
                counted.or(axis.classLevels());
                links = d.and(links, axis.classLink());
            } else {
                counted.or(axis.levels());
            }
        }
        for (Expr comparison : space.jointComparisons()) {
            Truth truth = space.truth(comparison, Map.of());
            for (int set : new int[]{truth.holds(), truth.fails()}) {
                int level = space.freshLevel();
                counted.set(level);
                links = d.and(links, d.same(d.bit(level), set));
            }
        }
        Flow kept = new Flow(space, Set.of(), new BitSet(), all);
        int cube = d.cube(finer);
        Map<String, BigInteger> counts = new LinkedHashMap<>();
        for (Map.Entry<String, Integer> e : endings(kept).entrySet()) {
            counts.put(e.getKey(), d.count(d.andExists(e.getValue(), links, cube), counted));
        }
        return counts;
    }
}
