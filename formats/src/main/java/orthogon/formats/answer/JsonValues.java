package orthogon.formats.answer;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.LinkedHashMap;
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
        return switch (domain) {
            case Domain.FreeTexts t when json.isString() -> json.asString();
            case Domain.Opaque o when json.isString() -> json.asString();
            case Domain.Arriving a when json.isString() -> json.asString();
            case Domain.OneOf o when json.isString() -> json.asString();
            case Domain.Numbers n when json.isNumber() -> (BigDecimal) json.decimalValue();
            case Domain.Steps s when json.isNumber() -> (BigDecimal) json.decimalValue();
            case Domain.Truths t when json.isBoolean() -> json.asBoolean();
            case Domain.Dates d when json.isString() -> LocalDate.parse(json.asString());
            case Domain.TimesOfDay t when json.isString() -> LocalTime.parse(json.asString());
            case Domain.Subset s when json.isArray() -> json.valueStream().map(JsonNode::asString).toList();
            case Domain.Orders o when json.isArray() -> json.valueStream().map(JsonNode::asString).toList();
            case Domain.Files f when json.isArray() -> json.valueStream().map(JsonValues::attachment).toList();
            case Domain.TextParts p when json.isObject() -> {
                Map<String, Object> parts = new LinkedHashMap<>();
                json.propertyNames().forEach(part -> parts.put(part, json.get(part).asString()));
                yield parts;
            }
            case Domain.EachRow r when json.isObject() -> {
                Map<String, Object> rows = new LinkedHashMap<>();
                json.propertyNames().forEach(row -> rows.put(row, of(r.row(), json.get(row))));
                yield rows.values().stream().anyMatch(Unreadable.class::isInstance) ? new Unreadable(json.toString()) : rows;
            }
            case Domain.FreeTexts t -> unreadable(json);
            case Domain.Opaque o -> unreadable(json);
            case Domain.Arriving a -> unreadable(json);
            case Domain.OneOf o -> unreadable(json);
            case Domain.Numbers n -> unreadable(json);
            case Domain.Steps s -> unreadable(json);
            case Domain.Truths t -> unreadable(json);
            case Domain.Dates d -> unreadable(json);
            case Domain.TimesOfDay t -> unreadable(json);
            case Domain.Subset s -> unreadable(json);
            case Domain.Orders o -> unreadable(json);
            case Domain.Files f -> unreadable(json);
            case Domain.TextParts p -> unreadable(json);
            case Domain.EachRow r -> unreadable(json);
        };
    }

    private static Unreadable unreadable(JsonNode json) {
        return new Unreadable(json.toString());
    }

    private static Attachment attachment(JsonNode value) {
        return new Attachment(value.path("key").asString(""), value.path("name").asString(""), value.path("bytes").asLong(0),
                value.path("mediaType").asString(""));
    }
}
