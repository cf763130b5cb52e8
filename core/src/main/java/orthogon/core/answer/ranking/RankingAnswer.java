package orthogon.core.answer.ranking;

import java.time.LocalDate;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import orthogon.core.answer.Answer;
import orthogon.core.answer.AnswerFault;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.AnswerRefusal;
import orthogon.core.answer.Domain;
import orthogon.core.answer.OnOffer;
import orthogon.core.answer.Option;
import orthogon.core.answer.choice.OptionWords;

/**
 * Options put in order, the first one first. An answer that is not blank ranks exactly {@code places} of them.
 *
 * @param places 1 to 1,000
 */
public record RankingAnswer(List<Option> options, int places) implements Answer {

    public static final int MOST_PLACES = 1_000;

    public RankingAnswer {
        options = List.copyOf(options);
        OptionWords.refuseAlone(options, "options");
        if (options.stream().anyMatch(o -> !o.offerWhen().isEmpty())) {
            throw new AnswerFault("options", "ranked options are always offered; remove \"offerWhen\"");
        }
        AnswerFault.unlessBetween(places, 1, MOST_PLACES, "places", "the places of a ranking go");
    }

    /** How many are ranked in fact: never more than there are. */
    public int ranked() {
        return Math.min(places, options.size());
    }

    @Override
    public AnswerKind kind() {
        return AnswerKind.RANKING;
    }

    @Override
    public Domain domain() {
        return new Domain.Orders(options, ranked());
    }

    @Override
    public boolean hasOwnOptions() {
        return true;
    }

    @Override
    public Answer withOptions(List<Option> changed) {
        return new RankingAnswer(changed, places);
    }

    @Override
    public Object counting(Object raw, OnOffer offer) {
        return offer.hasAll(raw) ? raw : null;
    }

    @Override
    public Optional<AnswerRefusal> refusal(Object value, LocalDate today) {
        return AnswerRefusal.unless(value instanceof List<?> l && l.size() == ranked() && new HashSet<>(l).size() == l.size(), "ranking",
                ranked());
    }

    @Override
    public List<String> settings() {
        return OptionWords.settings(options);
    }
}
