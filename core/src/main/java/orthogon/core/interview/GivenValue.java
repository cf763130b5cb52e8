package orthogon.core.interview;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import orthogon.core.answer.Answer;
import orthogon.core.answer.Domain;
import orthogon.core.answer.Option;
import orthogon.core.questionnaire.Question;

/** What a respondent gave, as an interview keeps it. */
final class GivenValue {

    private GivenValue() {}

    /** Text trimmed, whatever is empty blank, an agreement that is not given blank, chosen options in the order of the question. */
    static Object of(Object value, Question question) {
        return switch (value) {
            case null -> null;
            case Boolean b when !b && question.answer().domain() instanceof Domain.Truths(boolean onlyTrue) && onlyTrue -> null;
            case String s -> s.trim().isEmpty() ? null : s.trim();
            case Unreadable u -> u.typed().isBlank() ? null : u;
            case Collection<?> c when c.isEmpty() -> null;
            case Collection<?> c when question.answer().hasOwnOptions() && !(question.answer().domain() instanceof Domain.Orders) ->
                ordered(c, question.answer());
            case Collection<?> c -> List.copyOf(c);
            case Map<?, ?> parts -> {
                Map<String, Object> kept = new LinkedHashMap<>();
                parts.forEach((part, inner) -> {
                    Object each = of(inner, question);
                    if (each != null) {
                        kept.put((String) part, each);
                    }
                });
                yield kept.isEmpty() ? null : Collections.unmodifiableMap(kept);
            }
            default -> value;
        };
    }

    /** The text beside an "other" option, trimmed; blank where it is empty. */
    static Object ofOther(Object value) {
        return value instanceof String s && !s.isBlank() ? s.trim() : null;
    }

    private static List<Object> ordered(Collection<?> chosen, Answer answer) {
        List<String> order = answer.options().stream().map(Option::code).toList();
        List<Object> sorted = new ArrayList<>(chosen);
        sorted.sort(Comparator.comparingInt(o -> order.indexOf(o) < 0 ? Integer.MAX_VALUE : order.indexOf(o)));
        return List.copyOf(sorted);
    }
}
