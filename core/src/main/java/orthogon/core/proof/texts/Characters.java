package orthogon.core.proof.texts;

import java.util.BitSet;
import java.util.List;

/**
 * Sets of characters, each of one unit of UTF-16 that is no half of a pair. Texts with characters beyond those are not told apart.
 */
public final class Characters {

    static final int COUNT = 0x10000;

    private static final BitSet ANY = new BitSet(COUNT);
    private static final BitSet ANY_IN_LINE;

    static {
        ANY.set(0, COUNT);
        ANY.clear(Character.MIN_SURROGATE, Character.MAX_SURROGATE + 1);
        ANY_IN_LINE = (BitSet) ANY.clone();
        List.of('\n', '\r', '\u0085', '\u2028', '\u2029').forEach(ANY_IN_LINE::clear);
    }

    private Characters() {}

    /** Every character; one set for all who ask, which nobody changes. */
    public static BitSet any() {
        return ANY;
    }

    /** Every character but those that end a line; one set for all who ask, which nobody changes. */
    static BitSet anyInLine() {
        return ANY_IN_LINE;
    }

    /** Every character that a text can begin and end with once it is trimmed. */
    public static BitSet visible() {
        BitSet visible = (BitSet) ANY.clone();
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
