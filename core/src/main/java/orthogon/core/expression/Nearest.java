package orthogon.core.expression;

import java.util.Collection;

/** The name that differs least from a mistyped one, by edit distance (Levenshtein 1966). */
public final class Nearest {

    private Nearest() {}

    /** Empty when nothing is within a third of the name's length, at least 2. */
    public static String of(String wrong, Collection<String> right) {
        String best = "";
        int least = Math.max(2, wrong.length() / 3) + 1;
        for (String candidate : right) {
            int distance = candidate.startsWith(wrong) && wrong.length() >= 3 ? 1 : distance(wrong, candidate);
            if (distance < least) {
                least = distance;
                best = candidate;
            }
        }
        return best;
    }

    private static int distance(String a, String b) {
        int[] row = new int[b.length() + 1];
        for (int j = 0; j <= b.length(); j++) {
            row[j] = j;
        }
        for (int i = 1; i <= a.length(); i++) {
            int diagonal = row[0];
            row[0] = i;
            for (int j = 1; j <= b.length(); j++) {
                int above = row[j];
                int swap = diagonal + (a.charAt(i - 1) == b.charAt(j - 1) ? 0 : 1);
                row[j] = Math.min(swap, Math.min(above, row[j - 1]) + 1);
                diagonal = above;
            }
        }
        return row[b.length()];
    }
}
