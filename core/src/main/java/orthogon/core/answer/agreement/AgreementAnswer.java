package orthogon.core.answer.agreement;

import java.time.LocalDate;
import java.util.Optional;
import java.util.function.BinaryOperator;
import orthogon.core.answer.Answer;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.AnswerRefusal;
import orthogon.core.answer.Domain;
import orthogon.core.answer.OnOffer;

/** True or blank: never no, never ticked beforehand. */
public record AgreementAnswer(String text) implements Answer {

    @Override
    public AnswerKind kind() {
        return AnswerKind.AGREEMENT;
    }

    @Override
    public Domain domain() {
        return new Domain.Truths(true);
    }

    @Override
    public Answer withTexts(BinaryOperator<String> change) {
        return new AgreementAnswer(change.apply("text", text));
    }

    @Override
    public Object counting(Object raw, OnOffer offer) {
        return Boolean.TRUE.equals(raw) ? raw : null;
    }

    @Override
    public Optional<AnswerRefusal> refusal(Object value, LocalDate today) {
        return AnswerRefusal.unless(Boolean.TRUE.equals(value), "tick");
    }

    @Override
    public String requiredMessage() {
        return "agreement";
    }
}
