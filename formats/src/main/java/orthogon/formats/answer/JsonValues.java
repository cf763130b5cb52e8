package orthogon.formats.answer;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import orthogon.core.answer.Domain;
import orthogon.core.answer.file.Attachment;
import orthogon.core.interview.Unreadable;
import tools.jackson.databind.JsonNode;

/** Values as they are written in JSON. Whether they are within the limits is not looked at. */
public final class JsonValues {

    private JsonValues() {}

    /** The value of a domain; {@link Unreadable} where the JSON is of another type. */
    public static Object of(Domain domain, JsonNode json) {
        Object value = read(domain, json);
        return value == null ? new Unreadable(json.toString()) : value;
    }

    /** Null where the JSON is of another type. */
    private static Object read(Domain domain, JsonNode json) {
        return switch (domain) {
            case Domain.FreeTexts t -> text(json);
            case Domain.Opaque o -> text(json);
            case Domain.Arriving a -> text(json);
            case Domain.OneOf o -> text(json);
            case Domain.Numbers n -> number(json);
            case Domain.Steps s -> number(json);
            case Domain.Truths t -> json.isBoolean() ? json.asBoolean() : null;
            case Domain.Dates d -> json.isString() ? LocalDate.parse(json.asString()) : null;
            case Domain.TimesOfDay t -> json.isString() ? LocalTime.parse(json.asString()) : null;
            case Domain.Subset s -> codes(json);
            case Domain.Orders o -> codes(json);
            case Domain.Files f -> json.isArray() ? json.valueStream().map(JsonValues::attachment).toList() : null;
            case Domain.TextParts p -> json.isObject() ? texts(json) : null;
            case Domain.EachRow r -> json.isObject() ? rows(r, json) : null;
            case Domain.OneRecord r -> json.isObject() ? oneRecord(r, json) : null;
        };
    }

    private static String text(JsonNode json) {
        return json.isString() ? json.asString() : null;
    }

    private static BigDecimal number(JsonNode json) {
        return json.isNumber() ? json.decimalValue() : null;
    }

    private static List<String> codes(JsonNode json) {
        return json.isArray() ? json.valueStream().map(JsonNode::asString).toList() : null;
    }

    private static Map<String, Object> texts(JsonNode json) {
        Map<String, Object> parts = new LinkedHashMap<>();
        json.propertyNames().forEach(part -> parts.put(part, json.get(part).asString()));
        return parts;
    }

    /** Null where the value of a row is of another type. */
    private static Map<String, Object> rows(Domain.EachRow each, JsonNode json) {
        Map<String, Object> rows = new LinkedHashMap<>();
        json.propertyNames().forEach(row -> rows.put(row, of(each.row(), json.get(row))));
        return rows.values().stream().anyMatch(Unreadable.class::isInstance) ? null : rows;
    }

    /** Null where a part is of another type, or is none of the record's. */
    private static Map<String, Object> oneRecord(Domain.OneRecord record, JsonNode json) {
        Map<String, Object> parts = new LinkedHashMap<>();
        for (String part : json.propertyNames()) {
            boolean receipt = part.equals(Domain.OneRecord.RECEIPT);
            if (!receipt && !record.shows().containsKey(part)) {
                return null;
            }
            parts.put(part, receipt ? text(json.get(part)) : read(record.shows().get(part), json.get(part)));
        }
        return parts.containsValue(null) ? null : parts;
    }

    private static Attachment attachment(JsonNode value) {
        return new Attachment(value.path("key").asString(""), value.path("name").asString(""), value.path("bytes").asLong(0),
                value.path("mediaType").asString(""));
    }
}
