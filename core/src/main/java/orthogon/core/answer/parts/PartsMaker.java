package orthogon.core.answer.parts;

import java.util.List;
import java.util.Optional;
import orthogon.core.answer.Answer;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.AnswerMaker;

/** {@code name} and {@code address}. */
public final class PartsMaker implements AnswerMaker {

    @Override
    public List<AnswerKind> kinds() {
        return List.of(AnswerKind.PERSON_NAME, AnswerKind.POSTAL_ADDRESS);
    }

    @Override
    public List<TypedWords> lines() {
        return List.of(new TypedWords("name", "person name", "given, family and further parts"),
                new TypedWords("address", "postal address", "street, town and further parts"));
    }

    @Override
    public Optional<Answer> typed(String words) {
        return switch (words) {
            case "name" -> Optional.of(PartsAnswer.name());
            case "address" -> Optional.of(PartsAnswer.address());
            default -> Optional.empty();
        };
    }

    @Override
    public Answer from(AnswerKind kind, Answer other) {
        return kind == AnswerKind.PERSON_NAME ? PartsAnswer.name() : PartsAnswer.address();
    }
}
