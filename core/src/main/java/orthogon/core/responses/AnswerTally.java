package orthogon.core.responses;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import orthogon.core.responses.KeptValue.ValueKind;

/**
 * Counts the answers of many responses. Each response comes as one text, which {@link #line} makes when the response is kept, so that
 * counting reads one row of a database for each response and not one for each answer.
 *
 * <p>The text has one entry for each value: the sign of its kind, the code, and the value itself, which is left out for texts that are not
 * counted. An instance is used by one thread.
 */
public final class AnswerTally {

    private static final char ENTRY = '\n';
    private static final char VALUE = '\t';
    private static final Map<String, ValueKind> KINDS = Arrays.stream(ValueKind.values())
            .collect(Collectors.toMap(ValueKind::sign, Function.identity()));

    private final Map<String, int[]> entries = new HashMap<>();

    /**
     * The text of one response.
     *
     * @param counted names of which texts are counted, as {@link AnswerFigures#counted} gives them
     */
    public static String line(List<KeptValue> values, Set<String> counted) {
        StringBuilder line = new StringBuilder();
        for (KeptValue value : values) {
            line.append(value.kind().sign()).append(value.code());
            if (value.number() != null) {
                // Equal numbers are the same text.
                line.append(VALUE).append(value.number().stripTrailingZeros());
            } else if (value.kind() != ValueKind.TEXT || counted.contains(value.code())) {
                line.append(VALUE).append(value.text().replace(ENTRY, ' '));
            }
            line.append(ENTRY);
        }
        return line.toString();
    }

    public void add(String line) {
        int from = 0;
        for (int end = line.indexOf(ENTRY); end >= 0; end = line.indexOf(ENTRY, from)) {
            entries.computeIfAbsent(line.substring(from, end), e -> new int[1])[0]++;
            from = end + 1;
        }
    }

    /** How many responses answered each question, and each part of an answer, by code. */
    public Map<String, Integer> answered() {
        Map<String, Integer> answered = new HashMap<>();
        entries.forEach((entry, count) -> {
            if (kind(entry) != ValueKind.ELEMENT) {
                answered.merge(code(entry), count[0], Integer::sum);
            }
        });
        return answered;
    }

    /** Every value with how many responses have it, by code. */
    public Map<String, List<CountedValue>> values() {
        Map<String, List<CountedValue>> values = new HashMap<>();
        entries.forEach((entry, count) -> {
            int at = entry.indexOf(VALUE);
            if (at >= 0) {
                ValueKind kind = kind(entry);
                String value = entry.substring(at + 1);
                boolean isText = kind == ValueKind.TEXT || kind == ValueKind.ELEMENT;
                values.computeIfAbsent(code(entry), c -> new ArrayList<>()).add(new CountedValue(code(entry), kind, isText ? value : "",
                        isText ? null : new BigDecimal(value), count[0]));
            }
        });
        return values;
    }

    private static ValueKind kind(String entry) {
        return KINDS.get(entry.substring(0, 1));
    }

    private static String code(String entry) {
        int at = entry.indexOf(VALUE);
        return entry.substring(1, at < 0 ? entry.length() : at);
    }
}
