package orthogon.core.proof.fault;

/**
 * Something unsound in the document.
 *
 * @param kind the claim that it refutes
 * @param place the expression or item
 * @param because what is wrong and what to do
 */
public record Fault(Kind kind, String place, String because) {

    /** The claim that it refutes, as claims are identified. */
    public String claim() {
        return kind.claim + " " + place;
    }

    /** Whether a reason why something is not known is such a claim. */
    public static boolean isClaim(String why) {
        return why.matches("[a-z-]+ \\S+");
    }

    /** Such a reason in words; any other as it is. */
    public static String told(String why) {
        return isClaim(why) ? why.substring(why.indexOf(' ') + 1) + " has a fault; fix that first" : why;
    }

    /** The sound claims, by the names of the proof report. */
    public enum Kind {
        CODE_UNIQUE("code-unique"), REFERENCE_EXISTS("reference-exists"), TYPE_FITS("type-fits"), LOOKS_AHEAD(
                "looks-ahead"), DEPENDS_ON_ITSELF("depends-on-itself");

        private final String claim;

        Kind(String claim) {
            this.claim = claim;
        }

        public String claim() {
            return claim;
        }
    }
}
