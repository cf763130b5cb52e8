package orthogon.core.answer.lookup;

import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import orthogon.core.answer.Answer;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.AnswerMaker;

/** {@code lookup other_questionnaire}. */
public final class LookupMaker implements AnswerMaker {

    private static final Pattern LOOKUP = Pattern.compile("lookup ([a-z][a-z0-9_]*)");

    @Override
    public List<AnswerKind> kinds() {
        return List.of(AnswerKind.LOOKUP);
    }

    @Override
    public List<TypedWords> lines() {
        return List.of(new TypedWords("lookup other_questionnaire", "lookup", "a record of another questionnaire"));
    }

    @Override
    public Optional<Answer> typed(String words) {
        Matcher lookup = LOOKUP.matcher(words);
        return lookup.matches() ? Optional.of(LookupAnswer.in(lookup.group(1))) : Optional.empty();
    }

    @Override
    public Answer from(AnswerKind kind, Answer other) {
        return LookupAnswer.in("other_questionnaire");
    }
}
