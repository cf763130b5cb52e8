package orthogon.core.proof.diagram;

import java.math.BigInteger;
import java.util.Arrays;
import java.util.BitSet;
import java.util.HashMap;
import java.util.Map;

/**
 * Ordered binary decision diagrams with complement edges (Bryant 1986; Brace, Rudell and Bryant 1990). A set is an int: node number
 * times two, plus one where it is complemented. The node's high edge is never complemented, so that equal sets are equal ints.
 * Nodes live as long as the table.
 */
public final class Diagrams {

    public static final int ALL = 0;
    public static final int NONE = 1;

    private static final int TERMINAL = Integer.MAX_VALUE;
    private static final int AND = 1;
    private static final int EXISTS = 2;
    private static final int AND_EXISTS = 3;
    private static final int CACHE_BITS = 17;

    private final int budget;
    private int[] level = new int[1 << 12];
    private int[] low = new int[1 << 12];
    private int[] high = new int[1 << 12];
    private int[] chain = new int[1 << 12];
    private int[] bucket = new int[1 << 12];
    private int used = 1;
    private final int[] cacheOp = new int[1 << CACHE_BITS];
    private final int[] cacheF = new int[1 << CACHE_BITS];
    private final int[] cacheG = new int[1 << CACHE_BITS];
    private final int[] cacheH = new int[1 << CACHE_BITS];
    private final int[] cacheResult = new int[1 << CACHE_BITS];

    /** The stated number of nodes is spent. */
    public static final class BudgetSpent extends RuntimeException {
        BudgetSpent(int nodes) {
            super("more than " + nodes + " diagram nodes would be needed", null, false, false);
        }
    }

    /** @param budget most nodes, at 16 bytes each */
    public Diagrams(int budget) {
        this.budget = budget;
        level[0] = TERMINAL;
        Arrays.fill(bucket, -1);
    }

    public int nodes() {
        return used;
    }

    /** The set of states in which the bit is one. */
    public int bit(int atLevel) {
        return node(atLevel, NONE, ALL);
    }

    public int not(int f) {
        return f ^ 1;
    }

    public int levelOf(int f) {
        return level[f >> 1];
    }

    private int lowOf(int f) {
        return low[f >> 1] ^ (f & 1);
    }

    private int highOf(int f) {
        return high[f >> 1] ^ (f & 1);
    }

    private int node(int atLevel, int lo, int hi) {
        if (lo == hi) {
            return lo;
        }
        int flip = hi & 1;
        return stored(atLevel, lo ^ flip, hi ^ flip) << 1 | flip;
    }

    private int stored(int atLevel, int lo, int hi) {
        int slot = hash(atLevel, lo, hi) & bucket.length - 1;
        for (int n = bucket[slot]; n >= 0; n = chain[n]) {
            if (level[n] == atLevel && low[n] == lo && high[n] == hi) {
                return n;
            }
        }
        if (used == level.length) {
            grow();
            slot = hash(atLevel, lo, hi) & bucket.length - 1;
        }
        level[used] = atLevel;
        low[used] = lo;
        high[used] = hi;
        chain[used] = bucket[slot];
        bucket[slot] = used;
        return used++;
    }

    private void grow() {
        if (used >= budget) {
            throw new BudgetSpent(budget);
        }
        int size = level.length * 2;
        level = Arrays.copyOf(level, size);
        low = Arrays.copyOf(low, size);
        high = Arrays.copyOf(high, size);
        chain = new int[size];
        bucket = new int[size];
        Arrays.fill(bucket, -1);
        for (int n = 1; n < used; n++) {
            int slot = hash(level[n], low[n], high[n]) & size - 1;
            chain[n] = bucket[slot];
            bucket[slot] = n;
        }
    }

    private static int hash(int a, int b, int c) {
        int h = a * 0x9E3779B1 + b * 0x85EBCA6B + c * 0xC2B2AE35;
        return h ^ h >>> 15;
    }

    private int cached(int op, int f, int g, int h) {
        int slot = hash(f + op, g, h) & (1 << CACHE_BITS) - 1;
        return cacheOp[slot] == op && cacheF[slot] == f && cacheG[slot] == g && cacheH[slot] == h ? cacheResult[slot] : -1;
    }

    private int cache(int op, int f, int g, int h, int result) {
        int slot = hash(f + op, g, h) & (1 << CACHE_BITS) - 1;
        cacheOp[slot] = op;
        cacheF[slot] = f;
        cacheG[slot] = g;
        cacheH[slot] = h;
        cacheResult[slot] = result;
        return result;
    }

    public int and(int f, int g) {
        if (f == NONE || g == NONE || f == (g ^ 1)) {
            return NONE;
        }
        if (f == ALL || f == g) {
            return g;
        }
        if (g == ALL) {
            return f;
        }
        if (f > g) {
            int swap = f;
            f = g;
            g = swap;
        }
        int known = cached(AND, f, g, 0);
        if (known >= 0) {
            return known;
        }
        int top = Math.min(levelOf(f), levelOf(g));
        int lo = and(at(f, top, false), at(g, top, false));
        int hi = and(at(f, top, true), at(g, top, true));
        return cache(AND, f, g, 0, node(top, lo, hi));
    }

    private int at(int f, int top, boolean one) {
        return levelOf(f) != top ? f : one ? highOf(f) : lowOf(f);
    }

    public int or(int f, int g) {
        return and(f ^ 1, g ^ 1) ^ 1;
    }

    /** States of f that are not in g. */
    public int minus(int f, int g) {
        return and(f, g ^ 1);
    }

    public int implies(int f, int g) {
        return and(f, g ^ 1) ^ 1;
    }

    /** Where both hold or neither does. */
    public int same(int f, int g) {
        return or(and(f, g), and(f ^ 1, g ^ 1));
    }

    /** Whether no state is in both; builds no node. */
    public boolean disjoint(int f, int g) {
        return disjoint(f, g, new HashMap<>());
    }

    private boolean disjoint(int f, int g, Map<Long, Boolean> seen) {
        if (f == NONE || g == NONE || f == (g ^ 1)) {
            return true;
        }
        if (f == ALL || g == ALL || f == g) {
            return false;
        }
        long key = (long) Math.min(f, g) << 32 | Math.max(f, g);
        if (seen.containsKey(key)) {
            return true;
        }
        int top = Math.min(levelOf(f), levelOf(g));
        if (!disjoint(at(f, top, false), at(g, top, false), seen) || !disjoint(at(f, top, true), at(g, top, true), seen)) {
            return false;
        }
        seen.put(key, true);
        return true;
    }

    /** The set with the bits of that cube forgotten. A cube is the conjunction of its bits. */
    public int exists(int f, int cube) {
        if (f <= NONE || cube == ALL) {
            return f;
        }
        while (cube != ALL && levelOf(cube) < levelOf(f)) {
            cube = highOf(cube);
        }
        if (cube == ALL) {
            return f;
        }
        int known = cached(EXISTS, f, cube, 0);
        if (known >= 0) {
            return known;
        }
        int top = levelOf(f);
        int result;
        if (levelOf(cube) == top) {
            int lo = exists(lowOf(f), highOf(cube));
            result = lo == ALL ? ALL : or(lo, exists(highOf(f), highOf(cube)));
        } else {
            result = node(top, exists(lowOf(f), cube), exists(highOf(f), cube));
        }
        return cache(EXISTS, f, cube, 0, result);
    }

    public int forAll(int f, int cube) {
        return exists(f ^ 1, cube) ^ 1;
    }

    /** {@code exists(and(f, g), cube)} without building the conjunction. */
    public int andExists(int f, int g, int cube) {
        if (f == NONE || g == NONE || f == (g ^ 1)) {
            return NONE;
        }
        if (f == ALL || f == g) {
            return exists(g, cube);
        }
        if (g == ALL) {
            return exists(f, cube);
        }
        if (f > g) {
            int swap = f;
            f = g;
            g = swap;
        }
        int top = Math.min(levelOf(f), levelOf(g));
        while (cube != ALL && levelOf(cube) < top) {
            cube = highOf(cube);
        }
        if (cube == ALL) {
            return and(f, g);
        }
        int known = cached(AND_EXISTS, f, g, cube);
        if (known >= 0) {
            return known;
        }
        int result;
        if (levelOf(cube) == top) {
            int lo = andExists(at(f, top, false), at(g, top, false), highOf(cube));
            result = lo == ALL ? ALL : or(lo, andExists(at(f, top, true), at(g, top, true), highOf(cube)));
        } else {
            result = node(top, andExists(at(f, top, false), at(g, top, false), cube), andExists(at(f, top, true), at(g, top, true), cube));
        }
        return cache(AND_EXISTS, f, g, cube, result);
    }

    /** The conjunction of the bits. */
    public int cube(BitSet bits) {
        int cube = ALL;
        for (int l = bits.length() - 1; l >= 0; l = l == 0 ? -1 : bits.previousSetBit(l - 1)) {
            if (bits.get(l)) {
                cube = node(l, NONE, cube);
            }
        }
        return cube;
    }

    /** The levels the set depends on. */
    public BitSet support(int f) {
        BitSet levels = new BitSet();
        support(f >> 1, new BitSet(), levels);
        return levels;
    }

    private void support(int n, BitSet seen, BitSet levels) {
        if (n == 0 || seen.get(n)) {
            return;
        }
        seen.set(n);
        levels.set(level[n]);
        support(low[n] >> 1, seen, levels);
        support(high[n] >> 1, seen, levels);
    }

    /**
     * One state of the set, preferring zeros: a level absent from the result's {@code known} may be either.
     *
     * @throws IllegalArgumentException for the empty set
     */
    public State pick(int f) {
        if (f == NONE) {
            throw new IllegalArgumentException("the empty set has no state");
        }
        BitSet known = new BitSet();
        BitSet ones = new BitSet();
        while (f != ALL) {
            known.set(levelOf(f));
            if (lowOf(f) != NONE) {
                f = lowOf(f);
            } else {
                ones.set(levelOf(f));
                f = highOf(f);
            }
        }
        return new State(known, ones);
    }

    /** Values of some bits. */
    public record State(BitSet known, BitSet ones) {}

    /** The set of all states that agree with the known bits. */
    public int of(State state) {
        int f = ALL;
        for (int l = state.known().length() - 1; l >= 0; l--) {
            if (state.known().get(l)) {
                f = state.ones().get(l) ? node(l, NONE, f) : node(l, f, NONE);
            }
        }
        return f;
    }

    /** How many states over exactly these bits are in the set, which must depend on no others. */
    public BigInteger count(int f, BitSet bits) {
        int[] position = new int[Math.max(bits.length(), 1)];
        int n = 0;
        for (int l = bits.nextSetBit(0); l >= 0; l = bits.nextSetBit(l + 1)) {
            position[l] = n++;
        }
        return count(f, position, n, new HashMap<>()).shiftLeft(place(f, position, n));
    }

    private int place(int f, int[] position, int n) {
        return f <= NONE ? n : position[levelOf(f)];
    }

    private BigInteger count(int f, int[] position, int n, Map<Integer, BigInteger> known) {
        if (f <= NONE) {
            return f == ALL ? BigInteger.ONE : BigInteger.ZERO;
        }
        BigInteger count = known.get(f);
        if (count == null) {
            int here = place(f, position, n);
            count = BigInteger.ZERO;
            for (int next : new int[]{lowOf(f), highOf(f)}) {
                count = count.add(count(next, position, n, known).shiftLeft(place(next, position, n) - here - 1));
            }
            known.put(f, count);
        }
        return count;
    }

    /** The least or most number of ones over these bits in any state of the set; -1 for the empty set. */
    public int ones(int f, BitSet bits, boolean most) {
        return f == NONE ? -1 : ones(f, bits, most, 0, new HashMap<>());
    }

    private int ones(int f, BitSet bits, boolean most, int from, Map<Integer, Integer> known) {
        int here = f == ALL ? bits.length() : levelOf(f);
        int free = most ? bits.get(Math.min(from, here), Math.max(from, here)).cardinality() : 0;
        if (f == ALL) {
            return free;
        }
        Integer below = known.get(f);
        if (below == null) {
            int lo = lowOf(f) == NONE ? -1 : ones(lowOf(f), bits, most, here + 1, known);
            int hi = highOf(f) == NONE ? -1 : ones(highOf(f), bits, most, here + 1, known) + (bits.get(here) ? 1 : 0);
            below = lo < 0 ? hi : hi < 0 ? lo : most ? Math.max(lo, hi) : Math.min(lo, hi);
            known.put(f, below);
        }
        return free + below;
    }

    int low(int f) {
        return lowOf(f);
    }

    int high(int f) {
        return highOf(f);
    }
}
