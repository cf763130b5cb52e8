package orthogon.formats.stored;

import orthogon.core.interview.Unreadable;
import orthogon.core.questionnaire.Questionnaire;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import tools.jackson.databind.JsonNode;

/** Raw answers of a running interview as JSON, so that what was typed but cannot be read is kept as well. */
public final class StoredAnswers {

    static final String TYPED = "typed";

    private StoredAnswers() {}

    public static String write(Map<String, ?> answers) {
        Map<String, Object> json = new LinkedHashMap<>();
        answers.forEach((slot, value) -> json.put(slot,
                value instanceof Unreadable u ? Map.of(TYPED, Map.of("text", u.typed())) : JsonAnswers.value(value)));
        return AnswerFile.MAPPER.writeValueAsString(json);
    }

    /**
     * Answers by slot, or as they were sent. Those to questions that the document no longer has, or of another type by now, are left
     * out.
     */
    public static Map<String, Object> read(Questionnaire document, String text) {
        return new AnswerReader(document).read(text);
    }

    public static String writeTexts(Iterable<String> texts) {
        return AnswerFile.MAPPER.writeValueAsString(texts);
    }

    public static List<String> readTexts(String json) {
        List<String> texts = new ArrayList<>();
        AnswerFile.MAPPER.readTree(json).forEach(t -> texts.add(t.asString()));
        return texts;
    }

    public static Map<String, String> readLink(String json) {
        Map<String, String> link = new LinkedHashMap<>();
        JsonNode node = AnswerFile.MAPPER.readTree(json);
        node.propertyNames().forEach(name -> link.put(name, node.get(name).asString()));
        return link;
    }
}
