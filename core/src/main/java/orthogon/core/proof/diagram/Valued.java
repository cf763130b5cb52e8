package orthogon.core.proof.diagram;

import java.math.BigInteger;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * Whole numbers for states, none below zero, as diagrams. What both arms of a node have in common stands before the node (edge-valued
 * decision diagrams; Lai and Sastry 1992, with factors Tafertshofer and Pedram 1997), so that conditions that have nothing to do with
 * one another take the sum of what each takes, not the product. What stands before a node goes with all below it: histories are
 * multiplied, costs added.
 */
abstract sealed class Valued permits Weights, Costs {

    /** The diagram that has no state. */
    static final int NOTHING = 0;

    /** Level of the only leaf. */
    private static final int LEAF = Integer.MAX_VALUE;
    private static final int STRIDE = 4;
    private static final BitSet EVERY_BIT = new BitSet();

    static {
        // More than any document has.
        EVERY_BIT.set(0, 1 << 20);
    }

    private static final int MOST_CACHED = 1 << 20;
    /** How many steps with numbers of any length are taken between two looks at the clock. */
    private static final int LOOK = 1 << 8;
    /** Operations, as they stand in the cache; below zero, so that they are mixed up with no value and no set. */
    static final int SUM = -1;
    private static final int LARGER = -2;
    private static final int COMMON = -3;
    private static final int JOINED = -4;
    private static final int WITHOUT = -5;
    /** Place of the number that changes nothing before a node. */
    private static final int NEUTRAL = 1;

    private final Diagrams sets;
    private final int budget;
    private final BigInteger neutral;
    /** Four numbers a node: level, the values of its arms, next in its bucket. */
    private int[] nodes;
    /** Four numbers a value: the place of what stands before its node, the node, next in its bucket, nothing. */
    private int[] values;
    private int[] nodeBucket;
    private int[] valueBucket;
    private int usedNodes;
    private int steps;
    private int usedValues;
    private List<BigInteger> numbers;
    private Map<BigInteger, Integer> places;
    /** Four numbers a result: two operands, the operation, and what came of it. */
    private int[] cache;
    /** A number for each walk that restricts or sums, so that results of one are not taken for those of another. */
    private int walk = WITHOUT;

    /**
     * @param budget most nodes and values together, at 20 bytes each
     * @param neutral what changes nothing before a node
     */
    Valued(Diagrams sets, int budget, BigInteger neutral) {
        this.sets = sets;
        this.budget = budget;
        this.neutral = neutral;
        clear();
    }

    /** The greatest factor, or the greatest summand, of two numbers. */
    abstract BigInteger common(BigInteger a, BigInteger b);

    /** A number, with what stood before it. */
    abstract BigInteger with(BigInteger number, BigInteger before);

    /** The number with a factor or a summand taken out; null where it has no such part. */
    abstract BigInteger without(BigInteger number, BigInteger before);

    /** The value of no state. */
    abstract BigInteger ofNothing();

    private void clear() {
        nodes = new int[STRIDE << 10];
        values = new int[STRIDE << 12];
        nodeBucket = new int[1 << 10];
        valueBucket = new int[1 << 12];
        Arrays.fill(nodeBucket, -1);
        Arrays.fill(valueBucket, -1);
        cache = new int[STRIDE << 12];
        numbers = new ArrayList<>();
        places = new HashMap<>();
        numbers.add(null);
        numbers.add(neutral);
        places.put(neutral, NEUTRAL);
        nodes[0] = LEAF;
        usedNodes = 1;
        usedValues = 1;
    }

    /** The same number in every state. */
    public int constant(BigInteger number) {
        return number.equals(ofNothing()) ? NOTHING : value(place(number), 0);
    }

    private int place(BigInteger number) {
        Integer known = places.get(number);
        if (known == null) {
            known = numbers.size();
            numbers.add(number);
            places.put(number, known);
        }
        return known;
    }

    private int value(int before, int node) {
        for (int v = valueBucket[Results.hash(before, node, 0) & valueBucket.length - 1]; v >= 0; v = values[(v << 2) + 2]) {
            if (values[v << 2] == before && values[(v << 2) + 1] == node) {
                return v;
            }
        }
        if (usedValues == valueBucket.length) {
            room();
            values = Arrays.copyOf(values, 2 * values.length);
            valueBucket = new int[2 * valueBucket.length];
            Arrays.fill(valueBucket, -1);
            for (int v = 1; v < usedValues; v++) {
                chainValue(v);
            }
            cache = valueBucket.length <= MOST_CACHED ? new int[values.length] : cache;
        }
        values[usedValues << 2] = before;
        values[(usedValues << 2) + 1] = node;
        chainValue(usedValues);
        return usedValues++;
    }

    private void chainValue(int v) {
        int slot = Results.hash(values[v << 2], values[(v << 2) + 1], 0) & valueBucket.length - 1;
        values[(v << 2) + 2] = valueBucket[slot];
        valueBucket[slot] = v;
    }

    private int node(int level, int low, int high) {
        if (low == high) {
            return low;
        }
        int common = common(before(low), before(high));
        int lo = without(low, common);
        int hi = without(high, common);
        for (int n = nodeBucket[Results.hash(level, lo, hi) & nodeBucket.length - 1]; n >= 0; n = nodes[(n << 2) + 3]) {
            int at = n << 2;
            if (nodes[at] == level && nodes[at + 1] == lo && nodes[at + 2] == hi) {
                return value(common, n);
            }
        }
        return value(common, make(level, lo, hi));
    }

    private int make(int level, int low, int high) {
        if (usedNodes == nodeBucket.length) {
            room();
            nodes = Arrays.copyOf(nodes, 2 * nodes.length);
            nodeBucket = new int[2 * nodeBucket.length];
            Arrays.fill(nodeBucket, -1);
            for (int n = 1; n < usedNodes; n++) {
                chainNode(n);
            }
        }
        int at = usedNodes << 2;
        nodes[at] = level;
        nodes[at + 1] = low;
        nodes[at + 2] = high;
        chainNode(usedNodes);
        return usedNodes++;
    }

    private void chainNode(int n) {
        int at = n << 2;
        int slot = Results.hash(nodes[at], nodes[at + 1], nodes[at + 2]) & nodeBucket.length - 1;
        nodes[at + 3] = nodeBucket[slot];
        nodeBucket[slot] = n;
    }

    private void room() {
        if (usedNodes + usedValues >= budget) {
            throw Diagrams.BudgetSpent.needing(budget, "weights");
        }
    }

    /** Forgets everything but these, which get new numbers, in the same order. Does nothing while there is room. */
    public int[] keep(int[] wanted) {
        if (usedValues < valueBucket.length / 2) {
            return wanted;
        }
        int[] oldNodes = nodes;
        int[] oldValues = values;
        List<BigInteger> oldNumbers = numbers;
        int[] moved = new int[usedNodes];
        Arrays.fill(moved, -1);
        clear();
        moved[0] = value(NEUTRAL, 0);
        int[] kept = new int[wanted.length];
        for (int i = 0; i < wanted.length; i++) {
            kept[i] = move(wanted[i], oldNodes, oldValues, oldNumbers, moved);
        }
        return kept;
    }

    private int move(int v, int[] oldNodes, int[] oldValues, List<BigInteger> oldNumbers, int[] moved) {
        if (v == NOTHING) {
            return NOTHING;
        }
        int n = oldValues[(v << 2) + 1];
        if (moved[n] < 0) {
            int at = n << 2;
            moved[n] = node(oldNodes[at], move(oldNodes[at + 1], oldNodes, oldValues, oldNumbers, moved),
                    move(oldNodes[at + 2], oldNodes, oldValues, oldNumbers, moved));
        }
        return with(moved[n], place(oldNumbers.get(oldValues[v << 2])));
    }

    private int cached(int a, int b, int op) {
        int at = (Results.hash(a, b, op) & (cache.length >> 2) - 1) << 2;
        return cache[at] == a && cache[at + 1] == b && cache[at + 2] == op ? cache[at + 3] : -1;
    }

    private int cache(int a, int b, int op, int result) {
        if ((++steps & LOOK - 1) == 0) {
            sets.goOn();
        }
        int at = (Results.hash(a, b, op) & (cache.length >> 2) - 1) << 2;
        cache[at] = a;
        cache[at + 1] = b;
        cache[at + 2] = op;
        cache[at + 3] = result;
        return result;
    }

    private int before(int v) {
        return values[v << 2];
    }

    private int nodeOf(int v) {
        return values[(v << 2) + 1];
    }

    private int levelOf(int node) {
        return nodes[node << 2];
    }

    /** An arm, or the value itself where its node does not go by that level. */
    private int arm(int v, int level, boolean high) {
        int at = nodeOf(v) << 2;
        return v == NOTHING || nodes[at] != level ? v : with(nodes[at + (high ? 2 : 1)], before(v));
    }

    /** The common part of two numbers, by their indexes; the other one where one of them is 0. */
    private int common(int a, int b) {
        if (a == 0 || b == 0 || a == b) {
            return Math.max(a, b);
        }
        if (a == NEUTRAL || b == NEUTRAL) {
            return NEUTRAL;
        }
        int first = Math.min(a, b);
        int second = Math.max(a, b);
        int known = cached(first, second, COMMON);
        return known >= 0 ? known : cache(first, second, COMMON, place(common(numbers.get(a), numbers.get(b))));
    }

    private int with(int v, int before) {
        if (v == NOTHING || before == NEUTRAL) {
            return v;
        }
        int own = before(v);
        if (own == NEUTRAL) {
            return value(before, nodeOf(v));
        }
        int first = Math.min(own, before);
        int second = Math.max(own, before);
        int known = cached(first, second, JOINED);
        int both = known >= 0 ? known : cache(first, second, JOINED, place(with(numbers.get(own), numbers.get(before))));
        return value(both, nodeOf(v));
    }

    private int without(int v, int before) {
        if (v == NOTHING || before == NEUTRAL) {
            return v;
        }
        int own = before(v);
        if (own == before) {
            return value(NEUTRAL, nodeOf(v));
        }
        int known = cached(own, before, WITHOUT);
        int left = known >= 0 ? known : cache(own, before, WITHOUT, place(without(numbers.get(own), numbers.get(before))));
        return value(left, nodeOf(v));
    }

    /**
     * The number that is the same in every state.
     *
     * @throws IllegalArgumentException where it is not
     */
    public BigInteger value(int of) {
        if (of != NOTHING && nodeOf(of) != 0) {
            throw new IllegalArgumentException("the weight still depends on bit " + levelOf(nodeOf(of)));
        }
        return of == NOTHING ? ofNothing() : numbers.get(before(of));
    }

    /** The larger of the two, state by state. */
    public int larger(int a, int b) {
        return joined(a, b, LARGER);
    }

    /** The largest number that it has anywhere. */
    public BigInteger most(int of) {
        return value(mostOver(of, EVERY_BIT));
    }

    private record Asked(int node, BigInteger number) {}

    /** The states that have this number. */
    public int where(int of, BigInteger number) {
        return where(of, number, new HashMap<>());
    }

    private int where(int v, BigInteger number, Map<Asked, Integer> known) {
        if (v == NOTHING) {
            return number.equals(ofNothing()) ? Diagrams.ALL : Diagrams.NONE;
        }
        BigInteger left = number.equals(ofNothing()) ? number : without(number, numbers.get(before(v)));
        int n = nodeOf(v);
        if (left == null || n == 0) {
            return neutral.equals(left) ? Diagrams.ALL : Diagrams.NONE;
        }
        Asked asked = new Asked(n, left);
        Integer done = known.get(asked);
        if (done == null) {
            int bit = sets.bit(levelOf(n));
            int hi = sets.and(bit, where(nodes[(n << 2) + 2], left, known));
            done = sets.or(hi, sets.minus(where(nodes[(n << 2) + 1], left, known), bit));
            known.put(asked, done);
        }
        return done;
    }

    /**
     * Two values state by state, of which nothing and another are that other. What both have in common is taken out first, so that much
     * is worked out once only.
     */
    private int joined(int a, int b, int op) {
        if (a == NOTHING || b == NOTHING) {
            return a == NOTHING ? b : a;
        }
        if (nodeOf(a) == nodeOf(b)) {
            BigInteger one = numbers.get(before(a));
            BigInteger other = numbers.get(before(b));
            return value(place(op == LARGER ? one.max(other) : one.add(other)), nodeOf(a));
        }
        int common = common(before(a), before(b));
        int one = without(a, common);
        int other = without(b, common);
        int first = Math.min(one, other);
        int second = Math.max(one, other);
        int both = cached(first, second, op);
        if (both < 0) {
            int top = Math.min(levelOf(nodeOf(one)), levelOf(nodeOf(other)));
            int lo = joined(arm(one, top, false), arm(other, top, false), op);
            int hi = joined(arm(one, top, true), arm(other, top, true), op);
            both = cache(first, second, op, node(top, lo, hi));
        }
        return with(both, common);
    }

    /** Pointwise sum, for values whose edges multiply. */
    final int added(int a, int b) {
        return joined(a, b, SUM);
    }

    /** Pointwise sum, for values whose edges add; undefined where either operand is. */
    final int borne(int a, int b) {
        if (a == NOTHING || b == NOTHING) {
            return NOTHING;
        }
        int n = Math.min(nodeOf(a), nodeOf(b));
        int m = Math.max(nodeOf(a), nodeOf(b));
        int both = n == 0 ? value(NEUTRAL, m) : cached(n, m, SUM);
        if (both < 0) {
            int one = value(NEUTRAL, n);
            int other = value(NEUTRAL, m);
            int top = Math.min(levelOf(n), levelOf(m));
            int lo = borne(arm(one, top, false), arm(other, top, false));
            int hi = borne(arm(one, top, true), arm(other, top, true));
            both = cache(n, m, SUM, node(top, lo, hi));
        }
        return with(with(both, before(a)), before(b));
    }

    /** The same in states of the set, nothing elsewhere. */
    public int within(int of, int set) {
        walk--;
        return within(of, set, walk);
    }

    private int within(int v, int set, int op) {
        if (set == Diagrams.NONE || v == NOTHING) {
            return NOTHING;
        }
        if (set == Diagrams.ALL) {
            return v;
        }
        int n = nodeOf(v);
        int known = cached(n, set, op);
        if (known < 0) {
            int level = levelOf(n);
            int top = Math.min(level, sets.levelOf(set));
            boolean split = sets.levelOf(set) == top;
            int here = value(NEUTRAL, n);
            int lo = within(level == top ? nodes[(n << 2) + 1] : here, split ? sets.low(set) : set, op);
            int hi = within(level == top ? nodes[(n << 2) + 2] : here, split ? sets.high(set) : set, op);
            known = cache(n, set, op, node(top, lo, hi));
        }
        return with(known, before(v));
    }

    /** The largest over every value of these bits. */
    public int mostOver(int of, BitSet bits) {
        walk--;
        return over(of, bits, 0, LARGER, walk);
    }

    /** Adds up over every value of these bits. */
    final int summedOver(int of, BitSet bits) {
        walk--;
        return over(of, bits, 0, SUM, walk);
    }

    /** @param from level from which on nothing was summed yet */
    private int over(int v, BitSet bits, int from, int join, int op) {
        if (v == NOTHING) {
            return NOTHING;
        }
        int n = nodeOf(v);
        int level = levelOf(n);
        int both = value(NEUTRAL, n);
        if (level < bits.length()) {
            both = cached(n, 0, op);
            if (both < 0) {
                int lo = over(nodes[(n << 2) + 1], bits, level + 1, join, op);
                int hi = over(nodes[(n << 2) + 2], bits, level + 1, join, op);
                both = cache(n, 0, op, bits.get(level) ? joined(lo, hi, join) : node(level, lo, hi));
            }
        }
        int to = Math.min(level, bits.length());
        int skipped = join == SUM && to > from ? bits.get(from, to).cardinality() : 0;
        return with(both, skipped == 0 ? before(v) : place(numbers.get(before(v)).shiftLeft(skipped)));
    }
}
