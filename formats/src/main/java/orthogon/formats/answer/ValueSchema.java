package orthogon.formats.answer;

import java.math.BigDecimal;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import orthogon.core.answer.Domain;

/** JSON Schema (2020-12) of the values of a domain. Limits that hang on today are not in it. */
public final class ValueSchema {

    private ValueSchema() {}

    public static Map<String, Object> of(Domain domain) {
        return switch (domain) {
            case Domain.Truths(boolean onlyTrue) -> onlyTrue ? member("const", true) : type("boolean");
            case Domain.Numbers n -> number(n.least(), n.most(), n.decimals());
            case Domain.Steps s -> number(BigDecimal.valueOf(s.first()), BigDecimal.valueOf(s.last()), 0);
            case Domain.OneOf o -> one(o.codes());
            case Domain.Subset s -> with(list(one(s.codes())), "uniqueItems", true, "maxItems", s.most());
            case Domain.Orders o ->
                with(list(one(o.codes())), "uniqueItems", true, "minItems", o.places(), "maxItems", o.places());
            case Domain.EachRow r -> {
                Map<String, Object> rows = new LinkedHashMap<>();
                r.rows().forEach(row -> rows.put(row.code(), of(r.row())));
                yield object(rows);
            }
            case Domain.OneRecord r -> {
                Map<String, Object> parts = new LinkedHashMap<>(Map.of(Domain.OneRecord.RECEIPT, text()));
                r.shows().forEach((code, shown) -> parts.put(code, of(shown)));
                yield object(parts);
            }
            case Domain.FreeTexts t -> with(text(), "minLength", t.least(), "maxLength", t.most());
            case Domain.Dates d -> with(text(), "format", "date");
            case Domain.TimesOfDay t -> with(text(), "pattern", "^\\d{2}:\\d{2}(:\\d{2})?$");
            case Domain.TextParts p -> texts(p.parts());
            case Domain.Files f -> {
                Map<String, Object> file = new LinkedHashMap<>();
                file.put("key", text());
                file.put("name", text());
                file.put("bytes", type("integer"));
                file.put("mediaType", text());
                yield with(list(object(file)), "maxItems", f.most());
            }
            case Domain.Opaque o -> text();
            case Domain.Arriving a -> a.allowed().isEmpty() ? text() : one(a.allowed());
        };
    }

    public static Map<String, Object> text() {
        return type("string");
    }

    /** An object of texts. */
    public static Map<String, Object> texts(List<String> parts) {
        Map<String, Object> members = new LinkedHashMap<>();
        parts.forEach(p -> members.put(p, text()));
        return object(members);
    }

    public static Map<String, Object> list(Map<String, Object> of) {
        return with(type("array"), "items", of);
    }

    public static Map<String, Object> object(Map<String, Object> members) {
        return with(type("object"), "properties", members, "additionalProperties", false);
    }

    private static Map<String, Object> one(List<String> codes) {
        return member("enum", codes);
    }

    private static Map<String, Object> type(String type) {
        return member("type", type);
    }

    private static Map<String, Object> member(String name, Object value) {
        return with(new LinkedHashMap<>(), name, value);
    }

    /** The schema with further members, names and values in turn; null values are left out. */
    private static Map<String, Object> with(Map<String, Object> schema, Object... members) {
        for (int i = 0; i < members.length; i += 2) {
            if (members[i + 1] != null) {
                schema.put((String) members[i], members[i + 1]);
            }
        }
        return schema;
    }

    private static Map<String, Object> number(BigDecimal least, BigDecimal most, Integer decimals) {
        return with(type(decimals != null && decimals == 0 ? "integer" : "number"), "minimum", least, "maximum", most);
    }
}
