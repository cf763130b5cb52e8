package orthogon.core.answer.hidden;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import orthogon.core.answer.Answer;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.AnswerMaker;

/** {@code hidden} and {@code hidden: north; south}. */
public final class HiddenMaker implements AnswerMaker {

    private static final Pattern HIDDEN = Pattern.compile("hidden\\s*(?::(.*))?", Pattern.DOTALL);

    @Override
    public List<AnswerKind> kinds() {
        return List.of(AnswerKind.HIDDEN);
    }

    @Override
    public List<TypedWords> lines() {
        return List.of(new TypedWords("hidden: north; south", "hidden", "a value of the respondent's link"));
    }

    @Override
    public Optional<Answer> typed(String words) {
        Matcher hidden = HIDDEN.matcher(words);
        return hidden.matches()
                ? Optional.of(new HiddenAnswer(Arrays.stream(hidden.group(1) == null ? new String[0] : hidden.group(1).split(";"))
                        .map(String::trim).filter(v -> !v.isEmpty()).toList()))
                : Optional.empty();
    }

    @Override
    public Answer from(AnswerKind kind, Answer other) {
        return new HiddenAnswer(List.of());
    }
}
