package orthogon.core.answer.scale;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.Optional;
import java.util.function.BinaryOperator;
import orthogon.core.answer.Answer;
import orthogon.core.answer.AnswerFault;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.AnswerRefusal;
import orthogon.core.answer.Domain;
import orthogon.core.answer.OnOffer;
import orthogon.core.answer.number.NumberAnswer;

/** A step of a scale: a rating from 1 to {@code last}, or a likelihood from 0 to 10. The labels stand at its ends. */
public record ScaleAnswer(boolean isLikelihood, int last, String lowLabel, String highLabel, StepSign sign) implements Answer {

    public static final int MOST_STEPS = 20;

    public ScaleAnswer {
        AnswerFault.unlessBetween(last, 2, MOST_STEPS, "steps", "a rating has steps");
    }

    public ScaleAnswer(boolean isLikelihood, int last, String lowLabel, String highLabel) {
        this(isLikelihood, last, lowLabel, highLabel, StepSign.NUMBERS);
    }

    public static ScaleAnswer rating(int last) {
        return new ScaleAnswer(false, last, "", "");
    }

    public static ScaleAnswer likelihood() {
        return new ScaleAnswer(true, 10, "", "");
    }

    public int first() {
        return isLikelihood ? 0 : 1;
    }

    @Override
    public AnswerKind kind() {
        return isLikelihood ? AnswerKind.LIKELIHOOD : AnswerKind.RATING;
    }

    @Override
    public Domain domain() {
        return new Domain.Steps(first(), last);
    }

    @Override
    public Answer withTexts(BinaryOperator<String> change) {
        return new ScaleAnswer(isLikelihood, last, change.apply("lowLabel", lowLabel), change.apply("highLabel", highLabel), sign);
    }

    @Override
    public Object counting(Object raw, OnOffer offer) {
        return raw instanceof BigDecimal ? raw : null;
    }

    @Override
    public Optional<AnswerRefusal> refusal(Object value, LocalDate today) {
        return value instanceof BigDecimal d
                ? NumberAnswer.refusal(d, BigDecimal.valueOf(first()), BigDecimal.valueOf(last), 0, "")
                : AnswerRefusal.of("choose_number");
    }
}
