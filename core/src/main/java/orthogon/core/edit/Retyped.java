package orthogon.core.edit;

import java.util.ArrayList;
import java.util.List;
import orthogon.core.answer.Answer;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.choice.OptionWords;
import orthogon.core.answer.kinds.AnswerMakers;
import orthogon.core.questionnaire.Refused;

/**
 * An answer turned into another type.
 *
 * @param lost settings that the new type does not have, in words
 */
public record Retyped(Answer answer, List<String> lost) {

    /** @throws Refused where there is no such type */
    public static Retyped to(Answer now, String type) throws Refused {
        AnswerKind kind = AnswerKind.of(type).orElseThrow(() -> new Refused("There is no answer type “" + type + "”."));
        Answer changed = AnswerMakers.from(kind, now);
        List<String> lost = new ArrayList<>(now.settings());
        lost.removeAll(changed.settings());
        if (!changed.hasOwnOptions()) {
            lost.remove(OptionWords.ALONE);
        }
        return new Retyped(changed, List.copyOf(lost));
    }
}
