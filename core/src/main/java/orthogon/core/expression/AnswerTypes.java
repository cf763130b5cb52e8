package orthogon.core.expression;

import orthogon.core.answer.Domain;
import orthogon.core.answer.GridRow;
import orthogon.core.answer.lookup.LookupAnswer;
import orthogon.core.questionnaire.Question;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;

/** The type that each kind of answer has in an expression. */
final class AnswerTypes {

    private AnswerTypes() {}

    /** The type of a value that arrives with the link. */
    static Type arriving(String code, List<String> allowed) {
        return allowed.isEmpty() ? Type.TEXT : choice(code, allowed);
    }

    static Type of(Question q) {
        return of(q.code(), q.answer().domain());
    }

    /** The type of the record that stands for any that a lookup may offer. */
    static Type ofRecord(LookupAnswer lookup) {
        return of(Domain.OneRecord.RECEIPT, lookup.domain());
    }

    private static Type of(String code, Domain domain) {
        return switch (domain) {
            case Domain.FreeTexts t -> Type.TEXT;
            case Domain.Opaque o -> Type.TEXT;
            case Domain.Numbers n -> Type.NUMBER;
            case Domain.Steps s -> Type.NUMBER;
            case Domain.Truths t -> Type.TRUTH;
            case Domain.Dates d -> Type.DATE;
            case Domain.TimesOfDay t -> Type.TIME;
            case Domain.OneOf o -> choice(code, o.codes());
            case Domain.Subset s -> Type.listOf(choice(code, s.codes()));
            case Domain.Orders o -> Type.listOf(choice(code, o.codes()));
            case Domain.Files f -> Type.listOf(Type.FILE);
            case Domain.Arriving a -> arriving(code, a.allowed());
            case Domain.TextParts p -> parts(code, p.parts(), Type.TEXT);
            case Domain.OneRecord r -> oneRecord(code, r);
            case Domain.EachRow r -> parts(code, r.rows().stream().map(GridRow::code).toList(), of(code, r.row()));
        };
    }

    private static Type oneRecord(String code, Domain.OneRecord record) {
        Map<String, Type> parts = new LinkedHashMap<>(Map.of(Domain.OneRecord.RECEIPT, Type.TEXT));
        record.shows().forEach((shown, domain) -> parts.put(shown, of(code + "." + shown, domain)));
        return Type.parts(code, parts);
    }

    private static Type choice(String code, List<String> codes) {
        return Type.choice(code, new LinkedHashSet<>(codes));
    }

    private static Type parts(String code, List<String> names, Type each) {
        Map<String, Type> parts = new LinkedHashMap<>();
        names.forEach(name -> parts.put(name, each));
        return Type.parts(code, parts);
    }
}
