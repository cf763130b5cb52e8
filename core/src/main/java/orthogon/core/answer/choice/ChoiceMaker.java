package orthogon.core.answer.choice;

import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import orthogon.core.answer.Answer;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.AnswerMaker;

/** {@code one: first; second}, {@code list: first; second}, {@code many: first; second; none of these!}. */
public final class ChoiceMaker implements AnswerMaker {

    private static final Pattern CHOICE = Pattern.compile("(one|list|many)\\s*(?::(.*))?", Pattern.DOTALL);

    @Override
    public List<AnswerKind> kinds() {
        return List.of(AnswerKind.ONE_CHOICE, AnswerKind.MANY_CHOICES);
    }

    @Override
    public List<TypedWords> lines() {
        return List.of(new TypedWords("one: first; second", "one choice", "one option of several"),
                new TypedWords("list: first; second", "one choice, drop-down", "one option, for long lists"),
                new TypedWords("many: first; second; none of these!", "many choices", "any of several; ! stands alone"));
    }

    @Override
    public Optional<Answer> typed(String words) {
        Matcher choice = CHOICE.matcher(words);
        if (!choice.matches()) {
            return Optional.empty();
        }
        boolean many = choice.group(1).equals("many");
        var options = OptionWords.options(choice.group(2) == null ? "" : choice.group(2), many);
        return Optional.of(many ? new ManyChoices(options, null, null) : new OneChoice(options, choice.group(1).equals("list")));
    }

    @Override
    public Answer from(AnswerKind kind, Answer other) {
        OptionLayout layout = switch (other) {
            case OneChoice c -> c.layout();
            case ManyChoices c -> c.layout();
            default -> OptionLayout.PLAIN;
        };
        if (kind == AnswerKind.ONE_CHOICE) {
            return new OneChoice(OptionWords.of(other, false), layout);
        }
        boolean folded = layout.shown() == OptionLayout.ShownAs.DROP_DOWN;
        return new ManyChoices(OptionWords.of(other, true), other instanceof ManyChoices m ? m.least() : null,
                other instanceof ManyChoices m ? m.most() : null, folded ? OptionLayout.PLAIN : layout);
    }
}
