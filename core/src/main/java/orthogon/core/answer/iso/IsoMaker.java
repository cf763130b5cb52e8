package orthogon.core.answer.iso;

import java.util.List;
import java.util.Optional;
import orthogon.core.answer.Answer;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.AnswerMaker;

/** {@code country} and {@code language}. */
public final class IsoMaker implements AnswerMaker {

    @Override
    public List<AnswerKind> kinds() {
        return List.of(AnswerKind.COUNTRY, AnswerKind.LANGUAGE);
    }

    @Override
    public List<TypedWords> lines() {
        return List.of(new TypedWords("country", "country", "by its ISO code"), new TypedWords("language", "language", "by its ISO code"));
    }

    @Override
    public Optional<Answer> typed(String words) {
        return kinds().stream().filter(k -> k.words().equals(words)).findFirst().map(k -> from(k, null));
    }

    @Override
    public Answer from(AnswerKind kind, Answer other) {
        return new IsoAnswer(kind == AnswerKind.LANGUAGE, List.of());
    }
}
