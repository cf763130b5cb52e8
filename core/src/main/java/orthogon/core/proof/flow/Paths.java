package orthogon.core.proof.flow;

import java.math.BigInteger;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import orthogon.core.proof.diagram.Diagrams;
import orthogon.core.proof.diagram.Weights;
import orthogon.core.proof.space.Space;

/**
 * Counts answer paths: carries, for each state, the number of paths that lead to it, and sums out what no later rule mentions.
 * The bits of answers that are compared with one another are finer than answer classes, so all of them are kept until nothing mentions
 * any of them any more; then only their classes and the values of their comparisons are kept, and counted.
 */
final class Paths {

    private final Flow flow;
    private final Space space;
    private final Diagrams d;
    private final Weights w;
    private final List<JointClasses> joint = new ArrayList<>();

    private Paths(Flow flow, int mostNodes) {
        this.flow = flow;
        this.space = flow.space();
        this.d = space.diagrams();
        this.w = new Weights(d, mostNodes);
        JointClasses.groups(space).forEach(group -> joint.add(JointClasses.of(space, group)));
    }

    /** What a flow must not forget before its time, so that paths can be counted on it: answers that are compared
     * with one another last as long as the last of them. */
    static List<BitSet> together(Space space) {
        return JointClasses.groups(space).stream().map(names -> {
            BitSet levels = new BitSet();
            names.forEach(n -> levels.or(space.axis(n).levels()));
            return levels;
        }).toList();
    }

    /**
     * Answer paths by outcome, the empty code for those that end without one.
     *
     * @param flow one that keeps compared answers together
     * @throws Diagrams.BudgetSpent where more than that many nodes would be needed
     */
    static Map<String, BigInteger> count(Flow flow, int mostNodes) {
        return JointClasses.isWhole(flow.space()) ? whole(flow) : new Paths(flow, mostNodes).count();
    }

    /** Keeps all answers together to the end. */
    private static Map<String, BigInteger> whole(Flow flow) {
        Space space = flow.space();
        Diagrams d = space.diagrams();
        JointClasses classes = JointClasses.whole(space);
        int cube = d.cube(classes.finer());
        Map<String, BigInteger> counts = new LinkedHashMap<>();
        flow.rememberingAll().byOutcome()
                .forEach((outcome, set) -> counts.put(outcome, d.count(d.andExists(set, classes.link(), cube), classes.counted())));
        return counts;
    }

    private Map<String, BigInteger> count() {
        int pages = flow.stages().size();
        int[] coming = new int[pages + 1];
        Map<String, Integer> finished = new LinkedHashMap<>();
        space.wiring().document().outcomes().forEach(o -> finished.put(o.code(), Weights.ZERO));
        finished.put("", Weights.ZERO);
        coming[0] = w.within(w.constant(BigInteger.ONE), flow.start());
        for (Flow.Stage stage : flow.stages()) {
            int here = coming[stage.sets().index()];
            for (Flow.Exit exit : stage.exits()) {
                int leaving = left(exit, here);
                if (exit.kind() == Flow.ExitKind.FINISH) {
                    finished.merge(flow.outcomeOf(exit), leaving, w::plus);
                } else {
                    coming[exit.target()] = w.plus(coming[exit.target()], leaving);
                }
            }
            coming[stage.sets().index()] = Weights.ZERO;
            tidy(coming, finished);
        }
        int rest = coming[pages];
        for (int row = 0; row < space.wiring().document().outcomeTable().size(); row++) {
            finished.merge(flow.outcomeOf(row), flow.mayEndBy(row) ? w.within(rest, flow.rowHolds(row)) : Weights.ZERO, w::plus);
            rest = w.within(rest, d.not(flow.rowHolds(row)));
        }
        finished.merge("", flow.mayEndBy(Transition.NO_ROW) ? rest : Weights.ZERO, w::plus);
        BitSet alive = alive(pages, pages);
        Map<String, BigInteger> counts = new LinkedHashMap<>();
        finished.forEach((outcome, weight) -> counts.put(outcome, w.value(JointClasses.summed(joint, d, w, weight, alive, new BitSet()))));
        return counts;
    }

    /** Only what still comes somewhere is kept. */
    private void tidy(int[] coming, Map<String, Integer> finished) {
        int[] alive = Arrays.copyOf(coming, coming.length + finished.size());
        int at = coming.length;
        for (int weight : finished.values()) {
            alive[at++] = weight;
        }
        int[] kept = w.keep(alive);
        System.arraycopy(kept, 0, coming, 0, coming.length);
        at = coming.length;
        for (Map.Entry<String, Integer> e : finished.entrySet()) {
            e.setValue(kept[at++]);
        }
    }

    private int left(Flow.Exit exit, int here) {
        BitSet out = alive(exit.from(), exit.from() + 1);
        out.and(flow.forgotten(exit.from(), exit.target()));
        BitSet unborn = new BitSet();
        flow.stages().subList(exit.from() + 1, flow.stages().size()).forEach(s -> unborn.or(s.sets().levels()));
        return w.within(JointClasses.summed(joint, d, w, w.within(here, exit.set()), out, unborn), exit.remembered());
    }

    /** Bits that a state has when it comes to a page: of the link and of earlier pages, still needed; and that page's own. */
    private BitSet alive(int page, int upTo) {
        BitSet alive = space.linkLevels();
        for (int p = 0; p < Math.min(upTo, flow.stages().size()); p++) {
            alive.or(flow.stages().get(p).sets().levels());
        }
        if (page > 0) {
            alive.andNot(flow.forgotten(page - 1, page));
        }
        return alive;
    }
}
