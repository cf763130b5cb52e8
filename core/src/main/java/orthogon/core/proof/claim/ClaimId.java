package orthogon.core.proof.claim;

import orthogon.core.proof.fault.Fault;

/**
 * What tells a claim from every other of its proof.
 *
 * @param place as the proof report writes it
 */
public record ClaimId(ClaimKind kind, String place) {

    /** The claim that a fault refutes. */
    static ClaimId of(Fault.SoundClaim fault, String place) {
        return new ClaimId(ClaimKind.of(fault.claim()).orElseThrow(), place);
    }

    /** The text of the proof report, as {@code reach-page visit}. */
    public String text() {
        return kind.id(place);
    }

    @Override
    public String toString() {
        return text();
    }
}
