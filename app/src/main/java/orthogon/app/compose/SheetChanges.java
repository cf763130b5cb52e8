package orthogon.app.compose;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import orthogon.app.compose.Ledger.LedgerRow;

/**
 * What must be drawn anew for a page that shows an older revision.
 *
 * @param all every row, where rows changed places or most of them changed; else empty
 * @param removed rows to take away
 * @param added rows to put in, each behind another
 * @param changed rows that stay where they are and look different
 */
record SheetChanges(Optional<List<LedgerRow>> all, List<LedgerRow> removed, List<Added> added, List<LedgerRow> changed) {

    private static final int MOST_SINGLE = 80;

    /** A row with the one that it comes to stand behind. */
    record Added(LedgerRow row, String after) {}

    static SheetChanges between(List<LedgerRow> before, List<LedgerRow> after) {
        Map<String, LedgerRow> old = new HashMap<>();
        before.forEach(r -> old.put(r.code(), r));
        Set<String> now = new HashSet<>();
        after.forEach(r -> now.add(r.code()));
        List<String> stayed = before.stream().map(LedgerRow::code).filter(now::contains).toList();
        boolean moved = !stayed.equals(after.stream().map(LedgerRow::code).filter(old::containsKey).toList());
        List<LedgerRow> removed = before.stream().filter(r -> !now.contains(r.code())).toList();
        List<Added> added = new ArrayList<>();
        List<LedgerRow> changed = new ArrayList<>();
        for (int i = 0; i < after.size(); i++) {
            LedgerRow row = after.get(i);
            if (!old.containsKey(row.code())) {
                added.add(new Added(row, i == 0 ? "" : after.get(i - 1).id()));
            } else if (!row.equals(old.get(row.code()))) {
                changed.add(row);
            }
        }
        return before.isEmpty() || moved || removed.size() + added.size() + changed.size() > MOST_SINGLE
                ? new SheetChanges(Optional.of(after), List.of(), List.of(), List.of())
                : new SheetChanges(Optional.empty(), removed, added, changed);
    }
}
