package orthogon.core.answer.yesno;

import java.util.List;
import java.util.Optional;
import orthogon.core.answer.Answer;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.AnswerMaker;

/** {@code yes/no}. */
public final class YesNoMaker implements AnswerMaker {

    @Override
    public List<AnswerKind> kinds() {
        return List.of(AnswerKind.YES_NO);
    }

    @Override
    public List<TypedWords> lines() {
        return List.of(new TypedWords("yes/no", "yes / no", "starts blank"));
    }

    @Override
    public Optional<Answer> typed(String words) {
        return words.equals("yes/no") ? Optional.of(new YesNoAnswer()) : Optional.empty();
    }

    @Override
    public Answer from(AnswerKind kind, Answer other) {
        return new YesNoAnswer();
    }
}
