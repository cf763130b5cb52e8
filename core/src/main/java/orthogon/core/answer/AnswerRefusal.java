package orthogon.core.answer;

import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;

/**
 * Why a value is not within the limits of its answer.
 *
 * @param message key of the respondents' words
 * @param about what the message names: texts, whole numbers, {@code BigDecimal}, {@code LocalDate}, {@code LocalTime}, {@link Measure} and
 *            {@link PartNames}
 */
public record AnswerRefusal(String message, List<Object> about) {

    /** A number with its unit, which may be empty. */
    public record Measure(BigDecimal number, String unit) {}

    /** Parts of a name or address, which are called by their names in the respondent's language. */
    public record PartNames(List<String> parts) {}

    /** The refusal by a limit. */
    public static Optional<AnswerRefusal> of(String limit, Object... about) {
        return Optional.of(new AnswerRefusal("limit." + limit, List.of(about)));
    }

    /** No refusal where the value fits, else the one by the limit. */
    public static Optional<AnswerRefusal> unless(boolean fits, String limit, Object... about) {
        return fits ? Optional.empty() : of(limit, about);
    }
}
