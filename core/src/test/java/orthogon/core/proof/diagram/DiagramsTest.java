package orthogon.core.proof.diagram;

import orthogon.core.proof.message.Message;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.math.BigInteger;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
import java.util.Random;
import java.util.concurrent.CancellationException;
import org.junit.jupiter.api.Test;

/** Sets over ten bits, each beside the list of all its 1024 states. */
class DiagramsTest {

    private static final int BITS = 10;
    private static final int STATES = 1 << BITS;

    private final Diagrams d = new Diagrams(1 << 20);
    private final Random random = new Random(5);
    private final List<Integer> sets = new ArrayList<>();
    private final List<BitSet> states = new ArrayList<>();

    private static boolean isOne(int state, int level) {
        return (state >> level & 1) == 1;
    }

    private static BitSet where(java.util.function.IntPredicate holds) {
        BitSet set = new BitSet();
        for (int s = 0; s < STATES; s++) {
            set.set(s, holds.test(s));
        }
        return set;
    }

    /** The states of a set, read off by asking whether each is in it. */
    private BitSet read(int set) {
        return where(s -> {
            BitSet all = new BitSet();
            all.set(0, BITS);
            return !d.disjoint(set, d.of(new Diagrams.DiagramState(all, BitSet.valueOf(new long[]{s}))));
        });
    }

    private void add(int set, BitSet expected) {
        sets.add(set);
        states.add(expected);
    }

    private BitSet levels() {
        return BitSet.valueOf(new long[]{random.nextInt(STATES)});
    }

    private static BitSet forgetting(BitSet set, BitSet levels) {
        int mask = (int) (levels.isEmpty() ? 0 : levels.toLongArray()[0]);
        BitSet kept = new BitSet();
        set.stream().forEach(s -> kept.set(s & ~mask));
        return where(s -> kept.get(s & ~mask));
    }

    private static BitSet both(BitSet a, BitSet b) {
        BitSet both = (BitSet) a.clone();
        both.and(b);
        return both;
    }

    private static BitSet not(BitSet a) {
        return where(s -> !a.get(s));
    }

    private void draw(int operations) {
        for (int l = 0; l < BITS; l++) {
            int level = l;
            add(d.bit(l), where(s -> isOne(s, level)));
        }
        for (int i = 0; i < operations; i++) {
            int a = random.nextInt(sets.size());
            int b = random.nextInt(sets.size());
            int f = sets.get(a);
            int g = sets.get(b);
            BitSet x = states.get(a);
            BitSet y = states.get(b);
            BitSet bits = levels();
            int cube = d.cube(bits);
            switch (random.nextInt(8)) {
                case 0 -> add(d.and(f, g), both(x, y));
                case 1 -> add(d.or(f, g), not(both(not(x), not(y))));
                case 2 -> add(d.minus(f, g), both(x, not(y)));
                case 3 -> add(d.implies(f, g), not(both(x, not(y))));
                case 4 -> add(d.same(f, g), where(s -> x.get(s) == y.get(s)));
                case 5 -> add(d.exists(f, cube), forgetting(x, bits));
                case 6 -> add(d.forAll(f, cube), not(forgetting(not(x), bits)));
                default -> add(d.andExists(f, g, cube), forgetting(both(x, y), bits));
            }
        }
    }

    @Test
    void operationsDoWhatTheySayStateByState() {
        draw(3_000);
        for (int i = 0; i < sets.size(); i += 7) {
            assertEquals(states.get(i), read(sets.get(i)), "set " + i);
        }
        for (int i = 0; i < 2_000; i++) {
            int a = random.nextInt(sets.size());
            int b = random.nextInt(sets.size());
            assertEquals(!states.get(a).intersects(states.get(b)), d.disjoint(sets.get(a), sets.get(b)));
            // Equal sets are equal numbers.
            assertEquals(states.get(a).equals(states.get(b)), sets.get(a).equals(sets.get(b)));
        }
    }

    @Test
    void whatWasWorkedOutIsTheSameWhenItIsAskedAgain() {
        draw(400);
        int many = Diagrams.ALL;
        BitSet expected = where(s -> true);
        for (int round = 0; round < 3; round++) {
            for (int i = 0; i + 1 < sets.size(); i++) {
                int again = d.andExists(sets.get(i), sets.get(i + 1), d.cube(BitSet.valueOf(new long[]{0b1010})));
                assertEquals(again, d.exists(d.and(sets.get(i), sets.get(i + 1)), d.cube(BitSet.valueOf(new long[]{0b1010}))));
                assertEquals(sets.get(i), d.not(d.not(sets.get(i))));
            }
        }
        for (int i = 0; i < sets.size(); i += 50) {
            many = d.and(many, d.or(sets.get(i), sets.get(0)));
            BitSet either = not(both(not(states.get(i)), not(states.get(0))));
            expected = both(expected, either);
        }
        assertEquals(expected, read(many));
    }

    @Test
    void countsSupportAndPicks() {
        draw(600);
        BitSet all = new BitSet();
        all.set(0, BITS);
        for (int i = 0; i < sets.size(); i += 5) {
            int set = sets.get(i);
            BitSet x = states.get(i);
            assertEquals(BigInteger.valueOf(x.cardinality()), d.count(set, all));
            BigInteger[] ones = d.countEach(set, all);
            for (int l = 0; l < BITS; l++) {
                int level = l;
                assertEquals(BigInteger.valueOf(x.stream().filter(s -> isOne(s, level)).count()), ones[l]);
                boolean matters = x.stream().anyMatch(s -> !x.get(s ^ 1 << level));
                assertEquals(matters, d.support(set).get(l));
            }
            if (x.isEmpty()) {
                assertThrows(IllegalArgumentException.class, () -> d.pick(set));
                assertEquals(-1, d.ones(set, all, true));
                continue;
            }
            assertEquals(x.stream().map(Integer::bitCount).min().getAsInt(), d.ones(set, all, false));
            assertEquals(x.stream().map(Integer::bitCount).max().getAsInt(), d.ones(set, all, true));
            assertEquals(Diagrams.NONE, d.minus(d.of(d.pick(set)), set));
            List<Integer> inOrder = new ArrayList<>(x.stream().boxed().toList());
            inOrder.sort(java.util.Comparator.comparingInt(s -> Integer.reverse(s) >>> 1));
            int n = random.nextInt(inOrder.size());
            int expected = inOrder.get(n);
            BitSet nth = d.nth(set, all, List.of(BigInteger.valueOf(n))).getFirst();
            assertEquals(expected, nth.isEmpty() ? 0 : (int) nth.toLongArray()[0]);
        }
        assertEquals(Diagrams.NONE, d.any(List.of()));
        assertEquals(d.or(sets.get(20), d.or(sets.get(30), sets.get(40))), d.any(List.of(sets.get(20), sets.get(30), sets.get(40))));
    }

    @Test
    void limitsEndItAndSoDoesWhoeverCallsItOff() {
        Diagrams small = new Diagrams(new Limits(1 << 12, Duration.ofSeconds(60)), Watch.NOBODY);
        Diagrams.BudgetSpent spent = assertThrows(Diagrams.BudgetSpent.class, () -> grow(small));
        assertEquals(Message.of("spent.nodes").text("most", "4096"), spent.why());
        Diagrams late = new Diagrams(new Limits(1 << 20, Duration.ofNanos(1)), Watch.NOBODY);
        assertEquals(Message.of("spent.time").text("most", "0"), assertThrows(Diagrams.BudgetSpent.class, () -> grow(late)).why());
        Diagrams calledOff = new Diagrams(Limits.USUAL, new Watch() {
            @Override
            public boolean isCalledOff() {
                return true;
            }
        });
        assertThrows(CancellationException.class, () -> grow(calledOff));
        assertEquals(1 << 22, Limits.of(160, Duration.ofSeconds(1)).nodes());
        assertEquals(1 << 12, Limits.of(0, Duration.ofSeconds(1)).nodes());
        assertThrows(IllegalArgumentException.class, () -> new Limits(1 << 11, Duration.ofSeconds(1)));
        assertThrows(IllegalArgumentException.class, () -> new Limits(1 << 12, Duration.ZERO));
    }

    /** As many nodes as it takes: pairs far apart, which no order of bits keeps small. */
    private static void grow(Diagrams d) {
        int set = Diagrams.ALL;
        for (int i = 0; i < 18; i++) {
            set = d.and(set, d.same(d.bit(i), d.bit(i + 18)));
        }
        assertTrue(d.nodes() > 1 << 17);
    }

    @Test
    void weightsAddUpStateByState() {
        draw(200);
        Weights w = new Weights(d, 1 << 20);
        List<Integer> weights = new ArrayList<>();
        List<long[]> tables = new ArrayList<>();
        for (int i = 0; i < 600; i++) {
            int a = weights.isEmpty() ? -1 : random.nextInt(weights.size());
            int b = weights.isEmpty() ? -1 : random.nextInt(weights.size());
            int set = random.nextInt(sets.size());
            BitSet bits = levels();
            int mask = (int) (bits.isEmpty() ? 0 : bits.toLongArray()[0]);
            int kind = a < 0 ? 0 : random.nextInt(6);
            long[] table = new long[STATES];
            int weight;
            if (kind == 0) {
                int value = random.nextInt(5);
                weight = w.within(w.constant(BigInteger.valueOf(value)), sets.get(set));
                states.get(set).stream().forEach(s -> table[s] = value);
            } else if (kind == 1) {
                weight = w.plus(weights.get(a), weights.get(b));
                Arrays.setAll(table, s -> tables.get(a)[s] + tables.get(b)[s]);
            } else if (kind == 2) {
                weight = w.larger(weights.get(a), weights.get(b));
                Arrays.setAll(table, s -> Math.max(tables.get(a)[s], tables.get(b)[s]));
            } else if (kind == 3) {
                weight = w.within(weights.get(a), sets.get(set));
                Arrays.setAll(table, s -> states.get(set).get(s) ? tables.get(a)[s] : 0);
            } else {
                boolean most = kind == 4;
                weight = most ? w.mostOver(weights.get(a), bits) : w.sumOut(weights.get(a), bits);
                Arrays.setAll(table, s -> {
                    long total = 0;
                    for (int t = 0; t < STATES; t++) {
                        if ((t & ~mask) == (s & ~mask)) {
                            total = most ? Math.max(total, tables.get(a)[t]) : total + tables.get(a)[t];
                        }
                    }
                    return total;
                });
            }
            if (Arrays.stream(table).max().getAsLong() < 1L << 40) {
                weights.add(weight);
                tables.add(table);
            }
        }
        int[] kept = w.keep(weights.stream().mapToInt(Integer::intValue).toArray());
        BitSet all = new BitSet();
        all.set(0, BITS);
        for (int i = 0; i < kept.length; i += 3) {
            long[] table = tables.get(i);
            assertEquals(BigInteger.valueOf(Arrays.stream(table).sum()), w.value(w.sumOut(kept[i], all)), "weight " + i);
            long most = Arrays.stream(table).max().getAsLong();
            assertEquals(BigInteger.valueOf(most), w.most(kept[i]));
            assertEquals(where(s -> table[s] == most), read(w.where(kept[i], BigInteger.valueOf(most))));
        }
        int depends = w.within(w.constant(BigInteger.TWO), d.bit(4));
        assertTrue(assertThrows(IllegalArgumentException.class, () -> w.value(depends)).getMessage().contains("bit 4"));
        Weights few = new Weights(d, 1 << 6);
        assertThrows(Diagrams.BudgetSpent.class, () -> {
            int sum = Weights.ZERO;
            for (int i = 0; i < sets.size(); i++) {
                sum = few.plus(sum, few.within(few.constant(BigInteger.ONE.shiftLeft(i)), sets.get(i)));
            }
        });
    }

    @Test
    void costsAreBorneStateByState() {
        draw(200);
        Costs c = new Costs(d, 1 << 20);
        List<Integer> costs = new ArrayList<>();
        // Less than nothing stands for nobody.
        List<long[]> tables = new ArrayList<>();
        for (int i = 0; i < 600; i++) {
            int a = costs.isEmpty() ? -1 : random.nextInt(costs.size());
            int b = costs.isEmpty() ? -1 : random.nextInt(costs.size());
            int set = random.nextInt(sets.size());
            BitSet bits = levels();
            int mask = (int) (bits.isEmpty() ? 0 : bits.toLongArray()[0]);
            long[] table = new long[STATES];
            int cost;
            switch (a < 0 ? 0 : random.nextInt(5) * random.nextInt(2)) {
                case 0 -> {
                    int value = random.nextInt(5);
                    int elsewhere = random.nextInt(4) == 0 ? -1 : random.nextInt(3);
                    cost = c.larger(c.within(c.constant(BigInteger.valueOf(value)), sets.get(set)),
                            c.within(c.constant(BigInteger.valueOf(elsewhere)), d.not(sets.get(set))));
                    Arrays.setAll(table, s -> states.get(set).get(s) ? value : elsewhere);
                }
                case 1 -> {
                    cost = c.plus(costs.get(a), costs.get(b));
                    Arrays.setAll(table,
                            s -> Math.min(tables.get(a)[s], tables.get(b)[s]) < 0 ? -1 : tables.get(a)[s] + tables.get(b)[s]);
                }
                case 2 -> {
                    cost = c.larger(costs.get(a), costs.get(b));
                    Arrays.setAll(table, s -> Math.max(tables.get(a)[s], tables.get(b)[s]));
                }
                case 3 -> {
                    cost = c.within(costs.get(a), sets.get(set));
                    Arrays.setAll(table, s -> states.get(set).get(s) ? tables.get(a)[s] : -1);
                }
                default -> {
                    cost = c.mostOver(costs.get(a), bits);
                    Arrays.setAll(table, s -> {
                        long most = -1;
                        for (int t = 0; t < STATES; t++) {
                            most = (t & ~mask) == (s & ~mask) ? Math.max(most, tables.get(a)[t]) : most;
                        }
                        return most;
                    });
                }
            }
            if (Arrays.stream(table).max().getAsLong() < 1L << 40) {
                costs.add(cost);
                tables.add(table);
            }
        }
        int[] kept = c.keep(costs.stream().mapToInt(Integer::intValue).toArray());
        int told = 0;
        for (int i = 0; i < kept.length; i++) {
            long[] table = tables.get(i);
            long most = Arrays.stream(table).max().getAsLong();
            assertEquals(most < 0, kept[i] == Costs.NOBODY, "cost " + i);
            assertEquals(BigInteger.valueOf(most), c.most(kept[i]), "cost " + i);
            for (long value : new long[]{most, most - 1, 2, -1}) {
                assertEquals(where(s -> table[s] == value), read(c.where(kept[i], BigInteger.valueOf(value))), "cost " + i);
            }
            told += most > 4 ? 1 : 0;
        }
        assertTrue(told > 40, told + " sums of costs");
    }

    @Test
    void whatHasNothingToDoWithOneAnotherTakesLittleRoom() {
        int bits = 300;
        Weights w = new Weights(d, 1 << 12);
        int all = w.constant(BigInteger.ONE);
        BigInteger product = BigInteger.ONE;
        BitSet every = new BitSet();
        for (int b = 0; b < bits; b++) {
            // A history branches into b + 2 where the bit is one.
            int one = w.sumOut(w.within(all, d.bit(b)), new BitSet());
            int many = Weights.ZERO;
            for (int k = 0; k < b + 2; k++) {
                many = w.plus(many, one);
            }
            all = w.plus(w.within(all, d.not(d.bit(b))), many);
            product = product.multiply(BigInteger.valueOf(b + 3));
            every.set(b);
            all = w.keep(new int[]{all})[0];
        }
        assertEquals(product, w.value(w.sumOut(all, every)));
    }
}
