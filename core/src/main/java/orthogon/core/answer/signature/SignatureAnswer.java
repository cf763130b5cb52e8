package orthogon.core.answer.signature;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import orthogon.core.answer.Answer;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.AnswerRefusal;
import orthogon.core.answer.Domain;
import orthogon.core.answer.OnOffer;
import orthogon.core.answer.parts.PartsAnswer;

/** A drawn path and a typed name; either will do. */
public record SignatureAnswer() implements Answer {

    public static final String NAME = "name";
    /** The drawing, as the path data of SVG. */
    public static final String PATH = "path";

    @Override
    public AnswerKind kind() {
        return AnswerKind.SIGNATURE;
    }

    /** Conditions can only speak of the name. */
    @Override
    public Domain domain() {
        return new Domain.TextParts(List.of(NAME), List.of());
    }

    @Override
    public Object counting(Object raw, OnOffer offer) {
        return PartsAnswer.known(raw, List.of(NAME, PATH));
    }

    @Override
    public Optional<AnswerRefusal> refusal(Object value, LocalDate today) {
        return Optional.empty();
    }
}
