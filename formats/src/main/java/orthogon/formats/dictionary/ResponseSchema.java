package orthogon.formats.dictionary;

import java.math.BigDecimal;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import orthogon.core.questionnaire.Answer;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Roster;
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
        document.arriving().forEach(p -> members.put(p.code(), p.allowed().isEmpty() ? text() : one(p.allowed())));
        schema.put("properties", members);
        schema.put("additionalProperties", false);
        return MAPPER.writeValueAsString(schema);
    }

    private static Map<String, Object> members(List<Item> items) {
        Map<String, Object> members = new LinkedHashMap<>();
        for (Item item : items) {
            switch (item) {
                case Roster r -> {
                    Map<String, Object> entry = object(members(r.items()));
                    Map<String, Object> list = list(entry);
                    list.put("maxItems", r.most());
                    members.put(r.code(), list);
                }
                case orthogon.core.questionnaire.Section s -> members.putAll(members(s.items()));
                case Question q when !q.isHidden() -> {
                    members.put(q.code(), titled(q, value(q.answer())));
                    if (q.answer().options().stream().anyMatch(Answer.Option::other)) {
                        members.put(q.code() + ".other", text());
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

    private static Map<String, Object> value(Answer answer) {
        return switch (answer) {
            case Answer.YesNo y -> type("boolean");
            case Answer.Agreement a -> constant(true);
            case Answer.Numeric n -> number(n.least(), n.most(), n.decimals());
            case Answer.Scale s -> number(BigDecimal.valueOf(s.first()), BigDecimal.valueOf(s.last()), 0);
            case Answer.OneChoice c -> one(codes(c));
            case Answer.IsoCode c -> one(codes(c));
            case Answer.ManyChoices c -> {
                Map<String, Object> list = list(one(codes(c)));
                list.put("uniqueItems", true);
                if (c.most() != null) {
                    list.put("maxItems", c.most());
                }
                yield list;
            }
            case Answer.Ranking r -> {
                Map<String, Object> list = list(one(codes(r)));
                list.put("uniqueItems", true);
                list.put("minItems", r.ranked());
                list.put("maxItems", r.ranked());
                yield list;
            }
            case Answer.Grid g -> {
                Map<String, Object> rows = new LinkedHashMap<>();
                g.rows().forEach(r -> rows.put(r.code(), value(g.row())));
                yield object(rows);
            }
            case Answer.TextAnswer t -> {
                Map<String, Object> text = text();
                if (t.least() != null) {
                    text.put("minLength", t.least());
                }
                if (t.most() != null) {
                    text.put("maxLength", t.most());
                }
                yield text;
            }
            case Answer.DateAnswer d -> format("date");
            case Answer.TimeAnswer t -> {
                Map<String, Object> time = text();
                time.put("pattern", "^\\d{2}:\\d{2}(:\\d{2})?$");
                yield time;
            }
            case Answer.Parts p -> parts(p.parts().stream());
            case Answer.Signature s -> parts(Stream.of("name", "path"));
            case Answer.FileAnswer f -> {
                Map<String, Object> file = new LinkedHashMap<>();
                file.put("key", text());
                file.put("name", text());
                file.put("bytes", type("integer"));
                file.put("mediaType", text());
                Map<String, Object> list = list(object(file));
                list.put("maxItems", f.most());
                yield list;
            }
            case Answer.Contact c -> text();
            case Answer.Lookup l -> text();
            case Answer.Hidden h -> text();
        };
    }

    private static List<String> codes(Answer answer) {
        return answer.options().stream().map(Answer.Option::code).toList();
    }

    private static Map<String, Object> type(String type) {
        Map<String, Object> schema = new LinkedHashMap<>();
        schema.put("type", type);
        return schema;
    }

    private static Map<String, Object> text() {
        return type("string");
    }

    private static Map<String, Object> format(String format) {
        Map<String, Object> text = text();
        text.put("format", format);
        return text;
    }

    private static Map<String, Object> constant(Object value) {
        Map<String, Object> schema = new LinkedHashMap<>();
        schema.put("const", value);
        return schema;
    }

    private static Map<String, Object> one(List<String> codes) {
        Map<String, Object> schema = new LinkedHashMap<>();
        schema.put("enum", codes);
        return schema;
    }

    private static Map<String, Object> list(Map<String, Object> of) {
        Map<String, Object> list = type("array");
        list.put("items", of);
        return list;
    }

    private static Map<String, Object> object(Map<String, Object> members) {
        Map<String, Object> object = type("object");
        object.put("properties", members);
        object.put("additionalProperties", false);
        return object;
    }

    private static Map<String, Object> parts(Stream<String> parts) {
        Map<String, Object> members = new LinkedHashMap<>();
        parts.forEach(p -> members.put(p, text()));
        return object(members);
    }

    private static Map<String, Object> number(BigDecimal least, BigDecimal most, Integer decimals) {
        Map<String, Object> number = type(decimals != null && decimals == 0 ? "integer" : "number");
        if (least != null) {
            number.put("minimum", least);
        }
        if (most != null) {
            number.put("maximum", most);
        }
        return number;
    }
}
