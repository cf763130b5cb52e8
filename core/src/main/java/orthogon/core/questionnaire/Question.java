package orthogon.core.questionnaire;

import orthogon.core.answer.Answer;
import java.util.List;
import java.util.stream.Stream;

/**
 * Asks for one answer.
 *
 * @param askWhen empty means always
 * @param requireWhen empty means never
 * @param lockWhen empty means never
 * @param startWith expression of the answer that is there before the respondent gives one; empty for none
 * @param accept conditions on the answer, tried where it is not blank, in order
 * @param keepWhenHidden whether the raw answer survives submission although the question was not asked in the end
 * @param personal whether the answer is about a person: few may read it, and it goes first when answers are kept no longer
 */
public record Question(String code, String wording, String help, Answer answer, String askWhen, String requireWhen, String lockWhen,
        String startWith, List<Accept> accept, List<Reword> reword, boolean keepWhenHidden, boolean personal)
        implements
            Item {

    /** A question whose answer is not personal. */
    public Question(String code, String wording, String help, Answer answer, String askWhen, String requireWhen, String lockWhen,
            String startWith, List<Accept> accept, List<Reword> reword, boolean keepWhenHidden) {
        this(code, wording, help, answer, askWhen, requireWhen, lockWhen, startWith, accept, reword, keepWhenHidden, false);
    }

    public Question {
        accept = List.copyOf(accept);
        reword = List.copyOf(reword);
    }

    /** A condition on the answer and the message for the respondent whose answer it refuses. */
    public record Accept(String when, String message) {}

    public static Question of(String code, String wording, Answer answer) {
        return new Question(code, wording, "", answer, "", "", "", "", List.of(), List.of(), false, false);
    }

    @Override
    public long ruleCount() {
        return Stream.of(askWhen, requireWhen, lockWhen).filter(c -> !c.isEmpty()).count() + accept.size() + reword.size()
                + (answer.hasOwnOptions() ? answer.options().stream().filter(o -> !o.offerWhen().isEmpty()).count() : 0)
                + answer.rows().stream().filter(r -> !r.askWhen().isEmpty()).count();
    }

    @Override
    public Question withCode(String changed) {
        return new Question(changed, wording, help, answer, askWhen, requireWhen, lockWhen, startWith, accept, reword, keepWhenHidden,
                personal);
    }

    public Question withTexts(String changedWording, String changedHelp) {
        return new Question(code, changedWording, changedHelp, answer, askWhen, requireWhen, lockWhen, startWith, accept, reword,
                keepWhenHidden, personal);
    }

    public Question withAnswer(Answer changed) {
        return new Question(code, wording, help, changed, askWhen, requireWhen, lockWhen, startWith, accept, reword, keepWhenHidden,
                personal);
    }

    public Question withAskWhen(String changed) {
        return new Question(code, wording, help, answer, changed, requireWhen, lockWhen, startWith, accept, reword, keepWhenHidden,
                personal);
    }

    public Question withRequireWhen(String changed) {
        return new Question(code, wording, help, answer, askWhen, changed, lockWhen, startWith, accept, reword, keepWhenHidden, personal);
    }

    /** Whether it takes its answer from the link and is never shown. */
    public boolean isHidden() {
        return answer.isFromLink();
    }

    public Question withLockWhen(String changed) {
        return new Question(code, wording, help, answer, askWhen, requireWhen, changed, startWith, accept, reword, keepWhenHidden,
                personal);
    }

    public Question withStartWith(String changed) {
        return new Question(code, wording, help, answer, askWhen, requireWhen, lockWhen, changed, accept, reword, keepWhenHidden, personal);
    }

    public Question withKeepWhenHidden(boolean changed) {
        return new Question(code, wording, help, answer, askWhen, requireWhen, lockWhen, startWith, accept, reword, changed, personal);
    }

    public Question withPersonal(boolean changed) {
        return new Question(code, wording, help, answer, askWhen, requireWhen, lockWhen, startWith, accept, reword, keepWhenHidden,
                changed);
    }

    public Question withAccept(List<Accept> changed) {
        return new Question(code, wording, help, answer, askWhen, requireWhen, lockWhen, startWith, changed, reword, keepWhenHidden,
                personal);
    }

    public Question withReword(List<Reword> changed) {
        return new Question(code, wording, help, answer, askWhen, requireWhen, lockWhen, startWith, accept, changed, keepWhenHidden,
                personal);
    }
}
