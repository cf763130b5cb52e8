package orthogon.core.answer;

import java.util.Locale;

/** Which characters a text may hold. */
public enum AllowedCharacters {
    ANY, LETTERS, DIGITS;

    /** As in the document file. */
    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }
}
