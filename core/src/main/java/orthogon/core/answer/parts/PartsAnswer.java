package orthogon.core.answer.parts;

import java.time.LocalDate;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import orthogon.core.answer.Answer;
import orthogon.core.answer.AnswerFault;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.AnswerRefusal;
import orthogon.core.answer.Domain;
import orthogon.core.answer.OnOffer;

/** Named parts, each a text: of a person's name, or of a postal address. */
public record PartsAnswer(boolean isAddress, List<String> parts, List<String> required) implements Answer {

    private static final List<String> OF_NAME = List.of("title", "given", "middle", "family");
    private static final List<String> OF_ADDRESS = List.of("line_1", "line_2", "town", "region", "postcode", "country");

    public PartsAnswer {
        parts = List.copyOf(parts);
        required = List.copyOf(required);
        List<String> known = isAddress ? OF_ADDRESS : OF_NAME;
        for (String part : parts) {
            if (!known.contains(part)) {
                throw new AnswerFault("parts", "there is no part \"" + part + "\"; there are " + String.join(", ", known));
            }
        }
        for (String part : required) {
            if (!parts.contains(part)) {
                throw new AnswerFault("required", "\"" + part + "\" is not among the parts");
            }
        }
        if (parts.isEmpty()) {
            throw new AnswerFault("parts", "at least one part is needed");
        }
    }

    public static PartsAnswer name() {
        return new PartsAnswer(false, List.of("given", "family"), List.of("family"));
    }

    public static PartsAnswer address() {
        return new PartsAnswer(true, List.of("line_1", "line_2", "town", "postcode"), List.of("line_1", "town"));
    }

    /** Every part that there can be, in the order in which they are asked. */
    public List<String> known() {
        return isAddress ? OF_ADDRESS : OF_NAME;
    }

    @Override
    public AnswerKind kind() {
        return isAddress ? AnswerKind.POSTAL_ADDRESS : AnswerKind.PERSON_NAME;
    }

    @Override
    public Domain domain() {
        return new Domain.TextParts(parts, required);
    }

    @Override
    public boolean isLike(Answer other) {
        return other.kind() == kind();
    }

    @Override
    public Object counting(Object raw, OnOffer offer) {
        return known(raw, parts);
    }

    /** The named parts that are there and not blank; null where there are none. */
    public static Map<String, Object> known(Object raw, List<String> parts) {
        Map<String, Object> known = new LinkedHashMap<>();
        if (raw instanceof Map<?, ?> given) {
            for (String part : parts) {
                if (given.get(part) instanceof String text && !text.isBlank()) {
                    known.put(part, text);
                }
            }
        }
        return known.isEmpty() ? null : Collections.unmodifiableMap(known);
    }

    @Override
    public Optional<AnswerRefusal> refusal(Object value, LocalDate today) {
        if (!(value instanceof Map<?, ?> given)) {
            return AnswerRefusal.of("text");
        }
        List<String> missing = required.stream().filter(r -> !given.containsKey(r)).toList();
        return missing.isEmpty()
                ? Optional.empty()
                : Optional.of(new AnswerRefusal("message.incomplete", List.of(new AnswerRefusal.PartNames(missing))));
    }
}
