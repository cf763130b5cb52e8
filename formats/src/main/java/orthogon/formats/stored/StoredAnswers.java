package orthogon.formats.stored;

import orthogon.core.interview.Slots;
import orthogon.core.interview.Unreadable;
import orthogon.core.questionnaire.Derived;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Roster;
import orthogon.formats.answer.kinds.AnswerFormats;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import tools.jackson.databind.JsonNode;

/** Raw answers of a running interview as JSON, so that what was typed but cannot be read is kept as well. */
public final class StoredAnswers {

    private static final String TYPED = "typed";

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
        JsonNode node = AnswerFile.MAPPER.readTree(text);
        Map<String, Object> answers = new LinkedHashMap<>();
        for (String slot : node.propertyNames()) {
            Object value = value(document, slot, node.get(slot));
            if (value != null) {
                answers.put(slot, value);
            }
        }
        return answers;
    }

    private static Object value(Questionnaire document, String slot, JsonNode value) {
        if (document.item(slot).orElse(null) instanceof Roster && value.isArray()) {
            return value.valueStream().map(entry -> entry.isObject() ? entry(document, entry) : entry.asString()).toList();
        }
        if (document.item(slot).orElse(null) instanceof Derived
                || document.linkParameters().stream().anyMatch(p -> p.code().equals(slot))) {
            return plain(value);
        }
        Question question = Slots.question(document, slot).orElse(null);
        if (question == null) {
            return null;
        }
        if (value.path(TYPED).path("text").isString()) {
            return new Unreadable(value.path(TYPED).path("text").asString());
        }
        Object read = Slots.isOther(slot) ? value.asString() : AnswerFormats.value(question.answer(), value);
        return read instanceof Unreadable ? null : read;
    }

    /** A value that no question takes; days and times stay as they are written. */
    private static Object plain(JsonNode value) {
        return value.isBoolean()
                ? (Object) value.booleanValue()
                : value.isNumber()
                        ? value.decimalValue()
                        : value.isArray()
                                ? value.valueStream().map(StoredAnswers::plain).toList()
                                : value.asString();
    }

    private static Map<String, Object> entry(Questionnaire document, JsonNode entry) {
        Map<String, Object> answers = new LinkedHashMap<>();
        entry.propertyNames().forEach(code -> {
            Object value = value(document, code, entry.get(code));
            if (value != null) {
                answers.put(code, value);
            }
        });
        return answers;
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
