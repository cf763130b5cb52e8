package orthogon.core.answer;

import java.math.BigDecimal;
import java.time.LocalTime;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * The values that an answer can have within its limits. There are few shapes and many types of answer: whatever computes with values
 * knows the shapes alone, so that a new type needs no new computation.
 */
public sealed interface Domain {

    /** Yes and no, or yes alone. */
    record Truths(boolean onlyTrue) implements Domain {}

    /** The code of one of the options. */
    record OneOf(List<Option> options) implements Domain {

        public List<String> codes() {
            return options.stream().map(Option::code).toList();
        }
    }

    /**
     * The codes of some of the options. An exclusive one stands alone, and then satisfies {@code least}.
     *
     * @param least fewest, or null
     * @param most most, or null
     */
    record Subset(List<Option> options, Integer least, Integer most) implements Domain {

        public List<String> codes() {
            return options.stream().map(Option::code).toList();
        }
    }

    /** The codes of the first {@code places} of the options that are put in order. */
    record Orders(List<Option> options, int places) implements Domain {

        public List<String> codes() {
            return options.stream().map(Option::code).toList();
        }
    }

    /**
     * Decimal numbers.
     *
     * @param least or null
     * @param most or null
     * @param decimals most decimal places; null for any number of places
     */
    record Numbers(BigDecimal least, BigDecimal most, Integer decimals) implements Domain {}

    /** Whole numbers that are chosen from a list, both ends among them. */
    record Steps(int first, int last) implements Domain {}

    /** Calendar dates; a limit may be null. */
    record Dates(DateLimit earliest, DateLimit latest) implements Domain {}

    /** Times of day in whole minutes; a limit may be null. */
    record TimesOfDay(LocalTime earliest, LocalTime latest) implements Domain {}

    /**
     * Texts that are not blank.
     *
     * @param least fewest characters, or null
     * @param most most characters, or null
     * @param pattern regular expression that the whole text matches; empty for none
     * @param example a text that is preferred where one stands for many; empty for none
     */
    record FreeTexts(Integer least, Integer most, AllowedCharacters content, String pattern, String example) implements Domain {}

    /** A text for each part that is there; the required ones are always there. */
    record TextParts(List<String> parts, List<String> required) implements Domain {}

    /** One file or several, up to {@code most}, each of at most {@code largest} bytes. */
    record Files(int most, long largest, List<String> mediaTypes) implements Domain {}

    /**
     * Texts of which it only matters whether there is one.
     *
     * @param example one of them
     * @param what what is not told about them, in words such as <i>the form of phone numbers</i>
     */
    record Opaque(String example, String what) implements Domain {}

    /** A value for each row that is answered. */
    record EachRow(List<GridRow> rows, Domain row) implements Domain {}

    /**
     * A record that others answered: its receipt under the name {@link #RECEIPT}, and what is shown of it.
     *
     * @param shows code of each answer that is shown to its values; any of them may be blank
     */
    record OneRecord(Map<String, Domain> shows) implements Domain {

        /** The part that holds the receipt of a record. */
        public static final String RECEIPT = "record";

        public OneRecord {
            shows = Collections.unmodifiableMap(new LinkedHashMap<>(shows));
        }
    }

    /** What the link brings: one of the values, or any text where none is named. */
    record Arriving(List<String> allowed) implements Domain {}
}
