package orthogon.app.questions;

import java.util.Optional;
import orthogon.app.answer.kinds.AnswerControls;
import orthogon.core.interview.Unreadable;
import orthogon.core.language.OwnWords;
import orthogon.core.questionnaire.Question;

/** Answers in words. */
public final class AnswersInWords {

    private AnswersInWords() {}

    /** An answer in words for an analyst; empty where it is blank. */
    public static Optional<String> of(Question q, Object value) {
        return of(q, value, OwnWords.ENGLISH);
    }

    /** An answer in the words of a language; empty where it is blank. */
    public static Optional<String> of(Question q, Object value, OwnWords words) {
        return switch (value) {
            case null -> Optional.empty();
            case Unreadable u -> Optional.of(u.typed());
            default -> Optional.of(AnswerControls.of(q.answer()).inWords(q.answer(), value, words)).filter(s -> !s.isEmpty());
        };
    }
}
