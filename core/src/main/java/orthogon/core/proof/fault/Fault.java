package orthogon.core.proof.fault;

import orthogon.core.proof.message.Message;

/**
 * Something unsound in the document.
 *
 * @param kind the claim that it refutes
 * @param place the expression or item
 * @param because what is wrong and what to do
 */
public record Fault(SoundClaim kind, String place, Message because) {

    /** The reason that it gives for whatever rests on it. */
    public Unknown unknown() {
        return new Unknown.Unsound(kind, place);
    }

    /** The sound claims, by the names of the proof report. */
    public enum SoundClaim {
        CODE_UNIQUE("code-unique"), REFERENCE_EXISTS("reference-exists"), TYPE_FITS("type-fits"), LOOKS_AHEAD(
                "looks-ahead"), DEPENDS_ON_ITSELF("depends-on-itself");

        private final String claim;

        SoundClaim(String claim) {
            this.claim = claim;
        }

        public String claim() {
            return claim;
        }
    }
}
