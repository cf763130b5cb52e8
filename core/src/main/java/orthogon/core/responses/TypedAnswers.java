package orthogon.core.responses;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import orthogon.core.expression.Type;
import orthogon.core.expression.Wiring;
import orthogon.core.questionnaire.Derived;
import orthogon.core.questionnaire.Questionnaire;

/** Derived values have no type where they are stored; days and times are texts there, and are read back here. */
public final class TypedAnswers {

    private final Map<String, Optional<Type>> types = new LinkedHashMap<>();

    /** @param document that the answers are to */
    public TypedAnswers(Questionnaire document) {
        Wiring wiring = Wiring.of(document);
        document.items().filter(Derived.class::isInstance).forEach(i -> types.put(i.code(), wiring.type(i.code())));
    }

    /** The same answers with every derived value of the type that it has in the questionnaire. */
    public Map<String, Object> of(Map<String, Object> answers) {
        Map<String, Object> typed = new LinkedHashMap<>(answers);
        types.forEach((code, type) -> typed.computeIfPresent(code, (c, value) -> value instanceof String text ? value(text, type) : value));
        return typed;
    }

    private static Object value(String text, Optional<Type> type) {
        try {
            return switch (type.map(Type::kind).orElse(Type.TypeKind.TEXT)) {
                case DATE -> LocalDate.parse(text);
                case TIME -> LocalTime.parse(text);
                default -> text;
            };
        } catch (DateTimeException e) {
            return text;
        }
    }
}
