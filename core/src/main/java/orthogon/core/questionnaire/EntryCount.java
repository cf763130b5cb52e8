package orthogon.core.questionnaire;

import java.util.function.BiConsumer;
import java.util.function.BinaryOperator;
import java.util.stream.Stream;
import orthogon.core.place.RuleFamily;

/**
 * How answers settle the number of a roster's entries, within its own limits. Each part is an expression, or empty.
 *
 * @param asMany as many entries as this number says, no more and no fewer; the roster's least where it is blank
 * @param fewest no fewer entries than this number says are accepted
 * @param atMost no more entries than this number says are accepted
 */
public record EntryCount(String asMany, String fewest, String atMost) {

    /** Answers do not settle the number. */
    public static final EntryCount FREE = new EntryCount("", "", "");

    /** With each expression replaced by what the function makes of the key of its rule's family and the expression. */
    public EntryCount with(BinaryOperator<String> change) {
        return new EntryCount(change.apply(RuleFamily.AS_MANY.key(), asMany), change.apply(RuleFamily.FEWEST.key(), fewest),
                change.apply(RuleFamily.AT_MOST.key(), atMost));
    }

    /** Tells the key of each rule's family, and its expression, which may be empty. */
    public void each(BiConsumer<String, String> told) {
        with((family, expression) -> {
            told.accept(family, expression);
            return expression;
        });
    }

    /** Whether respondents neither add nor remove entries. */
    public boolean isFixed() {
        return !asMany.isEmpty();
    }

    /** Whether respondents would be asked to keep bounds on a number that is not theirs to change. */
    public boolean isContradictory() {
        return isFixed() && !(fewest.isEmpty() && atMost.isEmpty());
    }

    long ruleCount() {
        return Stream.of(asMany, fewest, atMost).filter(e -> !e.isEmpty()).count();
    }
}
