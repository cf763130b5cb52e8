package orthogon.core.language;

import com.ibm.icu.text.MessagePattern;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Names in texts: codes of answers, and of parts of answers as {@code driver.name}. */
public final class PipedNames {

    /** Stands for the dot between an answer and its part, since names in ICU MessageFormat have none. */
    private static final char DOT = '\uE002';
    private static final Pattern PART = Pattern.compile("\\{\\s*[a-z][a-z0-9_]*(?:\\.[a-z][a-z0-9_]*)+\\s*[,}]");

    private PipedNames() {}

    /** The parts of a text, in which another sign stands for the dot of a name: {@link #name} tells the name. */
    static MessagePattern pattern(String text) {
        return new MessagePattern(dotted(text));
    }

    /** The text with a sign in place of the dots in its names; as long as it was. */
    static String dotted(String text) {
        return text.indexOf('.') < 0 ? text : PART.matcher(text).replaceAll(m -> Matcher.quoteReplacement(dots(m.group())));
    }

    /** A text or a part of one as it was typed. */
    static String asTyped(String dotted) {
        return dotted.replace(DOT, '.');
    }

    /** A name as it stands in a pattern. */
    static String dots(String name) {
        return name.replace('.', DOT);
    }

    /** The name at a part of a pattern, as {@code driver.name}. */
    static String name(MessagePattern pattern, int part) {
        return asTyped(pattern.getSubstring(pattern.getPart(part)));
    }

    /** The code of the answer that a name is, or is a part of. */
    public static String code(String name) {
        int dot = name.indexOf('.');
        return dot < 0 ? name : name.substring(0, dot);
    }
}
