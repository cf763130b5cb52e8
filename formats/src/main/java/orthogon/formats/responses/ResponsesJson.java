package orthogon.formats.responses;

import java.io.IOException;
import java.io.OutputStream;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import orthogon.core.questionnaire.Derived;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Roster;
import orthogon.formats.progress.ProgressListener;
import orthogon.formats.stored.JsonAnswers;
import tools.jackson.core.JsonGenerator;
import tools.jackson.databind.json.JsonMapper;

/** Responses as a JSON array; the {@code answers} of each satisfy the schema of the questionnaire's responses. */
public final class ResponsesJson {

    private static final JsonMapper MAPPER = JsonMapper.builder().build();

    private ResponsesJson() {}

    /**
     * Writes the array, one response after the other.
     *
     * @param lines gone through once
     * @param progress is told of each line, and may end the work
     * @throws IOException if the file cannot be written
     */
    public static void write(Questionnaire document, Iterable<ResponseLine> lines, int count, OutputStream to, ProgressListener progress)
            throws IOException {
        try (JsonGenerator json = MAPPER.createGenerator(to)) {
            json.writeStartArray();
            int written = 0;
            for (ResponseLine line : lines) {
                progress.at("Writing the responses", written++, count);
                json.writePOJO(object(document, line));
            }
            json.writeEndArray();
        }
    }

    private static Map<String, Object> object(Questionnaire document, ResponseLine line) {
        Map<String, Object> object = new LinkedHashMap<>();
        object.put("receipt", line.receipt());
        object.put("release", line.release());
        object.put("sent", DateTimeFormatter.ISO_OFFSET_DATE_TIME.format(line.sent()));
        object.put("outcome", line.outcome());
        object.put("language", line.language());
        object.put("state", line.state());
        object.put("inCharge", line.inCharge());
        Map<String, Object> answers = new LinkedHashMap<>();
        Map<String, Object> derived = new LinkedHashMap<>();
        part(document, line.answers(), answers, derived);
        object.put("answers", JsonAnswers.of(answers));
        object.put("derived", JsonAnswers.of(derived));
        return object;
    }

    /** Parts what was answered from what was derived, in the entries of rosters too. */
    private static void part(Questionnaire document, Map<?, ?> values, Map<String, Object> answers, Map<String, Object> derived) {
        values.forEach((key, value) -> {
            String code = (String) key;
            switch (document.item(code).orElse(null)) {
                case Derived d -> derived.put(code, value);
                case Roster r when value instanceof List<?> entries -> {
                    List<Map<String, Object>> answered = new ArrayList<>();
                    List<Map<String, Object>> worked = new ArrayList<>();
                    entries.forEach(entry -> {
                        answered.add(new LinkedHashMap<>());
                        worked.add(new LinkedHashMap<>());
                        part(document, (Map<?, ?>) entry, answered.getLast(), worked.getLast());
                    });
                    answers.put(code, answered);
                    if (worked.stream().anyMatch(w -> !w.isEmpty())) {
                        derived.put(code, worked);
                    }
                }
                case null, default -> answers.put(code, value);
            }
        });
    }
}
