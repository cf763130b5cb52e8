package orthogon.core.proof.texts;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** Kinds of characters that a few automata do not tell apart. There are few of them, however many characters there are. */
final class Alphabet {

    private final int[] kindOf = new int[Characters.COUNT];
    private final List<Character> letters = new ArrayList<>();
    private final BitSet plain = new BitSet();
    private final BitSet any = Characters.any();

    /** @param goOn called at every step; throws where nobody waits any more */
    Alphabet(Iterable<Automaton> automata, Runnable goOn) {
        int[] part = new int[Characters.COUNT];
        int parts = 1;
        Set<BitSet> seen = new HashSet<>();
        seen.add(Characters.any());
        List<BitSet> signs = new ArrayList<>(List.of(Characters.visible()));
        Set<BitSet> met = Collections.newSetFromMap(new IdentityHashMap<>());
        automata.forEach(m -> {
            goOn.run();
            for (int s = 0; s < m.states(); s++) {
                m.steps(s).stream().map(Automaton.Edge::signs).filter(met::add).forEach(signs::add);
            }
        });
        for (BitSet some : signs) {
            goOn.run();
            if (seen.add(some)) {
                Map<Integer, Integer> inside = new HashMap<>();
                for (int c = some.nextSetBit(0); c >= 0; c = some.nextSetBit(c + 1)) {
                    int before = part[c];
                    Integer now = inside.get(before);
                    if (now == null) {
                        now = parts++;
                        inside.put(before, now);
                    }
                    part[c] = now;
                }
            }
        }
        number(part);
    }

    /** Plain letters come first, in their order, so that the first text found is an ordinary one. */
    private void number(int[] part) {
        Map<Integer, Integer> kinds = new HashMap<>();
        for (int from : new int[]{'0', '!', 0}) {
            int to = from == '0' ? 'z' + 1 : from == '!' ? 0x7f : Characters.COUNT;
            for (int c = from; c < to; c++) {
                if (any.get(c) && !kinds.containsKey(part[c])) {
                    kinds.put(part[c], letters.size());
                    plain.set(letters.size(), from == '0');
                    letters.add((char) c);
                }
            }
        }
        for (int c = 0; c < Characters.COUNT; c++) {
            kindOf[c] = any.get(c) ? kinds.get(part[c]) : -1;
        }
    }

    int kinds() {
        return letters.size();
    }

    /** The kind of a character; negative for half a pair. */
    int kindOf(char sign) {
        return kindOf[sign];
    }

    /** A character of the kind, a plain one where there is one. */
    char letter(int kind) {
        return letters.get(kind);
    }

    /** Whether the kind has a plain letter, digit, or sign of the same row of codes. */
    boolean isPlain(int kind) {
        return plain.get(kind);
    }
}
