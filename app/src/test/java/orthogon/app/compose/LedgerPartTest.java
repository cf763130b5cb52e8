package orthogon.app.compose;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertSame;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

class LedgerPartTest {

    private static List<Ledger.Row> rows(int many) {
        return IntStream.range(0, many).mapToObj(i -> new Ledger.Row("question", "q" + i, "p", 0, "", "", "", -1, false)).toList();
    }

    @Test
    void theLongestLedgerThatFitsIsShownWhole() {
        LedgerPart whole = LedgerPart.around(rows(LedgerPart.MOST_ROWS), "q1999");
        assertFalse(whole.isPart());
        assertEquals(LedgerPart.MOST_ROWS, whole.rows().size());
        LedgerPart part = LedgerPart.around(rows(LedgerPart.MOST_ROWS + 1), "q0");
        assertTrue(part.isPart());
        assertEquals(List.of(0, 1_500, 2_001), List.of(part.first(), part.last(), part.of()));
        assertEquals(List.of("", "q1500"), List.of(part.before(), part.after()));
    }

    @Test
    void everyRowIsShownWithRowsOnBothSidesOfIt() {
        List<Ledger.Row> all = rows(5_300);
        for (int at = 0; at < all.size(); at++) {
            LedgerPart part = LedgerPart.around(all, "q" + at);
            assertTrue(part.first() <= Math.max(0, at - 500) && part.last() >= Math.min(all.size(), at + 500), "row " + at);
            assertTrue(part.rows().size() <= LedgerPart.MOST_ROWS);
            assertSame(part.rows().get(at - part.first()), all.get(at));
        }
    }

    @Test
    void theLinksOnBothSidesLeadThroughAllRows() {
        List<Ledger.Row> all = rows(5_300);
        Set<Ledger.Row> met = new HashSet<>();
        LedgerPart part = LedgerPart.around(all, "q0");
        met.addAll(part.rows());
        while (!part.after().isEmpty()) {
            LedgerPart next = LedgerPart.around(all, part.after());
            assertEquals(part.number() + 1, next.number());
            assertEquals(part.number(), LedgerPart.around(all, next.before()).number());
            part = next;
            met.addAll(part.rows());
        }
        assertEquals(all.size(), met.size());
    }

    @Test
    void aRowOfAnotherPartLeadsThereAndOneThatIsGoneDoesNot() {
        List<Ledger.Row> all = rows(5_300);
        LedgerPart first = LedgerPart.of(all, 0);
        assertSame(first, first.with(all, "q1400"));
        assertSame(first, first.with(all, "gone"));
        assertEquals(4, first.with(all, "q4900").number());
        assertEquals(5, LedgerPart.of(all, 99).number(), "a part that is no more");
    }
}
