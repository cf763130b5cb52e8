package orthogon.core.expression;

/**
 * Why an expression cannot be used.
 *
 * @param message what is wrong and what to do, for the analyst
 * @param from start of the faulty part in the text, from 0
 * @param to end of it, exclusive
 * @param nearest the right name that comes nearest, or empty
 */
public record ExpressionFault(FaultKind kind, String message, int from, int to, String nearest) {

    /** What kind of fault. */
    public enum FaultKind {
        /** The text is no expression. */
        SYNTAX,
        /** A name, function or option does not exist. */
        NAME,
        /** A value of another type is needed. */
        TYPE
    }

    /** The message with its place, counted from 1 as people do. */
    public String withPlace() {
        return "at character " + (from + 1) + ": " + message;
    }
}
