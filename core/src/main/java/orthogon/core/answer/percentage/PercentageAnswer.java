package orthogon.core.answer.percentage;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.Optional;
import orthogon.core.answer.Answer;
import orthogon.core.answer.AnswerFault;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.AnswerRefusal;
import orthogon.core.answer.Domain;
import orthogon.core.answer.OnOffer;
import orthogon.core.answer.number.NumberAnswer;

/**
 * A number from 0 to 100, written with the sign of the respondent's language. In conditions it is a number: 40 for 40 %.
 *
 * @param decimals most decimal places, 0 to 9
 * @param slider shown as a slider, which starts unanswered
 */
public record PercentageAnswer(int decimals, boolean slider) implements Answer {

    public static final BigDecimal LEAST = BigDecimal.ZERO;
    public static final BigDecimal MOST = BigDecimal.valueOf(100);

    public PercentageAnswer {
        AnswerFault.unlessBetween(decimals, 0, NumberAnswer.MOST_DECIMALS, "decimals", "decimal places go");
    }

    @Override
    public AnswerKind kind() {
        return AnswerKind.PERCENTAGE;
    }

    @Override
    public Domain domain() {
        return new Domain.Numbers(LEAST, MOST, decimals);
    }

    @Override
    public Object counting(Object raw, OnOffer offer) {
        return raw instanceof BigDecimal ? raw : null;
    }

    @Override
    public Optional<AnswerRefusal> refusal(Object value, LocalDate today) {
        return value instanceof BigDecimal d ? NumberAnswer.refusal(d, LEAST, MOST, decimals, "") : AnswerRefusal.of("number");
    }

    @Override
    public String unreadableMessage() {
        return "number";
    }
}
