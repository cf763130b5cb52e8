package orthogon.core.answer.ranking;

import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import orthogon.core.answer.Answer;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.AnswerMaker;
import orthogon.core.answer.Option;
import orthogon.core.answer.choice.OptionWords;

/** {@code rank 3: first; second; third}. */
public final class RankingMaker implements AnswerMaker {

    private static final Pattern RANK = Pattern.compile("rank(?:\\s+(\\d{1,2}))?:(.*)", Pattern.DOTALL);

    @Override
    public List<AnswerKind> kinds() {
        return List.of(AnswerKind.RANKING);
    }

    @Override
    public List<TypedWords> lines() {
        return List.of(new TypedWords("rank 3: first; second; third", "ranking", "options put in order"));
    }

    @Override
    public Optional<Answer> typed(String words) {
        Matcher rank = RANK.matcher(words);
        if (!rank.matches()) {
            return Optional.empty();
        }
        List<Option> options = OptionWords.options(rank.group(2), false);
        return Optional.of(new RankingAnswer(options, rank.group(1) == null ? options.size() : Integer.parseInt(rank.group(1))));
    }

    /** Ranked options are always offered. */
    @Override
    public Answer from(AnswerKind kind, Answer other) {
        List<Option> options = OptionWords.of(other, false).stream().map(o -> o.withOfferWhen("")).toList();
        return new RankingAnswer(options, options.size());
    }
}
