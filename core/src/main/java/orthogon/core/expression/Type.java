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
public record Type(TypeKind kind, Type element, Set<String> options, String owner, Map<String, Type> parts) {

    /** The kinds of value; {@code NOTHING} is the type of {@code null} and fits everywhere. */
    public enum TypeKind {
        TRUTH("yes or no"), NUMBER("a number"), TEXT("a text"), DATE("a date"), TIME("a time"), DAYS("a number of days"), MONTHS(
                "a number of years and months"), LIST("a list"), PARTS("a value with named parts"), FILE("a file"), NOTHING("nothing");

        final String words;

        TypeKind(String words) {
            this.words = words;
        }
    }

    public static final Type TRUTH = of(TypeKind.TRUTH);
    public static final Type NUMBER = of(TypeKind.NUMBER);
    public static final Type TEXT = of(TypeKind.TEXT);
    public static final Type DATE = of(TypeKind.DATE);
    public static final Type TIME = of(TypeKind.TIME);
    public static final Type FILE = of(TypeKind.FILE);
    public static final Type DAYS = of(TypeKind.DAYS);
    public static final Type MONTHS = of(TypeKind.MONTHS);
    public static final Type NOTHING = of(TypeKind.NOTHING);

    private static Type of(TypeKind kind) {
        return new Type(kind, null, Set.of(), "", Map.of());
    }

    public static Type listOf(Type element) {
        return new Type(TypeKind.LIST, element, Set.of(), "", Map.of());
    }

    public static Type choice(String owner, Set<String> options) {
        return new Type(TypeKind.TEXT, null, options, owner, Map.of());
    }

    public static Type parts(String owner, Map<String, Type> parts) {
        return new Type(TypeKind.PARTS, null, Set.of(), owner, parts);
    }

    boolean is(TypeKind wanted) {
        return kind == wanted || kind == TypeKind.NOTHING;
    }

    boolean fits(Type other) {
        if (kind == TypeKind.NOTHING || other.kind == TypeKind.NOTHING) {
            return true;
        }
        return kind == other.kind && (kind != TypeKind.LIST || element.fits(other.element));
    }

    String words() {
        return kind == TypeKind.LIST ? "a list" : kind.words;
    }
}
