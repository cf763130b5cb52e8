package orthogon.formats.stored;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import orthogon.core.answer.file.Attachment;

/** Answers as values of JSON. */
public final class JsonAnswers {

    private JsonAnswers() {}

    /** Answers as JSON values: dates as ISO texts. */
    public static Map<String, Object> of(Map<String, Object> answers) {
        Map<String, Object> json = new LinkedHashMap<>();
        answers.forEach((code, value) -> json.put(code, value(value)));
        return json;
    }

    /** A value as JSON has it: dates and times as ISO texts, a file as its name, size and kind. */
    public static Object value(Object value) {
        return switch (value) {
            case java.time.LocalDate d -> d.toString();
            case java.time.LocalTime t -> t.toString();
            case java.time.temporal.TemporalAmount t -> t.toString();
            case List<?> l -> l.stream().map(JsonAnswers::value).toList();
            case Map<?, ?> m -> {
                Map<String, Object> object = new LinkedHashMap<>();
                m.forEach((part, inner) -> object.put((String) part, value(inner)));
                yield object;
            }
            case Attachment f -> {
                Map<String, Object> object = new LinkedHashMap<>();
                object.put("key", f.key());
                object.put("name", f.name());
                object.put("bytes", f.bytes());
                object.put("mediaType", f.mediaType());
                yield object;
            }
            case null, default -> value;
        };
    }
}
