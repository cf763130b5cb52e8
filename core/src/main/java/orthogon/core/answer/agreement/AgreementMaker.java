package orthogon.core.answer.agreement;

import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import orthogon.core.answer.Answer;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.AnswerMaker;

/** {@code agree: I have read the terms.} */
public final class AgreementMaker implements AnswerMaker {

    private static final Pattern AGREE = Pattern.compile("agree\\s*(?::(.*))?", Pattern.DOTALL);

    @Override
    public List<AnswerKind> kinds() {
        return List.of(AnswerKind.AGREEMENT);
    }

    @Override
    public List<TypedWords> lines() {
        return List.of(new TypedWords("agree: I have read the terms.", "agreement", "a box to tick, never ticked beforehand"));
    }

    @Override
    public Optional<Answer> typed(String words) {
        Matcher agree = AGREE.matcher(words);
        return agree.matches()
                ? Optional.of(new AgreementAnswer(agree.group(1) == null ? "" : agree.group(1).trim()))
                : Optional.empty();
    }

    @Override
    public Answer from(AnswerKind kind, Answer other) {
        return new AgreementAnswer("");
    }
}
