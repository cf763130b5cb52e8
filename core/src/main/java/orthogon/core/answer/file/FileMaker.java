package orthogon.core.answer.file;

import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import orthogon.core.answer.Answer;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.AnswerMaker;

/** {@code file} and {@code files 3}. */
public final class FileMaker implements AnswerMaker {

    private static final Pattern FILES = Pattern.compile("files?(?:\\s+(\\d{1,2}))?");

    @Override
    public List<AnswerKind> kinds() {
        return List.of(AnswerKind.FILE);
    }

    @Override
    public List<TypedWords> lines() {
        return List.of(new TypedWords("files 3", "file", "pictures or documents"));
    }

    @Override
    public Optional<Answer> typed(String words) {
        Matcher files = FILES.matcher(words);
        return files.matches()
                ? Optional.of(
                        new FileAnswer(files.group(1) == null ? 1 : Integer.parseInt(files.group(1)), FileAnswer.USUAL_BYTES, List.of()))
                : Optional.empty();
    }

    @Override
    public Answer from(AnswerKind kind, Answer other) {
        return new FileAnswer(1, FileAnswer.USUAL_BYTES, List.of());
    }
}
