package orthogon.formats.dictionary;

import orthogon.core.answer.Domain;
import orthogon.core.answer.Option;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Roster;
import orthogon.formats.answer.ValueSchema;
import orthogon.formats.answer.kinds.AnswerFormats;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;

/**
 * A JSON Schema (2020-12) that the answers of every response satisfy. Blank answers are left out, so that no member is required; limits
 * that hang on today are not in it.
 */
public final class ResponseSchema {

    private static final JsonMapper MAPPER = JsonMapper.builder().enable(SerializationFeature.INDENT_OUTPUT).build();

    private ResponseSchema() {}

    public static String of(Questionnaire document) {
        Map<String, Object> schema = new LinkedHashMap<>();
        schema.put("$schema", "https://json-schema.org/draft/2020-12/schema");
        schema.put("title", "Answers to " + document.title());
        schema.put("type", "object");
        Map<String, Object> members = members(document.pages().stream().flatMap(p -> p.items().stream()).toList());
        document.arriving().forEach(p -> members.put(p.code(), ValueSchema.of(new Domain.Arriving(p.allowed()))));
        schema.put("properties", members);
        schema.put("additionalProperties", false);
        return MAPPER.writeValueAsString(schema);
    }

    private static Map<String, Object> members(List<Item> items) {
        Map<String, Object> members = new LinkedHashMap<>();
        for (Item item : items) {
            switch (item) {
                case Roster r -> {
                    Map<String, Object> entry = ValueSchema.object(members(r.items()));
                    Map<String, Object> list = ValueSchema.list(entry);
                    list.put("maxItems", r.most());
                    members.put(r.code(), list);
                }
                case orthogon.core.questionnaire.Section s -> members.putAll(members(s.items()));
                case Question q when !q.isHidden() -> {
                    members.put(q.code(), titled(q, AnswerFormats.of(q.answer()).schema(q.answer())));
                    if (q.answer().options().stream().anyMatch(Option::other)) {
                        members.put(q.code() + ".other", ValueSchema.text());
                    }
                }
                default -> {}
            }
        }
        return members;
    }

    private static Map<String, Object> titled(Question q, Map<String, Object> value) {
        Map<String, Object> titled = new LinkedHashMap<>();
        titled.put("title", q.wording());
        titled.putAll(value);
        return titled;
    }
}
