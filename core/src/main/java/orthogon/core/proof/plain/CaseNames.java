package orthogon.core.proof.plain;

import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Codes of the document that a case is proved as. {@code Y}, which no code of an analyst and none of the plain form holds, stands between
 * a follow-up and what its questionnaire holds, {@code X} before what is known of a follow-up: {@code handoverYvehicle},
 * {@code handoverXstate}. {@code XX} stands before what is there for the proof alone.
 */
public final class CaseNames {

    private static final Pattern WORD = Pattern.compile("[a-z][A-Za-z0-9_]*[XYZ][A-Za-z0-9_]*");

    private CaseNames() {}

    /** @param part the follow-up whose questionnaire holds the code; empty for the first questionnaire */
    public static String inside(String part, String code) {
        return part.isEmpty() ? code : part + "Y" + code;
    }

    /** The codes of the follow-ups that lead to a questionnaire, joined by dots. */
    public static String path(String part) {
        return part.replace('Y', '.');
    }

    /** Something that is known of a follow-up, or of the first questionnaire. */
    public static String known(String part, String name) {
        return part.isEmpty() ? name + "X" : part + "X" + name;
    }

    /** Something that is there for the proof alone. */
    public static String aid(String part, String name) {
        return part.isEmpty() ? name + "XX" : part + "XX" + name;
    }

    /** The page on how a follow-up comes to its end, which is open where it is opened. */
    public static String ending(String followUp) {
        return aid(followUp, "ending");
    }

    /** The page on which a value that a follow-up is opened with is taken. */
    public static String taking(String followUp, int carried) {
        return aid(followUp, "take" + carried);
    }

    /** The claim that a value of a follow-up is there once it is sent. */
    public static String brought(String followUp, String name) {
        return aid(followUp, "brings") + "." + name;
    }

    /** The claim that the address is there to which the link of a follow-up goes. */
    public static String address(String followUp) {
        return aid(followUp, "address");
    }

    /** The claim that a questionnaire does not end with an outcome. */
    public static String ends(String followUp, String outcome) {
        return aid(followUp, "ends") + "." + outcome;
    }

    /** The question on that page. */
    public static String taken(String followUp, int carried) {
        return aid(followUp, "taken" + carried);
    }

    /** Whether the code is there for the proof alone. */
    public static boolean isAid(String code) {
        return code.contains("XX");
    }

    /** The follow-up that such a code is about; empty for the first questionnaire. */
    public static String part(String aid) {
        int at = aid.indexOf("XX");
        return at + 2 == aid.length() ? "" : aid.substring(0, at);
    }

    /** A text for people, with every such code as a path with dots. */
    static String said(String text) {
        return WORD.matcher(text).replaceAll(m -> {
            String code = m.group();
            int last = Math.max(code.lastIndexOf('Y'), code.lastIndexOf('X'));
            String own = last < 0 ? code : code.substring(last + 1);
            String before = last < 0 ? "" : code.substring(0, last).replaceAll("[XY]+$", "").replaceAll("[XY]+", ".");
            return Matcher.quoteReplacement(before + (before.isEmpty() || own.isEmpty() ? "" : ".") + Names.said(own));
        });
    }
}
