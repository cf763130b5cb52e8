package orthogon.core.questionnaire;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * What respondents meet around the questions. Empty texts stand for the usual ones.
 *
 * @param messages kind of message, one of {@link #MESSAGES}, to the text that stands in its place
 */
public record Presentation(Welcome welcome, Buttons buttons, Map<String, String> messages, Theme theme, Navigation navigation) {

    /** The kinds of message that can be worded anew. */
    public static final List<String> MESSAGES = List.of("required", "agreement", "not_accepted", "choice", "number", "date", "time",
            "email", "phone", "web_address", "incomplete");

    public static final Presentation PLAIN = new Presentation(Welcome.NONE, Buttons.USUAL, Map.of(), Theme.PLAIN);

    public Presentation {
        messages = Collections.unmodifiableMap(new LinkedHashMap<>(messages));
    }

    public Presentation(Welcome welcome, Buttons buttons, Map<String, String> messages, Theme theme) {
        this(welcome, buttons, messages, theme, Navigation.USUAL);
    }

    public Presentation withNavigation(Navigation changed) {
        return new Presentation(welcome, buttons, messages, theme, changed);
    }

    /**
     * The page before the first page.
     *
     * @param picture a {@code data:} address of an image; empty for none
     */
    public record Welcome(String heading, String text, String picture) {
        public static final Welcome NONE = new Welcome("", "", "");
    }

    public record Buttons(String next, String back, String send) {
        public static final Buttons USUAL = new Buttons("", "", "");
    }

    /** How a respondent sees how far they have come. */
    public enum ProgressStyle {
        BAR, STEPS, NUMBERS, NONE;

        public String word() {
            return name().toLowerCase(java.util.Locale.ROOT);
        }
    }

    /**
     * The look of the respondent's pages.
     *
     * @param colour {@code #rrggbb} of buttons and marks; empty for the usual one
     * @param background {@code #rrggbb}; empty for the usual one
     * @param logo a {@code data:} address of an image; empty for none
     * @param typeSize percent of the usual size, 80 to 160
     * @param oneAtATime whether one question is shown at a time
     */
    public record Theme(String colour, String background, String logo, int typeSize, ProgressStyle progress, boolean oneAtATime) {
        public static final Theme PLAIN = new Theme("", "", "", 100, ProgressStyle.BAR, false);
    }

    /** What a step of the progress shows. */
    public enum StepLabel {
        TITLE, NUMBER, BOTH;

        public String word() {
            return name().toLowerCase(java.util.Locale.ROOT);
        }
    }

    /** When answers are checked. */
    public enum Check {
        /** When the respondent leaves the page; a page with a problem cannot be left. */
        PAGE,
        /** After the last page; the review lists every problem, and nothing is sent before all are solved. */
        END;

        public String word() {
            return name().toLowerCase(java.util.Locale.ROOT);
        }
    }

    /**
     * How respondents go from the first page to the end.
     *
     * @param steps what the steps of the progress show
     * @param check when answers are checked
     * @param reviewLeftOut whether the last page sends the answers, without a review before it
     * @param redirectAtOnce whether an outcome with an address leads there at once, without a click on the receipt
     */
    public record Navigation(StepLabel steps, Check check, boolean reviewLeftOut, boolean redirectAtOnce) {
        public static final Navigation USUAL = new Navigation(StepLabel.TITLE, Check.PAGE, false, false);
    }
}
