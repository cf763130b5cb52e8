package orthogon.core.proof.plain;

import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Codes of the plain form. {@code Z}, which no code of an analyst holds, stands between the parts: {@code animalsZ2} is the second
 * entry of a roster, {@code animalsZ2Zspecies} a question in it, {@code signsZwing} a row of a grid.
 */
final class Names {

    private static final Pattern WORD = Pattern.compile("[a-z][A-Za-z0-9_]*Z[A-Za-z0-9_]+");

    private Names() {}

    static String entry(String roster, int entry) {
        return roster + "Z" + entry;
    }

    static String inEntry(String roster, int entry, String code) {
        return roster + "Z" + entry + "Z" + code;
    }

    static String row(String grid, String row) {
        return grid + "Z" + row;
    }

    /** The lookup that the receipt of its record, or something shown of it, belongs to. */
    static String lookup(String part) {
        return part.substring(0, part.lastIndexOf('Z'));
    }

    static boolean isOfPlainForm(String code) {
        return code.indexOf('Z') >= 0;
    }

    /** The number of the entry that the code speaks of; 0 outside of rosters. */
    static int entryOf(String code) {
        String[] parts = code.split("Z");
        return parts.length > 1 && Character.isDigit(parts[1].charAt(0)) ? Integer.parseInt(parts[1]) : 0;
    }

    /** Whether the code is an entry as such. */
    static boolean isEntry(String code) {
        String[] parts = code.split("Z");
        return parts.length == 2 && entryOf(code) > 0;
    }

    /** As the analyst writes it: the code in the entry, or grid and row with a dot. */
    static String plain(String code) {
        String[] parts = code.split("Z");
        int from = entryOf(code) > 0 ? 2 : 0;
        return String.join(".", java.util.Arrays.copyOfRange(parts, from, parts.length));
    }

    /** A text for people, with every code of the plain form said in words. */
    static String said(String text) {
        return WORD.matcher(text).replaceAll(m -> {
            String code = m.group();
            int entry = entryOf(code);
            String roster = code.substring(0, code.indexOf('Z'));
            return Matcher.quoteReplacement(isEntry(code)
                    ? "entry " + entry + " of " + roster
                    : plain(code) + (entry > 1 ? " of entry " + entry : ""));
        });
    }
}
