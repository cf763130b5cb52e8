package orthogon.core.questionnaire;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;

/**
 * What respondents meet around the questions. Empty texts stand for the usual ones.
 *
 * @param messages kind of message, one of {@link #MESSAGES}, to the text that stands in its place
 */
public record Presentation(Welcome welcome, Buttons buttons, Map<String, String> messages, Theme theme) {

    /** The messages that can be worded anew, with their usual wording. */
    public static final Map<String, String> MESSAGES = usualMessages();

    public static final Presentation PLAIN = new Presentation(Welcome.NONE, Buttons.USUAL, Map.of(), Theme.PLAIN);

    public Presentation {
        messages = Collections.unmodifiableMap(new LinkedHashMap<>(messages));
    }

    private static Map<String, String> usualMessages() {
        Map<String, String> usual = new LinkedHashMap<>();
        usual.put("required", "Please answer this question.");
        usual.put("agreement", "Please tick the box; without it the answers cannot be sent.");
        usual.put("not_accepted", "This answer is not accepted.");
        usual.put("choice", "Choose one of the options shown.");
        usual.put("number", "Write a number, in digits.");
        usual.put("date", "Give a date, as day, month and year.");
        usual.put("time", "Give a time, as hours and minutes.");
        usual.put("email", "Write a mail address, like name@example.org.");
        usual.put("phone", "Write a phone number, with the country's code if it is from abroad.");
        usual.put("web_address", "Write a web address, like https://example.org/page.");
        usual.put("incomplete", "A part of this answer is missing.");
        return Collections.unmodifiableMap(usual);
    }

    /** The message as worded in this questionnaire. */
    public String message(String kind) {
        return messages.getOrDefault(kind, MESSAGES.get(kind));
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
        BAR, STEPS, NONE;

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
