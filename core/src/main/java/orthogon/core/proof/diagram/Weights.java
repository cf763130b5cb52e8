package orthogon.core.proof.diagram;

import java.math.BigInteger;
import java.util.BitSet;

/**
 * How many histories lead to each state, in unlimited whole numbers. Bits that no later rule mentions are summed out, which counts
 * without ever holding all answers at once.
 */
public final class Weights extends Valued {

    public static final int ZERO = NOTHING;

    /** @param budget most nodes and weights together, at 20 bytes each */
    public Weights(Diagrams sets, int budget) {
        super(sets, budget, BigInteger.ONE);
    }

    @Override
    BigInteger common(BigInteger a, BigInteger b) {
        return a.gcd(b);
    }

    @Override
    BigInteger with(BigInteger number, BigInteger before) {
        return number.multiply(before);
    }

    @Override
    BigInteger without(BigInteger number, BigInteger before) {
        BigInteger[] parts = number.divideAndRemainder(before);
        return parts[1].signum() == 0 ? parts[0] : null;
    }

    @Override
    BigInteger ofNothing() {
        return BigInteger.ZERO;
    }

    public int plus(int a, int b) {
        return added(a, b);
    }

    /** Adds up over every value of these bits. */
    public int sumOut(int weight, BitSet bits) {
        return summedOver(weight, bits);
    }
}
