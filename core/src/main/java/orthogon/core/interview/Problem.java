package orthogon.core.interview;

/** Why a page is not passed: one question, what is wrong, and what the respondent can do. */
public record Problem(String question, Kind kind, String message) {

    /** What refuses the answer. */
    public enum Kind {
        REQUIRED, UNREADABLE, LIMIT, OPTION, ACCEPT
    }
}
