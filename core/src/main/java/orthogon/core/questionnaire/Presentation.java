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
public record Presentation(Welcome welcome, Buttons buttons, Map<String, String> messages, Theme theme) {

    /** The kinds of message that can be worded anew. */
    public static final List<String> MESSAGES = List.of("required", "agreement", "not_accepted", "choice", "number", "date", "time",
            "email",
            "phone", "web_address", "incomplete");

    public static final Presentation PLAIN = new Presentation(Welcome.NONE, Buttons.USUAL, Map.of(), Theme.PLAIN);

    public Presentation {
        messages = Collections.unmodifiableMap(new LinkedHashMap<>(messages));
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
    public enum Progress {
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
    public record Theme(String colour, String background, String logo, int typeSize, Progress progress, boolean oneAtATime) {
        public static final Theme PLAIN = new Theme("", "", "", 100, Progress.BAR, false);
    }
}
