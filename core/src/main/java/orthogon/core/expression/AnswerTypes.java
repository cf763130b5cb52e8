package orthogon.core.expression;

import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import orthogon.core.questionnaire.Answer;
import orthogon.core.questionnaire.Question;

/** The type that each kind of answer has in an expression. */
final class AnswerTypes {

    private AnswerTypes() {}

    /** The type of a value that arrives with the link. */
    static Type arriving(String code, List<String> allowed) {
        return allowed.isEmpty() ? Type.TEXT : Type.choice(code, new LinkedHashSet<>(allowed));
    }

    static Type of(Question q) {
        return switch (q.answer()) {
            case Answer.TextAnswer t -> Type.TEXT;
            case Answer.Contact c -> Type.TEXT;
            case Answer.Lookup l -> Type.TEXT;
            case Answer.Numeric n -> Type.NUMBER;
            case Answer.Scale s -> Type.NUMBER;
            case Answer.YesNo y -> Type.TRUTH;
            case Answer.Agreement a -> Type.TRUTH;
            case Answer.DateAnswer d -> Type.DATE;
            case Answer.TimeAnswer t -> Type.TIME;
            case Answer.OneChoice c -> Type.choice(q.code(), codes(c));
            case Answer.IsoCode c -> Type.choice(q.code(), codes(c));
            case Answer.ManyChoices c -> Type.listOf(Type.choice(q.code(), codes(c)));
            case Answer.Ranking r -> Type.listOf(Type.choice(q.code(), codes(r)));
            case Answer.FileAnswer f -> Type.listOf(Type.FILE);
            case Answer.Hidden h -> arriving(q.code(), h.allowed());
            case Answer.Signature s -> Type.parts(q.code(), Map.of("name", Type.TEXT));
            case Answer.Parts p -> {
                Map<String, Type> parts = new LinkedHashMap<>();
                p.parts().forEach(part -> parts.put(part, Type.TEXT));
                yield Type.parts(q.code(), parts);
            }
            case Answer.Grid g -> {
                Type row = Type.choice(q.code(), codes(g));
                Map<String, Type> rows = new LinkedHashMap<>();
                g.rows().forEach(r -> rows.put(r.code(), g.many() ? Type.listOf(row) : row));
                yield Type.parts(q.code(), rows);
            }
        };
    }

    private static Set<String> codes(Answer answer) {
        Set<String> codes = new LinkedHashSet<>();
        answer.options().forEach(o -> codes.add(o.code()));
        return codes;
    }
}
