package orthogon.core.answer.date;

import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import orthogon.core.answer.Answer;
import orthogon.core.answer.AnswerFault;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.AnswerMaker;
import orthogon.core.answer.DateLimit;

/** {@code date}, {@code date ..today}, {@code date 2026-03-01..today + 30}. */
public final class DateMaker implements AnswerMaker {

    private static final Pattern DATE = Pattern.compile("date(?:\\s+(.+?)?\\s*\\.\\.\\s*(.+)?)?");

    @Override
    public List<AnswerKind> kinds() {
        return List.of(AnswerKind.DATE);
    }

    @Override
    public List<TypedWords> lines() {
        return List.of(new TypedWords("date ..today", "date", "fixed or from today"));
    }

    @Override
    public Optional<Answer> typed(String words) {
        Matcher date = DATE.matcher(words);
        return date.matches()
                ? Optional.of(new DateAnswer(limit("earliest", date.group(1)), limit("latest", date.group(2))))
                : Optional.empty();
    }

    /**
     * A limit as it is written; null for none.
     *
     * @throws AnswerFault where the text is neither a date nor a number of days from today
     */
    public static DateLimit limit(String setting, String text) {
        try {
            return text == null || text.isBlank() ? null : DateLimit.parse(text);
        } catch (IllegalArgumentException e) {
            throw new AnswerFault(setting, e.getMessage());
        }
    }

    @Override
    public Answer from(AnswerKind kind, Answer other) {
        return new DateAnswer(null, null);
    }
}
