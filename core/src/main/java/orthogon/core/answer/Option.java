package orthogon.core.answer;

import java.math.BigDecimal;

/**
 * One choice of a choice question.
 *
 * @param score null where none is given, which counts 0
 * @param exclusive only meaningful in a many-choices answer
 * @param offerWhen empty means always
 * @param other whether choosing it asks for a text of the respondent's own
 * @param picture a {@code data:} address of an image; empty for none
 */
public record Option(String code, String label, BigDecimal score, boolean exclusive, String offerWhen, boolean other, String picture) {

    public Option(String code, String label, BigDecimal score, boolean exclusive, String offerWhen) {
        this(code, label, score, exclusive, offerWhen, false, "");
    }

    public static Option of(String code, String label) {
        return new Option(code, label, null, false, "");
    }

    public BigDecimal scoreOrZero() {
        return score == null ? BigDecimal.ZERO : score;
    }

    public Option withLabel(String changed) {
        return new Option(code, changed, score, exclusive, offerWhen, other, picture);
    }

    public Option withOfferWhen(String changed) {
        return new Option(code, label, score, exclusive, changed, other, picture);
    }

    public Option withExclusive(boolean changed) {
        return new Option(code, label, score, changed, offerWhen, other, picture);
    }
}
