package orthogon.formats.report;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import orthogon.core.interview.Unreadable;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import tools.jackson.databind.JsonNode;

/** Raw answers of a running interview as JSON, so that what was typed but cannot be read is kept as well. */
public final class StoredAnswers {

    private static final String TYPED = "typed";

    private StoredAnswers() {}

    public static String write(Map<String, ?> answers) {
        Map<String, Object> json = new LinkedHashMap<>();
        answers.forEach((code, value) -> json.put(code, value instanceof Unreadable u
                ? Map.of(TYPED, u.typed())
                : value instanceof java.time.LocalDate d ? d.toString() : value));
        return AnswerFile.MAPPER.writeValueAsString(json);
    }

    /** Answers to questions that the document no longer has, or of another type by now, are left out. */
    public static Map<String, Object> read(Questionnaire document, String text) {
        JsonNode node = AnswerFile.MAPPER.readTree(text);
        Map<String, Object> answers = new LinkedHashMap<>();
        for (String code : node.propertyNames()) {
            JsonNode value = node.get(code);
            Question question = document.question(code).orElse(null);
            if (question != null && value.isObject()) {
                answers.put(code, new Unreadable(value.get(TYPED).asString()));
            } else if (question != null && !(AnswerFile.value(question.answer(), value) instanceof Unreadable)) {
                answers.put(code, AnswerFile.value(question.answer(), value));
            }
        }
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
