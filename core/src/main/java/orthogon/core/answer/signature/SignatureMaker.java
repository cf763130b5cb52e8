package orthogon.core.answer.signature;

import java.util.List;
import java.util.Optional;
import orthogon.core.answer.Answer;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.AnswerMaker;

/** {@code signature}. */
public final class SignatureMaker implements AnswerMaker {

    @Override
    public List<AnswerKind> kinds() {
        return List.of(AnswerKind.SIGNATURE);
    }

    @Override
    public List<TypedWords> lines() {
        return List.of(new TypedWords("signature", "signature", "drawn, or typed"));
    }

    @Override
    public Optional<Answer> typed(String words) {
        return words.equals("signature") ? Optional.of(new SignatureAnswer()) : Optional.empty();
    }

    @Override
    public Answer from(AnswerKind kind, Answer other) {
        return new SignatureAnswer();
    }
}
