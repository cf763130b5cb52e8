package orthogon.core.language;

/**
 * Text without characters that no page, paper or table can hold: control characters other than tab and line ends, halves of surrogate pairs,
 * and noncharacters. These are the characters that XML 1.0 has no place for.
 */
public final class CleanText {

    private CleanText() {}

    /** The text itself where there is nothing to leave out. */
    public static String of(String text) {
        int at = 0;
        while (at < text.length()) {
            int character = text.codePointAt(at);
            if (!isHeld(character)) {
                return cleaned(text, at);
            }
            at += Character.charCount(character);
        }
        return text;
    }

    private static String cleaned(String text, int from) {
        StringBuilder clean = new StringBuilder(text.length()).append(text, 0, from);
        text.substring(from).codePoints().filter(CleanText::isHeld).forEach(clean::appendCodePoint);
        return clean.toString();
    }

    private static boolean isHeld(int character) {
        return character == '\t' || character == '\n' || character == '\r' || character >= ' ' && character < Character.MIN_SURROGATE
                || character > Character.MAX_SURROGATE && character < 0xFFFE || character > 0xFFFF;
    }
}
