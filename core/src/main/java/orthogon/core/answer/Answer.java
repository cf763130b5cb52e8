package orthogon.core.answer;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.function.BinaryOperator;

/**
 * The answer that a question takes: its settings, and which values fit them. Limits never refuse blank.
 *
 * <p>Each type of answer is a record in a package of its own, whose constructor throws {@link AnswerFault} where the settings cannot be.
 * {@link AnswerKind} names all of them.
 */
public interface Answer {

    AnswerKind kind();

    /** The camel-case name in the document file. */
    default String type() {
        return kind().type();
    }

    /** The values that fit the limits, whatever is on offer. */
    Domain domain();

    /** The options, for a grid its columns; empty for answers without any. */
    default List<Option> options() {
        return List.of();
    }

    default Optional<Option> option(String code) {
        return options().stream().filter(o -> o.code().equals(code)).findFirst();
    }

    /** Whether the analyst writes the options of this answer. */
    default boolean hasOwnOptions() {
        return false;
    }

    /** Whether one option of its own is chosen, or several are. */
    default boolean isChoice() {
        return false;
    }

    /** The same answer with other options; itself where it has none of its own. */
    default Answer withOptions(List<Option> changed) {
        return this;
    }

    /** The rows of a grid; empty for other answers. */
    default List<GridRow> rows() {
        return List.of();
    }

    /** The same answer with other rows; itself where it has none. */
    default Answer withRows(List<GridRow> changed) {
        return this;
    }

    /** Whether the value comes with the respondent's link, so that nobody is asked. */
    default boolean isFromLink() {
        return false;
    }

    /** The same answer with its own texts changed, those of options and rows apart: {@code change} is given the name and the text of each. */
    default Answer withTexts(BinaryOperator<String> change) {
        return this;
    }

    /** The same answer with its own conditions changed: {@code change} is given the family of each, as in places, and its text. */
    default Answer withExpressions(BinaryOperator<String> change) {
        return this;
    }

    /** The part of a value that is of this type and on offer; null where nothing of it is. Limits are not looked at. */
    Object counting(Object raw, OnOffer offer);

    /** What is wrong with a value that counts; empty where it is within the limits. */
    Optional<AnswerRefusal> refusal(Object value, LocalDate today);

    /** The message to a respondent whose typing is no value of this type. */
    default String unreadableMessage() {
        return "choice";
    }

    /** The message to a respondent who leaves a required answer blank. */
    default String requiredMessage() {
        return "required";
    }

    /** Whether a respondent gives the same answer to both, as far as the limits allow. */
    default boolean isLike(Answer other) {
        return getClass() == other.getClass();
    }

    /** What was set that another type may not have, in words such as <i>4 options</i>. */
    default List<String> settings() {
        return List.of();
    }

    /** The sum of the scores of the chosen options; 0 for blank. Options must exist. */
    default BigDecimal score(Object value) {
        List<?> chosen = value == null ? List.of() : value instanceof List<?> l ? l : List.of(value);
        return chosen.stream().map(code -> option((String) code).orElseThrow().scoreOrZero()).reduce(BigDecimal.ZERO, BigDecimal::add);
    }
}
