package orthogon.core.proof.texts;

import java.util.BitSet;
import java.util.List;

/**
 * Sets of characters, each of one unit of UTF-16 that is no half of a pair. Texts with characters beyond those are not told apart.
 */
public final class Characters {

    static final int COUNT = 0x10000;

    private Characters() {}

    /** Every character. */
    public static BitSet any() {
        BitSet any = new BitSet(COUNT);
        any.set(0, COUNT);
        any.clear(Character.MIN_SURROGATE, Character.MAX_SURROGATE + 1);
        return any;
    }

    /** Every character but those that end a line. */
    public static BitSet anyInLine() {
        BitSet any = any();
        List.of('\n', '\r', '\u0085', '\u2028', '\u2029').forEach(any::clear);
        return any;
    }

    /** Every character that a text can begin and end with once it is trimmed. */
    public static BitSet visible() {
        BitSet visible = any();
        visible.clear(0, '!');
        return visible;
    }

    /** From the first to the last, both among them. */
    public static BitSet range(char first, char last) {
        BitSet range = new BitSet(COUNT);
        range.set(first, last + 1);
        range.clear(Character.MIN_SURROGATE, Character.MAX_SURROGATE + 1);
        return range;
    }

    static BitSet one(char sign) {
        return range(sign, sign);
    }
}
