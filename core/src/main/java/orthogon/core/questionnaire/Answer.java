package orthogon.core.questionnaire;

import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;

/** What kind of answer a question takes, with the limits that the answer itself must keep. Limits never refuse blank. */
public sealed interface Answer {

    /** The camel-case name in the document file. */
    String type();

    /** The options, empty for answers without any. */
    default List<Option> options() {
        return List.of();
    }

    default Optional<Option> option(String code) {
        return options().stream().filter(o -> o.code().equals(code)).findFirst();
    }

    /** The sum of the scores of the chosen options; 0 for blank. Options must exist. */
    default BigDecimal score(Object value) {
        List<?> chosen = value == null ? List.of() : value instanceof List<?> l ? l : List.of(value);
        return chosen.stream().map(code -> option((String) code).orElseThrow().scoreOrZero()).reduce(BigDecimal.ZERO, BigDecimal::add);
    }

    /**
     * Text of one line or several.
     *
     * @param least fewest characters of an answer that is not blank; null for no limit
     * @param most most characters; null for no limit
     */
    record Text(boolean isLong, Integer least, Integer most) implements Answer {
        @Override
        public String type() {
            return isLong ? "longText" : "shortText";
        }
    }

    /**
     * A decimal number.
     *
     * @param decimals most decimal places, 0 to 9; null for any number of places
     */
    record Numeric(BigDecimal least, BigDecimal most, Integer decimals, String unit) implements Answer {
        @Override
        public String type() {
            return "number";
        }
    }

    /** Yes or no; starts blank. */
    record YesNo() implements Answer {
        @Override
        public String type() {
            return "yesNo";
        }
    }

    /** One option, shown as {@code radio} or {@code dropDown}. */
    record OneChoice(List<Option> options, boolean dropDown) implements Answer {
        public OneChoice {
            options = List.copyOf(options);
        }

        @Override
        public String type() {
            return "oneChoice";
        }
    }

    /** Any number of options within the limits. An exclusive option stands alone, and alone satisfies {@code least}. */
    record ManyChoices(List<Option> options, Integer least, Integer most) implements Answer {
        public ManyChoices {
            options = List.copyOf(options);
        }

        @Override
        public String type() {
            return "manyChoices";
        }
    }

    /** A calendar date; a limit is {@code null}, an ISO date, {@code today}, or {@code today} plus or minus whole days. */
    record DateAnswer(DateLimit earliest, DateLimit latest) implements Answer {
        @Override
        public String type() {
            return "date";
        }
    }

    /**
     * One choice of a choice question.
     *
     * @param score null where none is given, which counts 0
     * @param exclusive only meaningful in a many-choices answer
     * @param offerWhen empty means always
     */
    record Option(String code, String label, BigDecimal score, boolean exclusive, String offerWhen) {
        public static Option of(String code, String label) {
            return new Option(code, label, null, false, "");
        }

        public BigDecimal scoreOrZero() {
            return score == null ? BigDecimal.ZERO : score;
        }
    }
}
