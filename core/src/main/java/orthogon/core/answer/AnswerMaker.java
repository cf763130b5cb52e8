package orthogon.core.answer;

import java.util.List;
import java.util.Optional;

/** Makes answers of one kind, or of a few that share their settings: from words typed in a row, and from an answer of another kind. */
public interface AnswerMaker {

    /**
     * A line of the list of types.
     *
     * @param typed what can be written behind the slash
     * @param means what it is, in a few words
     */
    record TypedWords(String typed, String name, String means) {}

    /** The kinds that it makes. */
    List<AnswerKind> kinds();

    /** Its lines in the list of types. */
    List<TypedWords> lines();

    /**
     * The answer that the words describe, such as {@code number 1..20 animals}; empty where they describe an answer of another kind.
     *
     * @throws AnswerFault where they describe one that cannot be
     */
    Optional<Answer> typed(String words);

    /** A new answer of one of its kinds, with those settings of the other answer that it has too. */
    Answer from(AnswerKind kind, Answer other);
}
