package orthogon.core.expression;

import java.util.Map;
import java.util.Set;

/**
 * What a value can be.
 *
 * @param element the type of a list's elements, else null
 * @param options for a choice question's codes: all of them, else empty
 * @param owner the question whose options these are, or the roster whose entry it is; else empty
 * @param parts the named parts of a value that has any, else empty
 */
public record Type(Kind kind, Type element, Set<String> options, String owner, Map<String, Type> parts) {

    /** The kinds of value; {@code NOTHING} is the type of {@code null} and fits everywhere. */
    public enum Kind {
        TRUTH("yes or no"), NUMBER("a number"), TEXT("a text"), DATE("a date"), TIME("a time"), DAYS("a number of days"), MONTHS(
                "a number of years and months"), LIST("a list"), PARTS("a value with named parts"), FILE("a file"), NOTHING("nothing");

        final String words;

        Kind(String words) {
            this.words = words;
        }
    }

    public static final Type TRUTH = of(Kind.TRUTH);
    public static final Type NUMBER = of(Kind.NUMBER);
    public static final Type TEXT = of(Kind.TEXT);
    public static final Type DATE = of(Kind.DATE);
    public static final Type TIME = of(Kind.TIME);
    public static final Type FILE = of(Kind.FILE);
    public static final Type DAYS = of(Kind.DAYS);
    public static final Type MONTHS = of(Kind.MONTHS);
    public static final Type NOTHING = of(Kind.NOTHING);

    private static Type of(Kind kind) {
        return new Type(kind, null, Set.of(), "", Map.of());
    }

    public static Type listOf(Type element) {
        return new Type(Kind.LIST, element, Set.of(), "", Map.of());
    }

    public static Type choice(String owner, Set<String> options) {
        return new Type(Kind.TEXT, null, options, owner, Map.of());
    }

    public static Type parts(String owner, Map<String, Type> parts) {
        return new Type(Kind.PARTS, null, Set.of(), owner, parts);
    }

    boolean is(Kind wanted) {
        return kind == wanted || kind == Kind.NOTHING;
    }

    boolean fits(Type other) {
        if (kind == Kind.NOTHING || other.kind == Kind.NOTHING) {
            return true;
        }
        return kind == other.kind && (kind != Kind.LIST || element.fits(other.element));
    }

    String words() {
        return kind == Kind.LIST ? "a list" : kind.words;
    }
}
