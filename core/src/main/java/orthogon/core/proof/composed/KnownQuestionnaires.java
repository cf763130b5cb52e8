package orthogon.core.proof.composed;

import java.util.Optional;
import orthogon.core.questionnaire.Questionnaire;

/** The questionnaires that follow-ups can open. */
public interface KnownQuestionnaires {

    /** None at all. */
    KnownQuestionnaires NONE = code -> Optional.empty();

    /** What a follow-up opens that names this code; empty where there is none. */
    Optional<Questionnaire> find(String code);
}
