package orthogon.core.proof.diagram;

import java.math.BigInteger;

/** A cost for each state; undefined in states in which there is nobody. */
public final class Costs extends Valued {

    public static final int NOBODY = NOTHING;

    /** @param budget most nodes and costs together, at 20 bytes each */
    public Costs(Diagrams sets, int budget) {
        super(sets, budget, BigInteger.ZERO);
    }

    @Override
    BigInteger common(BigInteger a, BigInteger b) {
        return a.min(b);
    }

    @Override
    BigInteger with(BigInteger number, BigInteger before) {
        return number.add(before);
    }

    @Override
    BigInteger without(BigInteger number, BigInteger before) {
        return number.compareTo(before) < 0 ? null : number.subtract(before);
    }

    @Override
    BigInteger ofNothing() {
        return BigInteger.valueOf(-1);
    }

    /** Both costs, for those who bear both. */
    public int plus(int a, int b) {
        return borne(a, b);
    }
}
