package orthogon.core.typing;

import java.util.List;
import java.util.stream.Stream;
import orthogon.core.answer.Answer;
import orthogon.core.answer.AnswerFault;
import orthogon.core.answer.AnswerMaker.TypedWords;
import orthogon.core.answer.kinds.AnswerMakers;
import orthogon.core.questionnaire.Refused;

/** Kinds of answer as they are typed: {@code number 1..20 animals}, {@code many: blood; a hanging wing; none of these!}. */
public final class AnswerWords {

    private AnswerWords() {}

    /** Every kind of row, for the list of types. */
    public static final List<TypedWords> KINDS = Stream.concat(AnswerMakers.lines().stream(), Stream.of(
            new TypedWords("note", "note", "text only"),
            new TypedWords("section", "section", "a titled group"),
            new TypedWords("roster 1..12 Animal", "roster", "a group answered once per entry"),
            new TypedWords("roster 0..8 as many as persons Person", "roster", "with as many entries as an answer says"),
            new TypedWords("derive: 1 + 1", "derived value", "computed from answers"))).toList();

    /** @throws Refused where the words are no kind of answer */
    public static Answer read(String words) throws Refused {
        try {
            return AnswerMakers.typed(words.trim()).orElseThrow(() -> new Refused("“" + words.trim() + "” is not a kind of answer. "
                    + "There are text, long text, number 1..20, yes/no, one: a; b, many: a; b, date, email and more; the list of types "
                    + "shows them all."));
        } catch (AnswerFault e) {
            throw new Refused(e.sentence());
        }
    }
}
