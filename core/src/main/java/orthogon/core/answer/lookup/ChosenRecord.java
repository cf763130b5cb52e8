package orthogon.core.answer.lookup;

import java.time.LocalDate;
import java.util.Optional;
import java.util.function.BinaryOperator;
import orthogon.core.answer.AllowedCharacters;
import orthogon.core.answer.Answer;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.AnswerRefusal;
import orthogon.core.answer.Domain;
import orthogon.core.answer.OnOffer;

/**
 * The receipt of the record that a lookup takes, by itself: what is shown of the record is asked beside it, in documents in which each
 * answer is one value.
 *
 * @param questionnaire code of the questionnaire whose records they are
 * @param everyRecord a condition that holds whatever record it is; empty for none
 */
public record ChosenRecord(String questionnaire, String everyRecord) implements Answer {

    private static final String EXAMPLE = "made-up";

    @Override
    public AnswerKind kind() {
        return AnswerKind.LOOKUP;
    }

    @Override
    public Domain domain() {
        return new Domain.FreeTexts(null, null, AllowedCharacters.ANY, "", EXAMPLE);
    }

    @Override
    public Answer withExpressions(BinaryOperator<String> change) {
        return new ChosenRecord(questionnaire, change.apply("everyRecord", everyRecord));
    }

    @Override
    public boolean isLike(Answer other) {
        return other instanceof ChosenRecord c && c.questionnaire.equals(questionnaire);
    }

    @Override
    public Object counting(Object raw, OnOffer offer) {
        return raw instanceof String text && !text.isBlank() ? text : null;
    }

    @Override
    public Optional<AnswerRefusal> refusal(Object value, LocalDate today) {
        return Optional.empty();
    }
}
