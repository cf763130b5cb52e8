package orthogon.core.responses;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import orthogon.core.interview.Slots;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Roster;

/**
 * A part of a response as a database keeps it to find and sort by. Every answer that is not blank has one that is no element; a list has
 * one more for each element, and an answer with named parts one or more for each part, under {@code question.part}.
 *
 * @param text at most {@link Selection#LONGEST} UTF-16 units, the beginning of a longer one; empty where the value is a number
 * @param number the number itself, days since 1970, seconds since midnight, 1 or 0 for yes and no, or how many elements a list has;
 *     null for a text
 */
public record KeptValue(String code, ValueKind kind, String text, BigDecimal number) {

    /** What kind of value is kept; values of different kinds are never compared. */
    public enum ValueKind {
        TEXT("T"), NUMBER("N"), TRUTH("B"), DAY("D"), TIME("M"), ELEMENT("E"), WHOLE("W");

        private final String sign;

        ValueKind(String sign) {
            this.sign = sign;
        }

        /** One letter, for the database. */
        public String sign() {
            return sign;
        }
    }

    /** Everything that is kept of the answers of a response, as they were sent. Entries of rosters are only counted. */
    public static List<KeptValue> of(Questionnaire document, Map<String, Object> answers) {
        List<KeptValue> kept = new ArrayList<>();
        answers.forEach((code, value) -> {
            if (document.item(code).orElse(null) instanceof Roster && value instanceof List<?> entries) {
                kept.add(whole(code, entries.size()));
            } else if (!Slots.isOther(code)) {
                add(code, value, kept);
            }
        });
        return kept;
    }

    private static void add(String code, Object value, List<KeptValue> into) {
        switch (value) {
            case null -> {}
            case List<?> list -> {
                into.add(whole(code, list.size()));
                list.stream().filter(String.class::isInstance).distinct()
                        .forEach(e -> into.add(new KeptValue(code, ValueKind.ELEMENT, beginning((String) e), null)));
            }
            case Map<?, ?> parts -> {
                into.add(whole(code, parts.size()));
                parts.forEach((part, given) -> add(code + "." + part, given, into));
            }
            default -> into.add(single(code, value));
        }
    }

    private static KeptValue whole(String code, int size) {
        return new KeptValue(code, ValueKind.WHOLE, "", BigDecimal.valueOf(size));
    }

    /** A value that is neither a list nor has parts. */
    public static KeptValue single(String code, Object value) {
        return switch (value) {
            case BigDecimal d -> new KeptValue(code, ValueKind.NUMBER, "", d);
            case Boolean b -> new KeptValue(code, ValueKind.TRUTH, "", b ? BigDecimal.ONE : BigDecimal.ZERO);
            case LocalDate d -> new KeptValue(code, ValueKind.DAY, "", BigDecimal.valueOf(d.toEpochDay()));
            case LocalTime t -> new KeptValue(code, ValueKind.TIME, "", BigDecimal.valueOf(t.toSecondOfDay()));
            default -> new KeptValue(code, ValueKind.TEXT, beginning(value.toString()), null);
        };
    }

    private static String beginning(String text) {
        if (text.length() <= Selection.LONGEST) {
            return text;
        }
        // No database takes half of a pair of surrogates.
        int end = Character.isHighSurrogate(text.charAt(Selection.LONGEST - 1)) ? Selection.LONGEST - 1 : Selection.LONGEST;
        return text.substring(0, end);
    }
}
