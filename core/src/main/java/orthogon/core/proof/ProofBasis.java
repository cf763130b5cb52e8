package orthogon.core.proof;

import java.util.List;
import java.util.Optional;
import orthogon.core.proof.claim.AllClaims;
import orthogon.core.proof.diagram.Diagrams;
import orthogon.core.proof.diagram.Limits;
import orthogon.core.proof.fault.Fault;
import orthogon.core.proof.space.Space;

/**
 * What a proof leaves to the next.
 *
 * @param nodes how many the diagrams had when all of it was new
 */
record ProofBasis(AllClaims claims, Limits limits, int nodes) {

    private static final int MOST_GROWTH = 3;

    /**
     * What a proof leaves; empty where it has faults or is not certain, so that the next must begin anew.
     *
     * @param before what it went on from; null where it began anew
     */
    static Optional<ProofBasis> of(AllClaims claims, List<Fault> faults, Limits limits, ProofBasis before) {
        Space space = claims.flow().space();
        return faults.isEmpty() && space.isCertain()
                ? Optional.of(new ProofBasis(claims, limits, before == null ? space.diagrams().nodes() : before.nodes()))
                : Optional.empty();
    }

    Space space() {
        return claims.flow().space();
    }

    Diagrams diagrams() {
        return space().diagrams();
    }

    /** Whether a proof within these limits may go on from it: too much of the diagrams may be of no use any more. */
    boolean leadsOn(Limits wanted) {
        return limits.equals(wanted) && diagrams().nodes() <= MOST_GROWTH * nodes + (1 << 16);
    }
}
