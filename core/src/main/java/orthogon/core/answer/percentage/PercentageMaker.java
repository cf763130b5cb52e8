package orthogon.core.answer.percentage;

import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import orthogon.core.answer.Answer;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.AnswerMaker;
import orthogon.core.answer.number.NumberAnswer;

/** {@code percent}, {@code percent decimals 1}, {@code percent slider}. */
public final class PercentageMaker implements AnswerMaker {

    private static final Pattern PERCENT = Pattern.compile("percent(age)?( slider)?(?:\\s+decimals\\s+(\\d))?");

    @Override
    public List<AnswerKind> kinds() {
        return List.of(AnswerKind.PERCENTAGE);
    }

    @Override
    public List<TypedWords> lines() {
        return List.of(new TypedWords("percent", "percentage", "0 to 100 with its sign; also percent slider, percent decimals 1"));
    }

    @Override
    public Optional<Answer> typed(String words) {
        Matcher percent = PERCENT.matcher(words);
        return percent.matches()
                ? Optional.of(new PercentageAnswer(percent.group(3) == null ? 0 : Integer.parseInt(percent.group(3)),
                        percent.group(2) != null))
                : Optional.empty();
    }

    @Override
    public Answer from(AnswerKind kind, Answer other) {
        return other instanceof NumberAnswer n
                ? new PercentageAnswer(n.decimals() == null ? 0 : n.decimals(), n.slider())
                : new PercentageAnswer(0, false);
    }
}
