package orthogon.app.answer;

import java.math.BigDecimal;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import orthogon.core.place.RuleFamily;

/**
 * One field of the inspector.
 *
 * @param kind {@code text}, {@code mono}, {@code pair}, {@code choose}, {@code tick}, {@code ticks} or {@code condition}
 * @param second the second name of a pair; the family of a condition
 * @param choices value to words, for {@code choose} and {@code ticks}
 * @param chosen values that are ticked
 */
public record Setting(String kind, String name, String label, String value, String second, String secondValue, Map<String, String> choices,
        List<String> chosen, String hint) {

    public static Setting text(String name, String label, Object value, String hint) {
        return new Setting("text", name, label, shown(value), "", "", Map.of(), List.of(), hint);
    }

    /** A text in letters of one width. */
    public static Setting mono(String name, String label, Object value, String hint) {
        return new Setting("mono", name, label, shown(value), "", "", Map.of(), List.of(), hint);
    }

    public static Setting pair(String label, String name, Object value, String second, Object secondValue, String hint) {
        return new Setting("pair", name, label, shown(value), second, shown(secondValue), Map.of(), List.of(), hint);
    }

    public static Setting choose(String name, String label, String value, Map<String, String> choices) {
        return new Setting("choose", name, label, value, "", "", choices, List.of(), "");
    }

    public static Setting tick(String name, String label, boolean ticked) {
        return new Setting("tick", name, label, ticked ? "true" : "", "", "", Map.of(), List.of(), "");
    }

    public static Setting ticks(String name, String label, Map<String, String> choices, List<String> chosen) {
        return new Setting("ticks", name, label, "", "", "", choices, chosen, "");
    }

    /**
     * A condition at the question.
     *
     * @param empty what holds where there is none
     */
    public static Setting condition(String name, String label, RuleFamily family, String text, String empty) {
        return new Setting("condition", name, label, text, family.name(), "", Map.of(), List.of(), empty);
    }

    /** Values and their words in turn. */
    public static Map<String, String> words(String... words) {
        Map<String, String> map = new LinkedHashMap<>();
        for (int i = 0; i < words.length; i += 2) {
            map.put(words[i], words[i + 1]);
        }
        return map;
    }

    private static String shown(Object value) {
        return switch (value) {
            case null -> "";
            case BigDecimal d -> d.toPlainString();
            default -> value.toString();
        };
    }
}
