package orthogon.core.responses;

import java.math.BigDecimal;
import java.util.List;

/**
 * A set of responses that a database can find by itself. A code is that of a question, a derived value or a link parameter, or
 * {@code question.part} for one part of an answer. Every selection is true or false of a response; nothing is unknown.
 */
public sealed interface Selection {

    /** Every response. */
    record EveryResponse() implements Selection {}

    /** No response. */
    record NoResponse() implements Selection {}

    /** Those that are in all of these. */
    record AllOf(List<Selection> parts) implements Selection {
        public AllOf {
            parts = List.copyOf(parts);
        }
    }

    /** Those that are in at least one of these. */
    record AnyOf(List<Selection> parts) implements Selection {
        public AnyOf {
            parts = List.copyOf(parts);
        }
    }

    /** Those that are not in it. */
    record Outside(Selection of) implements Selection {}

    /** Those with an answer that is not blank. */
    record Answered(String code) implements Selection {}

    /**
     * Those whose answer stands in this relation to a value; a blank one stands in none, and neither does one of another kind.
     *
     * @param value a text of at most {@value #LONGEST} characters, a number, a truth, a date or a time
     */
    record Compared(String code, Relation relation, Object value) implements Selection {}

    /** Those whose answer is a list that holds this text. */
    record Holding(String code, String element) implements Selection {}

    /** Those whose answer is a list, or whose roster has entries, of which the number stands in this relation to another. */
    record Sized(String code, Relation relation, BigDecimal size) implements Selection {}

    /** Those whose answer is a text with this one in it, in the same case. */
    record Containing(String code, String part, TextSide side) implements Selection {}

    /** Those that the database gives these numbers; for what is known only once each was looked at. */
    record Numbered(List<Long> numbers) implements Selection {
        public Numbered {
            numbers = List.copyOf(numbers);
        }
    }

    /** Longest text that is compared whole, in UTF-16 units; of longer answers a database keeps the beginning. */
    int LONGEST = 400;

    /** How two values stand to each other. */
    enum Relation {
        SAME("="), DIFFERENT("<>"), LESS("<"), AT_MOST("<="), MORE(">"), AT_LEAST(">=");

        private final String sign;

        Relation(String sign) {
            this.sign = sign;
        }

        /** As SQL and mathematics write it. */
        public String sign() {
            return sign;
        }

        /** Whether it holds where the left side, compared with the right one, gives this. */
        boolean holds(int order) {
            return switch (this) {
                case SAME -> order == 0;
                case DIFFERENT -> order != 0;
                case LESS -> order < 0;
                case AT_MOST -> order <= 0;
                case MORE -> order > 0;
                case AT_LEAST -> order >= 0;
            };
        }

        Relation opposite() {
            return switch (this) {
                case SAME -> DIFFERENT;
                case DIFFERENT -> SAME;
                case LESS -> AT_LEAST;
                case AT_MOST -> MORE;
                case MORE -> AT_MOST;
                case AT_LEAST -> LESS;
            };
        }

        Relation turned() {
            return switch (this) {
                case SAME, DIFFERENT -> this;
                case LESS -> MORE;
                case AT_MOST -> AT_LEAST;
                case MORE -> LESS;
                case AT_LEAST -> AT_MOST;
            };
        }
    }

    /** Where a text stands in another. */
    enum TextSide {
        START, ANYWHERE, END
    }

    /** Those in all of these, in the shortest form. */
    static Selection allOf(List<Selection> parts) {
        List<Selection> left = parts.stream().filter(p -> !(p instanceof EveryResponse)).toList();
        return left.stream().anyMatch(NoResponse.class::isInstance)
                ? new NoResponse()
                : left.isEmpty() ? new EveryResponse() : left.size() == 1 ? left.getFirst() : new AllOf(left);
    }

    /** Those in any of these, in the shortest form. */
    static Selection anyOf(List<Selection> parts) {
        List<Selection> left = parts.stream().filter(p -> !(p instanceof NoResponse)).toList();
        return left.stream().anyMatch(EveryResponse.class::isInstance)
                ? new EveryResponse()
                : left.isEmpty() ? new NoResponse() : left.size() == 1 ? left.getFirst() : new AnyOf(left);
    }
}
