package orthogon.core.answer.hidden;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import orthogon.core.answer.Answer;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.AnswerRefusal;
import orthogon.core.answer.Domain;
import orthogon.core.answer.OnOffer;

/** A value of the respondent's link, kept with the answers and never shown. Empty {@code allowed} means any text. */
public record HiddenAnswer(List<String> allowed) implements Answer {

    public HiddenAnswer {
        allowed = List.copyOf(allowed);
    }

    @Override
    public AnswerKind kind() {
        return AnswerKind.HIDDEN;
    }

    @Override
    public Domain domain() {
        return new Domain.Arriving(allowed);
    }

    @Override
    public boolean isFromLink() {
        return true;
    }

    /** Nothing that a respondent gives counts. */
    @Override
    public Object counting(Object raw, OnOffer offer) {
        return null;
    }

    @Override
    public Optional<AnswerRefusal> refusal(Object value, LocalDate today) {
        return Optional.empty();
    }
}
