package orthogon.formats.responses;

/**
 * How responses are written into tables.
 *
 * @param labels whether options are written by their labels, and not by their codes
 * @param several whether an answer of many choices has a column for each option, and not one for all of them
 * @param apart whether rosters are tables of their own, a row for each entry, and not columns for each entry there may be
 */
public record ExportForm(boolean labels, boolean several, boolean apart) {

    /** Codes, one column an answer, everything in one table. */
    public static final ExportForm ONE_TABLE = new ExportForm(false, false, false);
}
