package orthogon.core.questionnaire;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;

/**
 * An alternative wording, help and labels, used while the condition holds; an empty text leaves the usual one.
 *
 * @param labels option code to the label it has then
 */
public record Reword(String when, String wording, String help, Map<String, String> labels) {

    public Reword {
        labels = Collections.unmodifiableMap(new LinkedHashMap<>(labels));
    }

    public Reword(String when, String wording, String help) {
        this(when, wording, help, Map.of());
    }
}
