package orthogon.core.interview;

/**
 * Why a page is not passed: one answer, what is wrong, and what the respondent can do.
 *
 * @param slot where the answer is kept, see {@link Slots}
 */
public record Problem(String slot, ProblemKind kind, String message) {

    /** What refuses the answer. */
    public enum ProblemKind {
        REQUIRED, UNREADABLE, LIMIT, OPTION, ACCEPT
    }
}
