package orthogon.core.proof.change;

import java.math.BigInteger;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import orthogon.core.proof.change.Difference.DifferenceKind;
import orthogon.core.proof.change.Lockstep.Move;
import orthogon.core.proof.change.Lockstep.Position;
import orthogon.core.proof.change.Lockstep.Topic;
import orthogon.core.proof.diagram.Diagrams;
import orthogon.core.proof.diagram.Weights;
import orthogon.core.proof.flow.Figures;
import orthogon.core.proof.flow.JointClasses;
import orthogon.core.proof.space.Space;

/**
 * Counts the ways through two documents in lockstep: all, those that meet any difference, and those that meet each. Beside the weight
 * of all that come to a standing goes, for each, the weight of those that met it already.
 */
final class Tally {

    private static final int ALL = 0;
    private static final int ANY = 1;
    private static final int FIRST_TOPIC = 2;

    private final Lockstep lockstep;
    private final List<Topic> topics;
    private final List<JointClasses> joint;
    private final Diagrams d;
    private final Weights w;
    private final BigInteger[] counts;

    private Tally(Lockstep lockstep, List<Topic> topics, List<JointClasses> joint) {
        this.lockstep = lockstep;
        this.topics = topics;
        this.joint = joint;
        this.d = lockstep.diagrams();
        this.w = new Weights(d, Figures.MOST_WEIGHT_NODES);
        this.counts = new BigInteger[FIRST_TOPIC + topics.size()];
        Arrays.fill(counts, BigInteger.ZERO);
        count();
    }

    /**
     * @param topics what to count
     * @throws Diagrams.BudgetSpent where it would take too many nodes
     */
    static Tally of(Common common, Space one, Space other, Collection<Topic> topics) {
        List<JointClasses> joint = JointClasses.all(one);
        List<JointClasses> otherKnots = JointClasses.all(other);
        List<JointClasses> all = new ArrayList<>(joint);
        all.addAll(otherKnots);
        return new Tally(new Lockstep(common, one, other, joint, otherKnots), List.copyOf(topics), all);
    }

    BigInteger all() {
        return counts[ALL];
    }

    BigInteger differing() {
        return counts[ANY];
    }

    BigInteger of(Topic topic) {
        int at = topics.indexOf(topic);
        return counts[FIRST_TOPIC + at];
    }

    private void count() {
        Map<Position, int[]> weights = new LinkedHashMap<>();
        int[] begin = new int[counts.length];
        begin[ALL] = w.within(w.constant(BigInteger.ONE), lockstep.start());
        weights.put(Lockstep.atStart(), begin);
        Position at = null;
        for (Move move : lockstep.moves()) {
            if (at != null && !at.equals(move.from())) {
                weights.remove(at);
                tidy(weights);
            }
            at = move.from();
            int[] to = weights.computeIfAbsent(move.to(), s -> new int[counts.length]);
            int[] moved = moved(move, weights.get(at));
            for (int i = 0; i < to.length; i++) {
                to[i] = w.plus(to[i], moved[i]);
            }
        }
        weights.forEach((standing, weight) -> {
            if (lockstep.isOver(standing)) {
                over(standing, weight);
            }
        });
    }

    private int[] moved(Move move, int[] from) {
        int[] moved = new int[from.length];
        int any = Diagrams.NONE;
        for (int set : move.topics().values()) {
            any = d.or(any, set);
        }
        for (int i = 0; i < from.length; i++) {
            int met = i == ALL ? Diagrams.ALL : i == ANY ? any : move.topics().getOrDefault(topics.get(i - FIRST_TOPIC), Diagrams.NONE);
            int weight = w.plus(w.within(from[ALL], met), w.within(from[i], d.not(met)));
            moved[i] = gone(move, w.within(weight, move.set()));
        }
        return moved;
    }

    private int gone(Move move, int weight) {
        BitSet out = lockstep.alive(move.from());
        out.or(move.own());
        BitSet alive = lockstep.alive(move.to());
        out.andNot(alive);
        BitSet skipped = (BitSet) move.between().clone();
        skipped.and(alive);
        int left = JointClasses.summed(joint, d, w, weight, out, lockstep.unborn(move));
        return w.within(left, lockstep.untouched(skipped));
    }

    private void over(Position standing, int[] weight) {
        boolean refused = standing.second() == Lockstep.REFUSED;
        boolean otherwise = refused || !standing.firstOutcome().equals(standing.secondOutcome());
        BigInteger everybody = value(standing, weight[ALL]);
        counts[ALL] = counts[ALL].add(everybody);
        counts[ANY] = counts[ANY].add(otherwise ? everybody : value(standing, weight[ANY]));
        for (int t = 0; t < topics.size(); t++) {
            Topic topic = topics.get(t);
            // Of those who are refused nothing else is told.
            boolean told = refused == (topic.kind() == DifferenceKind.REFUSED_NOW);
            boolean all = topic.kind() == DifferenceKind.ENDS_OTHERWISE && !refused && topic.equals(lockstep.ending(standing));
            BigInteger some = all ? everybody : told ? value(standing, weight[FIRST_TOPIC + t]) : BigInteger.ZERO;
            counts[FIRST_TOPIC + t] = counts[FIRST_TOPIC + t].add(some);
        }
    }

    private BigInteger value(Position standing, int weight) {
        return w.value(JointClasses.summed(joint, d, w, weight, lockstep.alive(standing), new BitSet()));
    }

    /** Only what still comes somewhere is kept. */
    private void tidy(Map<Position, int[]> weights) {
        List<int[]> rows = new ArrayList<>(weights.values());
        int[] flat = rows.stream().flatMapToInt(Arrays::stream).toArray();
        int[] kept = w.keep(flat);
        int at = 0;
        for (int[] row : rows) {
            System.arraycopy(kept, at, row, 0, row.length);
            at += row.length;
        }
    }
}
