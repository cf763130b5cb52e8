package orthogon.core.answer.time;

import java.time.DateTimeException;
import java.time.LocalTime;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import orthogon.core.answer.Answer;
import orthogon.core.answer.AnswerFault;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.AnswerMaker;

/** {@code time} and {@code time 08:00..18:00}. */
public final class TimeMaker implements AnswerMaker {

    private static final Pattern TIME = Pattern.compile("time(?:\\s+(\\S+)?\\s*\\.\\.\\s*(\\S+)?)?");

    @Override
    public List<AnswerKind> kinds() {
        return List.of(AnswerKind.TIME);
    }

    @Override
    public List<TypedWords> lines() {
        return List.of(new TypedWords("time 08:00..18:00", "time", "of the day"));
    }

    @Override
    public Optional<Answer> typed(String words) {
        Matcher time = TIME.matcher(words);
        return time.matches()
                ? Optional.of(new TimeAnswer(limit("earliest", time.group(1)), limit("latest", time.group(2))))
                : Optional.empty();
    }

    /**
     * A limit as it is written; null for none.
     *
     * @throws AnswerFault where the text is no time of day
     */
    public static LocalTime limit(String setting, String text) {
        try {
            return text == null || text.isBlank() ? null : LocalTime.parse(text.trim());
        } catch (DateTimeException e) {
            throw new AnswerFault(setting, "\"" + text + "\" is not a time of day: write it as 14:30");
        }
    }

    @Override
    public Answer from(AnswerKind kind, Answer other) {
        return new TimeAnswer(null, null);
    }
}
