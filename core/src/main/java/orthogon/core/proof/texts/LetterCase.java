package orthogon.core.proof.texts;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import java.util.function.UnaryOperator;

/** A change of texts to upper or lower case. Each character changes by itself, some to several. */
public final class LetterCase {

    /** A character that becomes several. */
    record Longer(char sign, String changed) {}

    private final BitSet same = new BitSet(Characters.COUNT);
    /** Characters that become another one, and what they become. */
    private final BitSet other = new BitSet(Characters.COUNT);
    private final char[] becomes = new char[Characters.COUNT];
    private final List<Longer> longer = new ArrayList<>();

    /** @param change what it makes of the text of one character */
    public LetterCase(UnaryOperator<String> change) {
        BitSet any = Characters.any();
        for (int c = any.nextSetBit(0); c >= 0; c = any.nextSetBit(c + 1)) {
            String before = String.valueOf((char) c);
            String after = change.apply(before);
            if (after.equals(before)) {
                same.set(c);
            } else if (after.length() == 1) {
                other.set(c);
                becomes[c] = after.charAt(0);
            } else {
                longer.add(new Longer((char) c, after));
            }
        }
    }

    /** Characters that stay as they are. */
    BitSet same() {
        return same;
    }

    /** Characters that become one of these. */
    BitSet before(BitSet signs) {
        BitSet before = (BitSet) same.clone();
        before.and(signs);
        for (int c = other.nextSetBit(0); c >= 0; c = other.nextSetBit(c + 1)) {
            if (signs.get(becomes[c])) {
                before.set(c);
            }
        }
        return before;
    }

    /** Characters that become several. */
    List<Longer> longer() {
        return longer;
    }
}
