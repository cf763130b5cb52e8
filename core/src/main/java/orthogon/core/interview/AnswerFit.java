package orthogon.core.interview;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import orthogon.core.questionnaire.Answer;
import orthogon.core.questionnaire.Attachment;

/** Whether a value is of its question's type and on offer. What is not counts as blank, so that nothing downstream meets it. */
final class AnswerFit {

    private AnswerFit() {}

    /** The part of a value that counts; null where nothing of it does. Limits are not looked at. */
    static Object counting(Answer answer, Object raw, List<Answer.Option> offered, List<String> rows) {
        return switch (answer) {
            case Answer.Grid g -> raw instanceof Map<?, ?> given ? grid(g, given, offered, rows) : null;
            case Answer.OneChoice c -> isOffered(raw, offered) ? raw : null;
            case Answer.IsoCode c -> isOffered(raw, offered) ? raw : null;
            case Answer.ManyChoices c -> areOffered(raw, offered) ? raw : null;
            case Answer.Ranking r -> areOffered(raw, offered) ? raw : null;
            case Answer.TextAnswer t -> raw instanceof String ? raw : null;
            case Answer.Contact c -> raw instanceof String ? raw : null;
            case Answer.Lookup l -> raw instanceof String ? raw : null;
            case Answer.Parts p -> raw instanceof Map<?, ?> parts ? known(parts, p.parts()) : null;
            case Answer.Signature s -> raw instanceof Map<?, ?> parts ? known(parts, List.of("name", "path")) : null;
            case Answer.Numeric n -> raw instanceof BigDecimal ? raw : null;
            case Answer.Scale s -> raw instanceof BigDecimal ? raw : null;
            case Answer.YesNo y -> raw instanceof Boolean ? raw : null;
            case Answer.Agreement a -> Boolean.TRUE.equals(raw) ? raw : null;
            case Answer.DateAnswer d -> raw instanceof LocalDate ? raw : null;
            case Answer.TimeAnswer t -> raw instanceof LocalTime ? raw : null;
            case Answer.FileAnswer f -> raw instanceof List<?> files && files.stream().allMatch(Attachment.class::isInstance) ? raw : null;
            case Answer.Hidden h -> null;
        };
    }

    private static boolean isOffered(Object code, List<Answer.Option> offered) {
        return code instanceof String && offered.stream().anyMatch(o -> o.code().equals(code));
    }

    private static boolean areOffered(Object codes, List<Answer.Option> offered) {
        return codes instanceof List<?> chosen && chosen.stream().allMatch(code -> isOffered(code, offered));
    }

    private static Map<String, Object> known(Map<?, ?> given, List<String> parts) {
        Map<String, Object> known = new LinkedHashMap<>();
        for (String part : parts) {
            if (given.get(part) instanceof String text && !text.isBlank()) {
                known.put(part, text);
            }
        }
        return known.isEmpty() ? null : Collections.unmodifiableMap(known);
    }

    private static Map<String, Object> grid(Answer.Grid grid, Map<?, ?> given, List<Answer.Option> offered, List<String> rows) {
        Map<String, Object> known = new LinkedHashMap<>();
        for (String row : rows) {
            Object value = counting(grid.row(), given.get(row), offered, List.of());
            if (value != null) {
                known.put(row, value);
            }
        }
        return known.isEmpty() ? null : Collections.unmodifiableMap(known);
    }
}
