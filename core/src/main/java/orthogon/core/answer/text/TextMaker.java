package orthogon.core.answer.text;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import orthogon.core.answer.AllowedCharacters;
import orthogon.core.answer.Answer;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.AnswerMaker;

/** {@code text}, {@code text ≤ 40}, {@code text 5..30}, {@code text digits}, {@code long text}. */
public final class TextMaker implements AnswerMaker {

    private static final Pattern TEXT = Pattern.compile("(long )?text(?:\\s+(letters|digits))?"
            + "(?:\\s*(?:≤|<=|up to)\\s*(\\d{1,5})|\\s+(\\d{1,5})?\\s*\\.\\.\\s*(\\d{1,5})?)?");

    @Override
    public List<AnswerKind> kinds() {
        return List.of(AnswerKind.SHORT_TEXT, AnswerKind.LONG_TEXT);
    }

    @Override
    public List<TypedWords> lines() {
        return List.of(new TypedWords("text", "short text", "one line; also text 5..30, text letters, text digits"),
                new TypedWords("long text", "long text", "several lines"));
    }

    @Override
    public Optional<Answer> typed(String words) {
        Matcher text = TEXT.matcher(words);
        if (!text.matches()) {
            return Optional.empty();
        }
        AllowedCharacters content = text.group(2) == null
                ? AllowedCharacters.ANY
                : AllowedCharacters.valueOf(text.group(2).toUpperCase(Locale.ROOT));
        String most = text.group(3) == null ? text.group(5) : text.group(3);
        return Optional.of(new TextAnswer(text.group(1) != null, text.group(4) == null ? null : Integer.valueOf(text.group(4)),
                most == null ? null : Integer.valueOf(most), content, "", "", "", ""));
    }

    @Override
    public Answer from(AnswerKind kind, Answer other) {
        boolean isLong = kind == AnswerKind.LONG_TEXT;
        return other instanceof TextAnswer t
                ? new TextAnswer(isLong, t.least(), t.most(), t.content(), t.pattern(), t.example(), t.mask(), t.placeholder())
                : new TextAnswer(isLong, null, null);
    }
}
