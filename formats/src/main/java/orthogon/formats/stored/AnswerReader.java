package orthogon.formats.stored;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import orthogon.core.interview.Slots;
import orthogon.core.interview.Unreadable;
import orthogon.core.questionnaire.Derived;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Roster;
import orthogon.formats.answer.kinds.AnswerFormats;
import tools.jackson.databind.JsonNode;

/** Reads answers to one document from JSON, as {@link StoredAnswers} writes them. One reader serves for many responses. */
public final class AnswerReader {

    private final Map<String, Item> items = new HashMap<>();
    private final Set<String> linkParameters;

    public AnswerReader(Questionnaire document) {
        document.items().forEach(i -> items.putIfAbsent(i.code(), i));
        linkParameters = document.linkParameters().stream().map(Questionnaire.LinkParameter::code).collect(Collectors.toSet());
    }

    /**
     * Answers by slot, or as they were sent. Those to questions that the document does not have, or of another type, are left out.
     *
     * @throws tools.jackson.core.JacksonException where the text is no JSON
     */
    public Map<String, Object> read(String json) {
        return answers(AnswerFile.MAPPER.readTree(json));
    }

    private Map<String, Object> answers(JsonNode node) {
        Map<String, Object> answers = new LinkedHashMap<>();
        for (String slot : node.propertyNames()) {
            Object value = value(slot, node.get(slot));
            if (value != null) {
                answers.put(slot, value);
            }
        }
        return answers;
    }

    private Object value(String slot, JsonNode value) {
        Item item = items.get(slot);
        if (item instanceof Roster && value.isArray()) {
            return value.valueStream().map(entry -> entry.isObject() ? answers(entry) : entry.asString()).toList();
        }
        if (item instanceof Derived || linkParameters.contains(slot)) {
            return plain(value);
        }
        if (!(items.get(Slots.code(slot)) instanceof Question question)) {
            return null;
        }
        if (value.path(StoredAnswers.TYPED).path("text").isString()) {
            return new Unreadable(value.path(StoredAnswers.TYPED).path("text").asString());
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
                                ? value.valueStream().map(AnswerReader::plain).toList()
                                : value.asString();
    }
}
