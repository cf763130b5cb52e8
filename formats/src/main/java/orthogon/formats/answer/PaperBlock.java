package orthogon.formats.answer;

import java.util.List;
import orthogon.core.answer.GridRow;
import orthogon.core.answer.Option;

/** A piece of what a respondent fills in on paper. */
public sealed interface PaperBlock {

    /** Empty lines to write on. */
    record Lines(int count) implements PaperBlock {}

    /** A line in small letters. */
    record Small(String text) implements PaperBlock {}

    /** What to do, before what is filled in. */
    record Hint(String text) implements PaperBlock {}

    /** A box with words behind it, the second ones in small letters; both may be empty. */
    record Box(String unit, String small) implements PaperBlock {}

    /**
     * Options to tick.
     *
     * @param one whether only one of them is
     */
    record Choices(List<Option> options, boolean one) implements PaperBlock {}

    /** Options to number; nothing else is said about each. */
    record NumberedOptions(List<Option> options) implements PaperBlock {}

    /** A line to tick for each row. */
    record CellTable(List<GridRow> rows, List<Option> options, boolean one) implements PaperBlock {}

    /** Numbers to ring, with words at both ends. */
    record Points(String low, int first, int last, String high) implements PaperBlock {}
}
