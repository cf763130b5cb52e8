package orthogon.core.proof.diagram;

import java.math.BigInteger;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * Diagrams whose leaves are unlimited whole numbers (algebraic decision diagrams; Bahar and others 1993): how many histories lead to
 * each state. Bits that no later rule mentions are summed out, which counts without ever holding all answers at once.
 */
public final class Weights {

    public static final int ZERO = 0;

    private static final int LEAF = Integer.MAX_VALUE;
    private static final int STRIDE = 4;
    private static final BitSet EVERY_BIT = new BitSet();

    static {
        // More than any document has.
        EVERY_BIT.set(0, 1 << 20);
    }

    private static final int MOST_CACHED = 1 << 20;
    /** Operations, as they stand in the cache; below zero, so that they are mixed up with no weight and no set. */
    private static final int PLUS = -1;
    private static final int LARGER = -2;

    private final Diagrams sets;
    private final int budget;
    /** Four numbers a node: level, low, high, next in its bucket; of a leaf, the low is the place of its value. */
    private int[] nodes = new int[STRIDE << 12];
    private int[] bucket = new int[1 << 12];
    private int used;
    private List<BigInteger> values = new ArrayList<>();
    private Map<BigInteger, Integer> leaves = new HashMap<>();
    /** Four numbers a result: two operands, the operation, and what came of it. */
    private int[] cache = new int[STRIDE << 12];
    /** A number for each walk that sums or shifts, so that results of one are not taken for those of another. */
    private int walk = -3;

    /** @param budget most nodes, leaves among them, at 20 bytes each */
    public Weights(Diagrams sets, int budget) {
        this.sets = sets;
        this.budget = budget;
        Arrays.fill(bucket, -1);
        constant(BigInteger.ZERO);
    }

    public int constant(BigInteger value) {
        Integer known = leaves.get(value);
        if (known == null) {
            values.add(value);
            known = make(LEAF, values.size() - 1, -1);
            leaves.put(value, known);
        }
        return known;
    }

    private int node(int level, int low, int high) {
        if (low == high) {
            return low;
        }
        for (int n = bucket[Results.hash(level, low, high) & bucket.length - 1]; n >= 0; n = nodes[(n << 2) + 3]) {
            int at = n << 2;
            if (nodes[at] == level && nodes[at + 1] == low && nodes[at + 2] == high) {
                return n;
            }
        }
        return make(level, low, high);
    }

    private int make(int level, int low, int high) {
        if (used == bucket.length) {
            grow();
        }
        if ((used & 0xFFF) == 0) {
            sets.look();
        }
        int at = used << 2;
        int slot = Results.hash(level, low, high) & bucket.length - 1;
        nodes[at] = level;
        nodes[at + 1] = low;
        nodes[at + 2] = high;
        nodes[at + 3] = bucket[slot];
        bucket[slot] = used;
        return used++;
    }

    private void grow() {
        if (used >= budget) {
            throw new Diagrams.BudgetSpent(budget + " weight nodes");
        }
        int size = bucket.length * 2;
        cache = size <= MOST_CACHED ? new int[size * STRIDE] : cache;
        nodes = Arrays.copyOf(nodes, size * STRIDE);
        bucket = new int[size];
        Arrays.fill(bucket, -1);
        for (int n = 0; n < used; n++) {
            int at = n << 2;
            int slot = Results.hash(nodes[at], nodes[at + 1], nodes[at + 2]) & size - 1;
            nodes[at + 3] = bucket[slot];
            bucket[slot] = n;
        }
    }

    /** Forgets every weight but these, which get new numbers, in the same order. Does nothing while there is room. */
    public int[] keep(int[] weights) {
        if (used < bucket.length / 2) {
            return weights;
        }
        int[] old = nodes;
        List<BigInteger> oldValues = values;
        int[] moved = new int[used];
        Arrays.fill(moved, -1);
        nodes = new int[STRIDE << 12];
        bucket = new int[1 << 12];
        Arrays.fill(bucket, -1);
        cache = new int[STRIDE << 12];
        used = 0;
        values = new ArrayList<>();
        leaves = new HashMap<>();
        constant(BigInteger.ZERO);
        int[] kept = new int[weights.length];
        for (int i = 0; i < weights.length; i++) {
            kept[i] = move(weights[i], old, oldValues, moved);
        }
        return kept;
    }

    private int move(int w, int[] old, List<BigInteger> oldValues, int[] moved) {
        if (moved[w] < 0) {
            int at = w << 2;
            moved[w] = old[at] == LEAF
                    ? constant(oldValues.get(old[at + 1]))
                    : node(old[at], move(old[at + 1], old, oldValues, moved), move(old[at + 2], old, oldValues, moved));
        }
        return moved[w];
    }

    private int cached(int a, int b, int op) {
        int at = (Results.hash(a, b, op) & (cache.length >> 2) - 1) << 2;
        return cache[at] == a && cache[at + 1] == b && cache[at + 2] == op ? cache[at + 3] : -1;
    }

    private int cache(int a, int b, int op, int result) {
        int at = (Results.hash(a, b, op) & (cache.length >> 2) - 1) << 2;
        cache[at] = a;
        cache[at + 1] = b;
        cache[at + 2] = op;
        cache[at + 3] = result;
        return result;
    }

    private int levelOf(int w) {
        return nodes[w << 2];
    }

    private int lowOf(int w) {
        return nodes[(w << 2) + 1];
    }

    private int highOf(int w) {
        return nodes[(w << 2) + 2];
    }

    /** The value of a weight that depends on no bit. */
    public BigInteger value(int weight) {
        if (levelOf(weight) != LEAF) {
            throw new IllegalArgumentException("the weight still depends on bit " + levelOf(weight));
        }
        return values.get(lowOf(weight));
    }

    public int plus(int a, int b) {
        return together(a, b, PLUS);
    }

    /** The larger of the two, state by state. */
    public int larger(int a, int b) {
        return together(a, b, LARGER);
    }

    /** The largest value that the weight has anywhere. */
    public BigInteger most(int weight) {
        return value(mostOver(weight, EVERY_BIT));
    }

    /** The states in which the weight has this value. */
    public int where(int weight, BigInteger value) {
        return where(weight, value, new HashMap<>());
    }

    private int where(int w, BigInteger value, Map<Integer, Integer> known) {
        if (levelOf(w) == LEAF) {
            return value(w).equals(value) ? Diagrams.ALL : Diagrams.NONE;
        }
        Integer done = known.get(w);
        if (done == null) {
            int bit = sets.bit(levelOf(w));
            int hi = sets.and(bit, where(highOf(w), value, known));
            done = sets.or(hi, sets.minus(where(lowOf(w), value, known), bit));
            known.put(w, done);
        }
        return done;
    }

    /** The sum, or the larger of the two. */
    private int together(int a, int b, int op) {
        if (a == ZERO || b == ZERO) {
            return a == ZERO ? b : a;
        }
        if (op == LARGER && a == b) {
            return a;
        }
        int level = levelOf(a);
        int other = levelOf(b);
        if (level == LEAF && other == LEAF) {
            return constant(op == LARGER ? value(a).max(value(b)) : value(a).add(value(b)));
        }
        int first = Math.min(a, b);
        int second = Math.max(a, b);
        int known = cached(first, second, op);
        if (known >= 0) {
            return known;
        }
        int top = Math.min(level, other);
        int lo = together(level == top ? lowOf(a) : a, other == top ? lowOf(b) : b, op);
        int hi = together(level == top ? highOf(a) : a, other == top ? highOf(b) : b, op);
        return cache(first, second, op, node(top, lo, hi));
    }

    /** The weight within the set, zero elsewhere. */
    public int within(int weight, int set) {
        walk--;
        return within(weight, set, walk);
    }

    private int within(int w, int set, int op) {
        if (set == Diagrams.NONE || w == ZERO) {
            return ZERO;
        }
        if (set == Diagrams.ALL) {
            return w;
        }
        int known = cached(w, set, op);
        if (known >= 0) {
            return known;
        }
        int level = levelOf(w);
        int top = Math.min(level, sets.levelOf(set));
        boolean split = sets.levelOf(set) == top;
        int lo = within(level == top ? lowOf(w) : w, split ? sets.low(set) : set, op);
        int hi = within(level == top ? highOf(w) : w, split ? sets.high(set) : set, op);
        return cache(w, set, op, node(top, lo, hi));
    }

    /** The largest weight over every value of these bits. */
    public int mostOver(int weight, BitSet bits) {
        walk--;
        return mostOver(weight, bits, walk);
    }

    private int mostOver(int w, BitSet bits, int op) {
        if (levelOf(w) >= bits.length()) {
            return w;
        }
        int known = cached(w, 0, op);
        if (known >= 0) {
            return known;
        }
        int lo = mostOver(lowOf(w), bits, op);
        int hi = mostOver(highOf(w), bits, op);
        int level = levelOf(w);
        return cache(w, 0, op, bits.get(level) ? together(lo, hi, LARGER) : node(level, lo, hi));
    }

    /** Adds up over every value of these bits. */
    public int sumOut(int weight, BitSet bits) {
        walk--;
        return sumOut(weight, bits, 0, walk);
    }

    private int sumOut(int w, BitSet bits, int from, int op) {
        int level = levelOf(w);
        int to = Math.min(level, bits.length());
        int skipped = to > from ? bits.get(from, to).cardinality() : 0;
        int here = w;
        if (level < bits.length()) {
            here = cached(w, 0, op);
            if (here < 0) {
                int lo = sumOut(lowOf(w), bits, level + 1, op);
                int hi = sumOut(highOf(w), bits, level + 1, op);
                here = cache(w, 0, op, bits.get(level) ? plus(lo, hi) : node(level, lo, hi));
            }
        }
        return skipped == 0 ? here : doubled(here, skipped, op);
    }

    private int doubled(int w, int times, int op) {
        if (w == ZERO) {
            return ZERO;
        }
        if (levelOf(w) == LEAF) {
            return constant(value(w).shiftLeft(times));
        }
        int known = cached(w, times, op);
        if (known < 0) {
            known = cache(w, times, op, node(levelOf(w), doubled(lowOf(w), times, op), doubled(highOf(w), times, op)));
        }
        return known;
    }
}
