package orthogon.core.expression;

import java.math.BigDecimal;
import java.time.LocalDate;

/** What an expression can ask about while it is evaluated. */
public interface Situation {

    /** The effective value of a question, derived value or link parameter; null is blank. */
    Object value(String name);

    /** The score of the question's answer; 0 where it is blank. */
    BigDecimal score(String question);

    /** Fixed at the start of an interview. */
    LocalDate today();

    /** Whether a question, note or section was asked; only own claims and messages ask this. */
    default boolean asked(String item) {
        throw new IllegalStateException("asked(...) has no meaning here");
    }

    /** Whether the interview sends a message to somebody; only own claims ask this. */
    default boolean sends(String message) {
        throw new IllegalStateException("sends(...) has no meaning here");
    }

    /** Whether a follow-up is opened; only own claims ask this. */
    default boolean opens(String followUp) {
        throw new IllegalStateException("opens(...) has no meaning here");
    }
}
