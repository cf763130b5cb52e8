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

    private TypedAnswers() {}

    /** The same answers with every derived value of the type that it has in the questionnaire. */
    public static Map<String, Object> of(Questionnaire document, Map<String, Object> answers) {
        Map<String, Object> typed = new LinkedHashMap<>(answers);
        document.items().filter(Derived.class::isInstance).map(i -> i.code()).filter(code -> typed.get(code) instanceof String)
                .forEach(code -> typed.put(code, value((String) typed.get(code), Wiring.of(document).type(code))));
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
