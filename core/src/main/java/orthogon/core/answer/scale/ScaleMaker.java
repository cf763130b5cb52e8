package orthogon.core.answer.scale;

import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import orthogon.core.answer.Answer;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.AnswerMaker;
import orthogon.core.answer.Domain;

/** {@code rating 5} and {@code likelihood}. */
public final class ScaleMaker implements AnswerMaker {

    private static final Pattern RATING = Pattern.compile("rating(?:\\s+(\\d{1,2}))?");
    private static final int USUAL = 5;

    @Override
    public List<AnswerKind> kinds() {
        return List.of(AnswerKind.RATING, AnswerKind.LIKELIHOOD);
    }

    @Override
    public List<TypedWords> lines() {
        return List.of(new TypedWords("rating 5", "rating", "1 to 5"), new TypedWords("likelihood", "likelihood", "0 to 10"));
    }

    @Override
    public Optional<Answer> typed(String words) {
        if (words.equals("likelihood")) {
            return Optional.of(ScaleAnswer.likelihood());
        }
        Matcher rating = RATING.matcher(words);
        return rating.matches()
                ? Optional.of(ScaleAnswer.rating(rating.group(1) == null ? USUAL : Integer.parseInt(rating.group(1))))
                : Optional.empty();
    }

    @Override
    public Answer from(AnswerKind kind, Answer other) {
        return kind == AnswerKind.LIKELIHOOD ? ScaleAnswer.likelihood() : ScaleAnswer.rating(switch (other.domain()) {
            case Domain.Numbers n when n.most() != null -> Math.clamp(n.most().longValue(), 2, ScaleAnswer.MOST_STEPS);
            case Domain.Steps s -> s.last();
            default -> USUAL;
        });
    }
}
