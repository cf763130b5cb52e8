package orthogon.core.proof.composed;

import java.util.Optional;
import orthogon.core.questionnaire.Questionnaire;

/** The questionnaires that follow-ups can open. */
public interface KnownQuestionnaires {

    /** None at all. */
    KnownQuestionnaires NONE = code -> Optional.empty();

    /** What a follow-up opens that names this code; empty where there is none. */
    Optional<Questionnaire> find(String code);

    /**
     * The questionnaire of a follow-up at any depth.
     *
     * @param path codes of the follow-ups that lead to it, joined by dots
     */
    default Optional<Questionnaire> opened(Questionnaire first, String path) {
        Optional<Questionnaire> at = Optional.of(first);
        for (String code : path.split("\\.")) {
            at = at.flatMap(q -> q.followUp(code)).flatMap(f -> find(f.questionnaire()));
        }
        return at;
    }
}
