package orthogon.core.proof.diagram;

import orthogon.core.proof.message.Message;
import java.math.BigInteger;
import java.time.Duration;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
import java.util.concurrent.CancellationException;

/**
 * Ordered binary decision diagrams with complement edges (Bryant 1986; Brace, Rudell and Bryant 1990). A set is an int: node number
 * times two, plus one where it is complemented. The node's high edge is never complemented, so that equal sets are equal ints.
 * Nodes live as long as the table.
 */
public final class Diagrams {

    public static final int ALL = 0;
    public static final int NONE = 1;

    private static final int TERMINAL = Integer.MAX_VALUE;
    private static final int AND = -1;
    private static final int EXISTS = -2;
    private static final int DISJOINT = -3;

    private static final int STRIDE = 4;

    /** How many steps are taken between two looks at the clock. */
    private static final int LOOK = 1 << 14;

    private final Limits limits;
    private final Results results = new Results();
    private Watch watch;
    private int steps;
    private Duration allowed;
    private long until;
    /** Four numbers a node: level, low edge, high edge, next in its bucket. */
    private int[] nodes = new int[STRIDE << 12];
    private int[] bucket = new int[1 << 12];
    private int used = 1;
    /** The number of the walk on which a node was seen last. */
    private int[] seenAt = new int[0];
    private int seenNow;

    /** The stated number of nodes, or the stated time, is spent. */
    public static final class BudgetSpent extends RuntimeException {
        private final transient Message why;

        private BudgetSpent(Message why) {
            super(why.toString(), null, false, false);
            this.why = why;
        }

        /** @param of what it would need more of, as its pattern is called */
        static BudgetSpent needing(long most, String of) {
            return new BudgetSpent(Message.of("spent." + of).text("most", String.valueOf(most)));
        }

        /** What cannot be worked out within any limits, with the reason. */
        public static BudgetSpent because(Message why) {
            return new BudgetSpent(why);
        }

        /** The reason, without a full stop. */
        public Message why() {
            return why;
        }
    }

    /** @param nodes most nodes, at 20 bytes each */
    public Diagrams(int nodes) {
        this(new Limits(nodes, Limits.USUAL.time()), Watch.NOBODY);
    }

    public Diagrams(Limits limits, Watch watch) {
        this.limits = limits;
        begin(watch);
        nodes[0] = TERMINAL;
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
        return nodes[f >> 1 << 2];
    }

    private int lowOf(int f) {
        return nodes[(f >> 1 << 2) + 1] ^ (f & 1);
    }

    private int highOf(int f) {
        return nodes[(f >> 1 << 2) + 2] ^ (f & 1);
    }

    private int node(int atLevel, int lo, int hi) {
        if ((++steps & LOOK - 1) == 0) {
            goOn();
        }
        if (lo == hi) {
            return lo;
        }
        int flip = hi & 1;
        return stored(atLevel, lo ^ flip, hi ^ flip) << 1 | flip;
    }

    private int stored(int atLevel, int lo, int hi) {
        int slot = Results.hash(atLevel, lo, hi) & bucket.length - 1;
        for (int n = bucket[slot]; n >= 0; n = nodes[(n << 2) + 3]) {
            int at = n << 2;
            if (nodes[at] == atLevel && nodes[at + 1] == lo && nodes[at + 2] == hi) {
                return n;
            }
        }
        if (used == bucket.length) {
            grow();
            slot = Results.hash(atLevel, lo, hi) & bucket.length - 1;
        }
        int at = used << 2;
        nodes[at] = atLevel;
        nodes[at + 1] = lo;
        nodes[at + 2] = hi;
        nodes[at + 3] = bucket[slot];
        bucket[slot] = used;
        return used++;
    }

    /** Begins a piece of work that has all the stated time, and that this watch may call off. */
    public void begin(Watch by) {
        begin(by, limits.time());
    }

    /** Begins a piece of work that has this much time, and that this watch may call off. */
    public void begin(Watch by, Duration time) {
        watch = by;
        allowed = time;
        until = System.nanoTime() + time.toNanos();
    }

    /**
     * Whether it may go on.
     *
     * @throws BudgetSpent where the time is over
     * @throws CancellationException where nobody waits any more
     */
    public void goOn() {
        watch.goOn();
        if (System.nanoTime() - until > 0) {
            throw BudgetSpent.needing(allowed.toSeconds(), "time");
        }
    }

    private void grow() {
        if (used >= limits.nodes()) {
            throw BudgetSpent.needing(limits.nodes(), "nodes");
        }
        // Copied beside what is there, which stays as it was where nobody waits for the end of it.
        int size = bucket.length * 2;
        int[] more = new int[size * STRIDE];
        goOn();
        int[] chains = new int[size];
        Arrays.fill(chains, -1);
        for (int n = 0; n < used; n++) {
            if ((n & LOOK - 1) == 0) {
                goOn();
                System.arraycopy(nodes, n << 2, more, n << 2, Math.min(LOOK, used - n) << 2);
            }
            if (n > 0) {
                int at = n << 2;
                int slot = Results.hash(more[at], more[at + 1], more[at + 2]) & size - 1;
                more[at + 3] = chains[slot];
                chains[slot] = n;
            }
        }
        goOn();
        results.grow(size);
        nodes = more;
        bucket = chains;
    }

    public int and(int f, int g) {
        int known = f <= NONE || g <= NONE || f >> 1 == g >> 1 ? conjunction(f, g) : results.kept(Math.min(f, g), Math.max(f, g), AND);
        if (known >= 0) {
            return known;
        }
        long before = results.steps();
        return results.keep(Math.min(f, g), Math.max(f, g), AND, conjunction(f, g), before);
    }

    private int conjunction(int f, int g) {
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
        int known = results.cached(f, g, AND);
        if (known >= 0) {
            return known;
        }
        int top = Math.min(levelOf(f), levelOf(g));
        int lo = conjunction(at(f, top, false), at(g, top, false));
        int hi = conjunction(at(f, top, true), at(g, top, true));
        return results.cache(f, g, AND, node(top, lo, hi));
    }

    private int disjunction(int f, int g) {
        return conjunction(f ^ 1, g ^ 1) ^ 1;
    }

    private int at(int f, int top, boolean one) {
        return levelOf(f) != top ? f : one ? highOf(f) : lowOf(f);
    }

    public int or(int f, int g) {
        return and(f ^ 1, g ^ 1) ^ 1;
    }

    /** States that are in any of the sets. */
    public int any(List<Integer> sets) {
        return sets.isEmpty() ? NONE : any(sets, 0, sets.size());
    }

    private int any(List<Integer> sets, int from, int to) {
        int middle = (from + to) >>> 1;
        return to - from == 1 ? sets.get(from) : or(any(sets, from, middle), any(sets, middle, to));
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
        int known = f <= NONE || g <= NONE || f >> 1 == g >> 1 ? -1 : results.kept(Math.min(f, g), Math.max(f, g), DISJOINT);
        if (known >= 0) {
            return known == 1;
        }
        long before = results.steps();
        boolean result = apart(f, g);
        results.keep(Math.min(f, g), Math.max(f, g), DISJOINT, result ? 1 : 0, before);
        return result;
    }

    private boolean apart(int f, int g) {
        if (f == NONE || g == NONE || f == (g ^ 1)) {
            return true;
        }
        if (f == ALL || g == ALL || f == g) {
            return false;
        }
        if (f > g) {
            int swap = f;
            f = g;
            g = swap;
        }
        int known = results.cached(f, g, DISJOINT);
        if (known >= 0) {
            return known == 1;
        }
        int top = Math.min(levelOf(f), levelOf(g));
        boolean result = apart(at(f, top, false), at(g, top, false)) && apart(at(f, top, true), at(g, top, true));
        results.cache(f, g, DISJOINT, result ? 1 : 0);
        return result;
    }

    /** The set with the bits of that cube forgotten. A cube is the conjunction of its bits. */
    public int exists(int f, int cube) {
        int known = f <= NONE || cube == ALL ? f : results.kept(f, cube, EXISTS);
        if (known >= 0) {
            return known;
        }
        long before = results.steps();
        return results.keep(f, cube, EXISTS, forgetting(f, cube), before);
    }

    private int forgetting(int f, int cube) {
        if (f <= NONE || cube == ALL) {
            return f;
        }
        while (cube != ALL && levelOf(cube) < levelOf(f)) {
            cube = highOf(cube);
        }
        if (cube == ALL) {
            return f;
        }
        int known = results.cached(f, cube, EXISTS);
        if (known >= 0) {
            return known;
        }
        int top = levelOf(f);
        int result;
        if (levelOf(cube) == top) {
            int lo = forgetting(lowOf(f), highOf(cube));
            result = lo == ALL ? ALL : disjunction(lo, forgetting(highOf(f), highOf(cube)));
        } else {
            result = node(top, forgetting(lowOf(f), cube), forgetting(highOf(f), cube));
        }
        return results.cache(f, cube, EXISTS, result);
    }

    public int forAll(int f, int cube) {
        return exists(f ^ 1, cube) ^ 1;
    }

    /** {@code exists(and(f, g), cube)} without building the conjunction. */
    public int andExists(int f, int g, int cube) {
        int known = f <= NONE || g <= NONE ? -1 : results.kept(Math.min(f, g), Math.max(f, g), cube);
        if (known >= 0) {
            return known;
        }
        long before = results.steps();
        return results.keep(Math.min(f, g), Math.max(f, g), cube, forgettingBoth(f, g, cube), before);
    }

    private int forgettingBoth(int f, int g, int cube) {
        if (f == NONE || g == NONE || f == (g ^ 1)) {
            return NONE;
        }
        if (f == ALL || f == g) {
            return forgetting(g, cube);
        }
        if (g == ALL) {
            return forgetting(f, cube);
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
            return conjunction(f, g);
        }
        int known = results.cached(f, g, cube);
        if (known >= 0) {
            return known;
        }
        int result;
        if (levelOf(cube) == top) {
            int lo = forgettingBoth(at(f, top, false), at(g, top, false), highOf(cube));
            result = lo == ALL ? ALL : disjunction(lo, forgettingBoth(at(f, top, true), at(g, top, true), highOf(cube)));
        } else {
            result = node(top, forgettingBoth(at(f, top, false), at(g, top, false), cube),
                    forgettingBoth(at(f, top, true), at(g, top, true), cube));
        }
        return results.cache(f, g, cube, result);
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
        if (seenAt.length < bucket.length) {
            seenAt = Arrays.copyOf(seenAt, bucket.length);
        }
        seenNow++;
        support(f >> 1, levels);
        return levels;
    }

    private void support(int n, BitSet levels) {
        if (n == 0 || seenAt[n] == seenNow) {
            return;
        }
        seenAt[n] = seenNow;
        levels.set(nodes[n << 2]);
        support(nodes[(n << 2) + 1] >> 1, levels);
        support(nodes[(n << 2) + 2] >> 1, levels);
    }

    /**
     * One state of the set, preferring zeros: a level absent from the result's {@code known} may be either.
     *
     * @throws IllegalArgumentException for the empty set
     */
    public DiagramState pick(int f) {
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
        return new DiagramState(known, ones);
    }

    /** Values of some bits. */
    public record DiagramState(BitSet known, BitSet ones) {}

    /** The set of all states that agree with the known bits. */
    public int of(DiagramState state) {
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
        return new Counting(this, bits).count(f);
    }

    /** For each of these bits, by level, in how many states of the set it is one. */
    public BigInteger[] countEach(int f, BitSet bits) {
        return new Counting(this, bits).ones(f);
    }

    /**
     * The levels that are one in each of some states of the set.
     *
     * @param numbers of the states among all, from 0, in the order in which zero comes before one
     */
    public List<BitSet> nth(int f, BitSet bits, List<BigInteger> numbers) {
        Counting counting = new Counting(this, bits);
        return numbers.stream().map(n -> counting.nth(f, n)).toList();
    }

    /** The least or most number of ones over these bits in any state of the set; -1 for the empty set. */
    public int ones(int f, BitSet bits, boolean most) {
        return f == NONE ? -1 : new Counting(this, bits).ones(f, most);
    }

    int low(int f) {
        return lowOf(f);
    }

    int high(int f) {
        return highOf(f);
    }
}
