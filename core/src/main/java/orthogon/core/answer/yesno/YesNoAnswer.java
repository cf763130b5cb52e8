package orthogon.core.answer.yesno;

import java.time.LocalDate;
import java.util.Optional;
import java.util.function.BinaryOperator;
import orthogon.core.answer.Answer;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.AnswerRefusal;
import orthogon.core.answer.Domain;
import orthogon.core.answer.OnOffer;

/** Yes or no; starts blank. The labels may be empty for the usual ones. */
public record YesNoAnswer(String yes, String no) implements Answer {

    public YesNoAnswer() {
        this("", "");
    }

    @Override
    public AnswerKind kind() {
        return AnswerKind.YES_NO;
    }

    @Override
    public Domain domain() {
        return new Domain.Truths(false);
    }

    @Override
    public Answer withTexts(BinaryOperator<String> change) {
        return new YesNoAnswer(change.apply("yes", yes), change.apply("no", no));
    }

    @Override
    public Object counting(Object raw, OnOffer offer) {
        return raw instanceof Boolean ? raw : null;
    }

    @Override
    public Optional<AnswerRefusal> refusal(Object value, LocalDate today) {
        return AnswerRefusal.unless(value instanceof Boolean, "yes_no");
    }
}
