package orthogon.core.answer.lookup;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import orthogon.core.answer.Answer;
import orthogon.core.answer.AnswerFault;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.AnswerRefusal;
import orthogon.core.answer.Domain;
import orthogon.core.answer.OnOffer;

/**
 * The key of a record in another questionnaire's responses.
 *
 * @param questionnaire code of the other questionnaire
 * @param release number of its release; 0 for the newest
 * @param shows codes of the answers to show for each record
 */
public record LookupAnswer(String questionnaire, int release, List<String> shows, boolean mayAdd) implements Answer {

    public static final int MOST_RELEASE = 100_000;

    public LookupAnswer {
        shows = List.copyOf(shows);
        AnswerFault.unlessBetween(release, 0, MOST_RELEASE, "release", "releases go");
    }

    @Override
    public AnswerKind kind() {
        return AnswerKind.LOOKUP;
    }

    @Override
    public Domain domain() {
        return new Domain.Opaque("1", "which records there are");
    }

    @Override
    public boolean isLike(Answer other) {
        return other instanceof LookupAnswer l && l.questionnaire.equals(questionnaire);
    }

    @Override
    public Object counting(Object raw, OnOffer offer) {
        return raw instanceof String ? raw : null;
    }

    @Override
    public Optional<AnswerRefusal> refusal(Object value, LocalDate today) {
        return Optional.empty();
    }
}
