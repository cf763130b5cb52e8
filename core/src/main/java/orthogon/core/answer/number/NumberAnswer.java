package orthogon.core.answer.number;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.function.BinaryOperator;
import orthogon.core.answer.Answer;
import orthogon.core.answer.AnswerFault;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.AnswerRefusal;
import orthogon.core.answer.Domain;
import orthogon.core.answer.OnOffer;

/**
 * A decimal number.
 *
 * @param decimals most decimal places, 0 to 9; null for any number of places
 * @param slider shown as a slider, which needs both limits; it starts unanswered
 */
public record NumberAnswer(BigDecimal least, BigDecimal most, Integer decimals, String unit, boolean slider) implements Answer {

    public static final int MOST_DECIMALS = 9;

    public NumberAnswer {
        AnswerFault.unlessBetween(decimals, 0, MOST_DECIMALS, "decimals", "decimal places go");
        if (slider && (least == null || most == null)) {
            throw new AnswerFault("slider", "a slider needs both limits: a least and a most");
        }
    }

    public NumberAnswer(BigDecimal least, BigDecimal most, Integer decimals, String unit) {
        this(least, most, decimals, unit, false);
    }

    @Override
    public AnswerKind kind() {
        return AnswerKind.NUMBER;
    }

    @Override
    public Domain domain() {
        return new Domain.Numbers(least, most, decimals);
    }

    @Override
    public Answer withTexts(BinaryOperator<String> change) {
        return new NumberAnswer(least, most, decimals, change.apply("unit", unit), slider);
    }

    @Override
    public Object counting(Object raw, OnOffer offer) {
        return raw instanceof BigDecimal ? raw : null;
    }

    @Override
    public Optional<AnswerRefusal> refusal(Object value, LocalDate today) {
        return value instanceof BigDecimal d ? refusal(d, least, most, decimals, unit) : AnswerRefusal.of("number");
    }

    /** What is wrong with a number that must lie between limits. */
    public static Optional<AnswerRefusal> refusal(BigDecimal d, BigDecimal least, BigDecimal most, Integer decimals, String unit) {
        if (decimals != null && d.stripTrailingZeros().scale() > decimals) {
            return decimals == 0 ? AnswerRefusal.of("whole") : AnswerRefusal.of("decimals", decimals);
        }
        if (least != null && d.compareTo(least) < 0) {
            return AnswerRefusal.of("least", new AnswerRefusal.Measure(least, unit));
        }
        if (most != null && d.compareTo(most) > 0) {
            return AnswerRefusal.of("most", new AnswerRefusal.Measure(most, unit));
        }
        return Optional.empty();
    }

    @Override
    public String unreadableMessage() {
        return "number";
    }

    @Override
    public List<String> settings() {
        return least == null && most == null ? List.of() : List.of("the limits");
    }
}
