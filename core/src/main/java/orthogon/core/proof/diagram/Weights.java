package orthogon.core.proof.diagram;

import java.math.BigInteger;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * Diagrams whose leaves are unlimited whole numbers (algebraic decision diagrams; Bahar and others 1993): how many histories lead to
 * each state. Bits that no later rule mentions are summed out, which counts without ever holding all answers at once.
 */
public final class Weights {

    private record Node(int level, int low, int high) {}

    private static final int LEAF = Integer.MAX_VALUE;
    public static final int ZERO = 0;

    private final Diagrams sets;
    private final int budget;
    private final List<Node> nodes = new ArrayList<>();
    private final List<BigInteger> values = new ArrayList<>();
    private final Map<Node, Integer> unique = new HashMap<>();
    private final Map<BigInteger, Integer> leaves = new HashMap<>();

    /** @param budget most nodes, leaves among them */
    public Weights(Diagrams sets, int budget) {
        this.sets = sets;
        this.budget = budget;
        constant(BigInteger.ZERO);
    }

    public int constant(BigInteger value) {
        return leaves.computeIfAbsent(value, v -> {
            nodes.add(new Node(LEAF, -1, -1));
            values.add(v);
            return nodes.size() - 1;
        });
    }

    private int node(int level, int low, int high) {
        if (low == high) {
            return low;
        }
        return unique.computeIfAbsent(new Node(level, low, high), n -> {
            if (nodes.size() >= budget) {
                throw new Diagrams.BudgetSpent(budget + " weight nodes");
            }
            if ((nodes.size() & 0xFFF) == 0) {
                sets.look();
            }
            nodes.add(n);
            values.add(null);
            return nodes.size() - 1;
        });
    }

    /** The value of a weight that depends on no bit. */
    public BigInteger value(int weight) {
        if (values.get(weight) == null) {
            throw new IllegalArgumentException("the weight still depends on bit " + nodes.get(weight).level());
        }
        return values.get(weight);
    }

    public int plus(int a, int b) {
        return plus(a, b, false, new HashMap<>());
    }

    /** The sum, or the larger of the two. */
    private int plus(int a, int b, boolean larger, Map<Long, Integer> known) {
        if (a == ZERO || b == ZERO) {
            return a == ZERO ? b : a;
        }
        if (larger && a == b) {
            return a;
        }
        Node na = nodes.get(a);
        Node nb = nodes.get(b);
        if (na.level == LEAF && nb.level == LEAF) {
            return constant(larger ? values.get(a).max(values.get(b)) : values.get(a).add(values.get(b)));
        }
        long key = (long) Math.min(a, b) << 32 | Math.max(a, b);
        Integer done = known.get(key);
        if (done == null) {
            int top = Math.min(na.level, nb.level);
            done = node(top, plus(na.level == top ? na.low : a, nb.level == top ? nb.low : b, larger, known),
                    plus(na.level == top ? na.high : a, nb.level == top ? nb.high : b, larger, known));
            known.put(key, done);
        }
        return done;
    }

    /** The weight within the set, zero elsewhere. */
    public int within(int weight, int set) {
        return within(weight, set, new HashMap<>());
    }

    private int within(int w, int set, Map<Long, Integer> known) {
        if (set == Diagrams.NONE || w == ZERO) {
            return ZERO;
        }
        if (set == Diagrams.ALL) {
            return w;
        }
        long key = (long) w << 32 | set;
        Integer done = known.get(key);
        if (done == null) {
            Node n = nodes.get(w);
            int top = Math.min(n.level, sets.levelOf(set));
            boolean split = sets.levelOf(set) == top;
            done = node(top, within(n.level == top ? n.low : w, split ? sets.low(set) : set, known),
                    within(n.level == top ? n.high : w, split ? sets.high(set) : set, known));
            known.put(key, done);
        }
        return done;
    }

    /** The largest weight over every value of these bits. */
    public int mostOver(int weight, BitSet bits) {
        return mostOver(weight, bits, new HashMap<>());
    }

    private int mostOver(int w, BitSet bits, Map<Integer, Integer> known) {
        Node n = nodes.get(w);
        if (n.level == LEAF) {
            return w;
        }
        Integer done = known.get(w);
        if (done == null) {
            int lo = mostOver(n.low, bits, known);
            int hi = mostOver(n.high, bits, known);
            done = bits.get(n.level) ? plus(lo, hi, true, new HashMap<>()) : node(n.level, lo, hi);
            known.put(w, done);
        }
        return done;
    }

    /** Adds up over every value of these bits. */
    public int sumOut(int weight, BitSet bits) {
        return sumOut(weight, bits, 0, new HashMap<>());
    }

    private int sumOut(int w, BitSet bits, int from, Map<Long, Integer> known) {
        Node n = nodes.get(w);
        int to = n.level == LEAF ? bits.length() : n.level;
        int skipped = to > from ? bits.get(from, to).cardinality() : 0;
        int here;
        if (n.level == LEAF) {
            here = w;
        } else {
            Integer done = known.get((long) w);
            if (done == null) {
                int lo = sumOut(n.low, bits, n.level + 1, known);
                int hi = sumOut(n.high, bits, n.level + 1, known);
                done = bits.get(n.level) ? plus(lo, hi) : node(n.level, lo, hi);
                known.put((long) w, done);
            }
            here = done;
        }
        return skipped == 0 ? here : doubled(here, skipped, new HashMap<>());
    }

    private int doubled(int w, int times, Map<Integer, Integer> known) {
        Node n = nodes.get(w);
        if (n.level == LEAF) {
            return constant(values.get(w).shiftLeft(times));
        }
        Integer done = known.get(w);
        if (done == null) {
            done = node(n.level, doubled(n.low, times, known), doubled(n.high, times, known));
            known.put(w, done);
        }
        return done;
    }
}
