package orthogon.core.expression;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;

/**
 * Looks for a pattern in a text, all ways at once and never back (Thompson 1968): each character is looked at once. Knows nothing of how
 * the proof tells texts apart.
 */
final class PatternSearch {

    /** One step of the pattern: takes a character and leads on, or leads on to two steps without one. */
    private record PatternStep(TextPattern.PatternPart.Chars takes, int[] next) {}

    private final List<PatternStep> steps = new ArrayList<>();
    private final boolean fromStart;
    private final boolean toEnd;
    private final int first;

    PatternSearch(TextPattern pattern) {
        fromStart = pattern.fromStart();
        toEnd = pattern.toEnd();
        steps.add(new PatternStep(null, new int[0]));
        first = write(pattern.tree(), 0);
    }

    private int add(TextPattern.PatternPart.Chars takes, int... next) {
        steps.add(new PatternStep(takes, next));
        return steps.size() - 1;
    }

    /** Writes a part before the steps that come after it. */
    private int write(TextPattern.PatternPart part, int after) {
        return switch (part) {
            case TextPattern.PatternPart.Chars c -> add(c, after);
            case TextPattern.PatternPart.Sequence s -> {
                int at = after;
                for (TextPattern.PatternPart p : s.parts().reversed()) {
                    at = write(p, at);
                }
                yield at;
            }
            case TextPattern.PatternPart.Either e -> add(null, e.parts().stream().mapToInt(p -> write(p, after)).toArray());
            case TextPattern.PatternPart.Repeat r -> {
                int at = after;
                if (r.most() < 0) {
                    int[] ways = {0, after};
                    int loop = add(null, ways);
                    ways[0] = write(r.part(), loop);
                    at = loop;
                } else {
                    for (int n = r.least(); n < r.most(); n++) {
                        at = add(null, write(r.part(), at), after);
                    }
                }
                for (int n = 0; n < r.least(); n++) {
                    at = write(r.part(), at);
                }
                yield at;
            }
        };
    }

    boolean isFoundIn(String text) {
        BitSet here = new BitSet(steps.size());
        come(first, here);
        for (int i = 0; i < text.length(); i++) {
            if (here.get(0) && !toEnd) {
                return true;
            }
            BitSet next = new BitSet(steps.size());
            // Half a pair stands for the whole: a sign beyond the first 65,536 counts as one.
            int sign = text.codePointAt(i);
            i += Character.charCount(sign) - 1;
            for (int at = here.nextSetBit(0); at >= 0; at = here.nextSetBit(at + 1)) {
                PatternStep step = steps.get(at);
                if (step.takes() != null && takes(step.takes(), sign)) {
                    come(step.next()[0], next);
                }
            }
            if (!fromStart) {
                come(first, next);
            }
            here = next;
        }
        return here.get(0);
    }

    private static boolean takes(TextPattern.PatternPart.Chars chars, int sign) {
        return chars.not()
                ? "\n\r\u0085\u2028\u2029".indexOf(sign) < 0
                : chars.ranges().stream().anyMatch(r -> r[0] <= sign && sign <= r[1]);
    }

    /** Comes to a step, and to all that it leads to without a character. */
    private void come(int to, BitSet at) {
        List<Integer> todo = new ArrayList<>(List.of(to));
        while (!todo.isEmpty()) {
            int step = todo.removeLast();
            if (!at.get(step)) {
                at.set(step);
                if (steps.get(step).takes() == null) {
                    for (int next : steps.get(step).next()) {
                        todo.add(next);
                    }
                }
            }
        }
    }
}
