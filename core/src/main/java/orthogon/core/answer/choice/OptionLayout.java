package orthogon.core.answer.choice;

import orthogon.core.answer.AnswerFault;

/**
 * How options are laid out.
 *
 * @param columns 1 to 4
 * @param shuffle whether each respondent meets them in an order of their own; exclusive and "other" options stay last
 */
public record OptionLayout(ShownAs shown, int columns, boolean shuffle) {

    public static final int MOST_COLUMNS = 4;
    public static final OptionLayout PLAIN = new OptionLayout(ShownAs.RADIO, 1, false);
    public static final OptionLayout DROP_DOWN = new OptionLayout(ShownAs.DROP_DOWN, 1, false);

    /** The control that shows the options. */
    public enum ShownAs {
        RADIO("radio"), DROP_DOWN("dropDown"), SEARCH("search"), PICTURES("pictures");

        private final String word;

        ShownAs(String word) {
            this.word = word;
        }

        /** As in the document file. */
        public String word() {
            return word;
        }
    }

    public OptionLayout {
        AnswerFault.unlessBetween(columns, 1, MOST_COLUMNS, "columns", "options stand in columns");
    }
}
