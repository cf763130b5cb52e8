package orthogon.core.language;

import java.util.ArrayList;
import java.util.List;

/** Two texts laid beside each other, word by word (longest common subsequence). */
public final class TextDifference {

    private TextDifference() {}

    /** Whether words are in both texts, only in the earlier one, or only in the later one. */
    public enum PieceKind {
        SAME, GONE, NEW
    }

    /** Words that stand together, with the spaces behind them. */
    public record Run(PieceKind kind, String text) {}

    /** The runs in reading order; the same and the new ones together are the later text. */
    public static List<Run> of(String before, String after) {
        String[] a = before.splitWithDelimiters("\\s+", -1);
        String[] b = after.splitWithDelimiters("\\s+", -1);
        int[][] common = new int[a.length + 1][b.length + 1];
        for (int i = a.length - 1; i >= 0; i--) {
            for (int j = b.length - 1; j >= 0; j--) {
                common[i][j] = a[i].equals(b[j]) ? common[i + 1][j + 1] + 1 : Math.max(common[i + 1][j], common[i][j + 1]);
            }
        }
        List<Run> runs = new ArrayList<>();
        int i = 0;
        int j = 0;
        while (i < a.length || j < b.length) {
            if (i < a.length && j < b.length && a[i].equals(b[j])) {
                add(runs, PieceKind.SAME, a[i++]);
                j++;
            } else if (j == b.length || i < a.length && common[i + 1][j] >= common[i][j + 1]) {
                add(runs, PieceKind.GONE, a[i++]);
            } else {
                add(runs, PieceKind.NEW, b[j++]);
            }
        }
        return runs;
    }

    private static void add(List<Run> runs, PieceKind kind, String text) {
        if (text.isEmpty()) {
            return;
        }
        if (!runs.isEmpty() && runs.getLast().kind() == kind) {
            runs.set(runs.size() - 1, new Run(kind, runs.getLast().text() + text));
        } else {
            runs.add(new Run(kind, text));
        }
    }
}
