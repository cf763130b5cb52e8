package orthogon.app.compose;

import java.util.List;
import orthogon.app.compose.Ledger.Row;

/**
 * The rows of the ledger that a page shows: all of them, or a part of a very long one. Parts overlap, so that what stands around the
 * chosen row is in sight.
 *
 * @param rows that are shown
 * @param first how many rows stand before them
 * @param questions how many questions are among the rows before them
 * @param of how many rows there are
 * @param number of the part, from 0; 0 where all rows are shown
 * @param before code of the last row before them; empty where there is none
 * @param after code of the first row behind them; empty where there is none
 */
record LedgerPart(List<Row> rows, int first, int questions, int of, int number, String before, String after) {

    /** Longest ledger that is shown whole, in rows. */
    static final int MOST_ROWS = 2_000;
    /** Rows from the middle of one part to the middle of the next. */
    private static final int STEP = MOST_ROWS / 2;

    /** The part of this number, or the nearest that there is. */
    static LedgerPart of(List<Row> all, int number) {
        if (all.size() <= MOST_ROWS) {
            return new LedgerPart(all, 0, 0, all.size(), 0, "", "");
        }
        int nearest = Math.clamp(number, 0, (all.size() - 1) / STEP);
        int from = Math.max(0, nearest * STEP - STEP / 2);
        int to = Math.min(all.size(), (nearest + 1) * STEP + STEP / 2);
        int questions = (int) all.subList(0, from).stream().filter(r -> r.kind().equals("question")).count();
        return new LedgerPart(all.subList(from, to), from, questions, all.size(), nearest, from == 0 ? "" : all.get(from - 1).code(),
                to == all.size() ? "" : all.get(to).code());
    }

    /** The part in whose middle a row stands; the first where there is no such row. */
    static LedgerPart around(List<Row> all, String code) {
        int at = 0;
        while (at < all.size() && !all.get(at).code().equals(code)) {
            at++;
        }
        return of(all, at == all.size() ? 0 : at / STEP);
    }

    /** This part, or the one around a row that this one does not have. */
    LedgerPart with(List<Row> all, String code) {
        boolean elsewhere = rows.stream().noneMatch(r -> r.code().equals(code)) && all.stream().anyMatch(r -> r.code().equals(code));
        return elsewhere ? around(all, code) : this;
    }

    /** Whether there are rows that are not shown. */
    public boolean isPart() {
        return rows.size() < of;
    }

    /** Number of the last row that is shown, from 1. */
    public int last() {
        return first + rows.size();
    }
}
