package orthogon.core.language;

import com.ibm.icu.text.MessagePattern;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The made-up test language: every letter accented, every text a third longer and between brackets, so that what is cut off, hard-wired
 * or forgotten is seen at once. What stands for an answer, links and markup stay as they are.
 */
public final class Stretch {

    /** Private use, as BCP 47 provides for. */
    public static final String TAG = "x-stretch";

    /** What a stretched text begins and ends with. */
    public static final String OPEN = "⟦";
    public static final String CLOSE = "⟧";

    private static final String PLAIN = "aceginoprsuyzACEGINORSUYZ";
    private static final String ACCENTED = "åçéğíñöþřšüýžÅÇÉĞÍÑÖŘŠÜÝŽ";

    /** Addresses of links, code, and the marks that begin a line. */
    private static final Pattern KEPT = Pattern.compile("\\]\\([^)]*\\)|<[a-z]+:[^>]*>|`[^`]*`|(?m:^(?:#{1,6}|[-*+]|\\d+\\.|>) )");

    private Stretch() {}

    /** The text in the stretch language; a text that cannot be read as a pattern is stretched as plain words. */
    public static String of(String text) {
        if (text.isBlank()) {
            return text;
        }
        boolean pattern = isPattern(text);
        String body = pattern ? inPattern(text) : words(text);
        long letters = text.codePoints().filter(Character::isLetter).count();
        return head(body) + " " + "·".repeat((int) Math.max(1, Math.round(Math.min(letters, 120) * 0.3))) + CLOSE;
    }

    private static boolean isPattern(String text) {
        try {
            return text.indexOf('{') >= 0 && PipedNames.pattern(text).countParts() > 0;
        } catch (IllegalArgumentException e) {
            return false;
        }
    }

    /** The opening bracket goes behind a mark that begins the line, so that a list stays a list. */
    private static String head(String body) {
        Matcher kept = KEPT.matcher(body);
        return kept.lookingAt() && kept.group().endsWith(" ") ? kept.group() + OPEN + body.substring(kept.end()) : OPEN + body;
    }

    private static String words(String text) {
        StringBuilder accented = new StringBuilder();
        Matcher kept = KEPT.matcher(text);
        int done = 0;
        while (kept.find()) {
            accent(text.substring(done, kept.start()), accented);
            accented.append(kept.group());
            done = kept.end();
        }
        accent(text.substring(done), accented);
        return accented.toString();
    }

    private static void accent(String text, StringBuilder into) {
        text.chars().forEach(c -> {
            int at = PLAIN.indexOf(c);
            into.append(at < 0 ? (char) c : ACCENTED.charAt(at));
        });
    }

    /** Only what is literally read is accented: not names, kinds and keys between braces. */
    private static String inPattern(String text) {
        MessagePattern pattern = PipedNames.pattern(text);
        StringBuilder whole = new StringBuilder();
        int done = 0;
        for (int i = 0; i < pattern.countParts(); i++) {
            MessagePattern.Part part = pattern.getPart(i);
            switch (part.getType()) {
                case ARG_START, MSG_LIMIT -> {
                    whole.append(words(text.substring(done, part.getIndex())));
                    done = part.getIndex();
                }
                case ARG_LIMIT, MSG_START -> {
                    whole.append(text, done, part.getLimit());
                    done = part.getLimit();
                }
                default -> {}
            }
        }
        return whole.append(words(text.substring(done))).toString();
    }
}
