package orthogon.core.proof.diagram;

import java.math.BigInteger;
import java.util.Arrays;
import java.util.BitSet;
import java.util.HashMap;
import java.util.Map;
import java.util.TreeSet;

/** Counts states of sets over chosen bits, in unlimited whole numbers. A set must depend on no other bits. */
final class Counting {

    private final Diagrams d;
    private final BitSet bits;
    private final int[] levels;
    private final int[] position;
    private final Map<Integer, BigInteger> below = new HashMap<>();

    Counting(Diagrams d, BitSet bits) {
        this.d = d;
        this.bits = bits;
        this.levels = bits.stream().toArray();
        this.position = new int[Math.max(bits.length(), 1)];
        for (int i = 0; i < levels.length; i++) {
            position[levels[i]] = i;
        }
    }

    private int place(int f) {
        return f <= Diagrams.NONE ? levels.length : position[d.levelOf(f)];
    }

    BigInteger count(int f) {
        return below(f).shiftLeft(place(f));
    }

    /** States over the bits from the set's own first bit on. */
    private BigInteger below(int f) {
        if (f <= Diagrams.NONE) {
            return f == Diagrams.ALL ? BigInteger.ONE : BigInteger.ZERO;
        }
        BigInteger count = below.get(f);
        if (count == null) {
            count = arm(f, d.low(f)).add(arm(f, d.high(f)));
            below.put(f, count);
        }
        return count;
    }

    private BigInteger arm(int f, int next) {
        return below(next).shiftLeft(place(next) - place(f) - 1);
    }

    BitSet nth(int f, BigInteger number) {
        BitSet ones = new BitSet();
        BigInteger left = number;
        int at = 0;
        while (at < levels.length) {
            if (place(f) > at) {
                // The bit is free: half of the states have it zero.
                BigInteger half = below(f).shiftLeft(place(f) - at - 1);
                if (left.compareTo(half) >= 0) {
                    left = left.subtract(half);
                    ones.set(levels[at]);
                }
            } else {
                BigInteger zero = arm(f, d.low(f));
                if (left.compareTo(zero) < 0) {
                    f = d.low(f);
                } else {
                    left = left.subtract(zero);
                    ones.set(levels[at]);
                    f = d.high(f);
                }
            }
            at++;
        }
        return ones;
    }

    /** The least or most ones in any state of a set that is not empty; other bits than these count for nothing. */
    int ones(int f, boolean most) {
        return ones(f, most, 0, new HashMap<>());
    }

    private int ones(int f, boolean most, int from, Map<Integer, Integer> known) {
        int here = f == Diagrams.ALL ? bits.length() : d.levelOf(f);
        int free = most ? bits.get(Math.min(from, here), Math.max(from, here)).cardinality() : 0;
        if (f == Diagrams.ALL) {
            return free;
        }
        Integer below = known.get(f);
        if (below == null) {
            int lo = d.low(f) == Diagrams.NONE ? -1 : ones(d.low(f), most, here + 1, known);
            int hi = d.high(f) == Diagrams.NONE ? -1 : ones(d.high(f), most, here + 1, known) + (bits.get(here) ? 1 : 0);
            below = lo < 0 ? hi : hi < 0 ? lo : most ? Math.max(lo, hi) : Math.min(lo, hi);
            known.put(f, below);
        }
        return free + below;
    }

    /** By level, the states of the set in which that bit is one. */
    BigInteger[] ones(int f) {
        BigInteger[] ones = new BigInteger[position.length];
        Arrays.fill(ones, BigInteger.ZERO);
        BigInteger[] freeFrom = new BigInteger[levels.length + 1];
        Arrays.fill(freeFrom, BigInteger.ZERO);
        BigInteger[] freeTo = freeFrom.clone();
        Map<Integer, BigInteger> above = new HashMap<>();
        above.put(f, BigInteger.ONE);
        free(0, place(f), count(f), freeFrom, freeTo);
        TreeSet<Integer> todo = new TreeSet<>(
                (a, b) -> place(a) != place(b) ? Integer.compare(place(a), place(b)) : Integer.compare(a, b));
        if (f > Diagrams.NONE) {
            todo.add(f);
            above.put(f, BigInteger.ONE.shiftLeft(place(f)));
        }
        while (!todo.isEmpty()) {
            int n = todo.pollFirst();
            BigInteger ways = above.get(n);
            for (int next : new int[]{d.low(n), d.high(n)}) {
                BigInteger through = ways.multiply(arm(n, next));
                if (next == d.high(n)) {
                    ones[levels[place(n)]] = ones[levels[place(n)]].add(through);
                }
                free(place(n) + 1, place(next), through, freeFrom, freeTo);
                if (next > Diagrams.NONE) {
                    above.merge(next, ways.shiftLeft(place(next) - place(n) - 1), BigInteger::add);
                    todo.add(next);
                }
            }
        }
        BigInteger free = BigInteger.ZERO;
        for (int i = 0; i < levels.length; i++) {
            free = free.add(freeFrom[i]).subtract(freeTo[i]);
            ones[levels[i]] = ones[levels[i]].add(free.shiftRight(1));
        }
        return ones;
    }

    /** Notes so many states in which the bits from one position to before another are free. */
    private static void free(int from, int to, BigInteger states, BigInteger[] freeFrom, BigInteger[] freeTo) {
        if (from < to) {
            freeFrom[from] = freeFrom[from].add(states);
            freeTo[to] = freeTo[to].add(states);
        }
    }
}
