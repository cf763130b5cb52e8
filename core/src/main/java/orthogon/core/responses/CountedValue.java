package orthogon.core.responses;

import java.math.BigDecimal;

/**
 * How many responses of a group have a value.
 *
 * @param code of the question, or {@code question.part}
 * @param text empty where the value is a number
 * @param number as {@link KeptValue} keeps it; null for a text
 */
public record CountedValue(String code, KeptValue.ValueKind kind, String text, BigDecimal number, int count) {}
