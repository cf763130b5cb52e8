package orthogon.app.view;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertSame;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

class ListPartTest {

    private static List<Integer> numbers(int many) {
        return IntStream.range(0, many).boxed().toList();
    }

    @Test
    void theLongestListThatFitsIsShownWhole() {
        ListPart<Integer> whole = ListPart.around(numbers(ListPart.MOST_SHOWN), n -> n == 1999);
        assertFalse(whole.isPart());
        assertEquals(ListPart.MOST_SHOWN, whole.shown().size());
        ListPart<Integer> part = ListPart.around(numbers(ListPart.MOST_SHOWN + 1), n -> n == 0);
        assertTrue(part.isPart());
        assertEquals(List.of(0, 1_500, 2_001), List.of(part.first(), part.last(), part.of()));
        assertEquals(List.of(Optional.empty(), Optional.of(1_500)), List.of(part.before(), part.after()));
    }

    @Test
    void everyEntryIsShownWithEntriesOnBothSidesOfIt() {
        List<Integer> all = numbers(5_300);
        for (int at : all) {
            ListPart<Integer> part = ListPart.around(all, n -> n == at);
            assertTrue(part.first() <= Math.max(0, at - 500) && part.last() >= Math.min(all.size(), at + 500), "entry " + at);
            assertTrue(part.shown().size() <= ListPart.MOST_SHOWN);
            assertEquals(at, part.shown().get(at - part.first()));
        }
    }

    @Test
    void theEntriesOnBothSidesLeadThroughAllOfThem() {
        List<Integer> all = numbers(5_300);
        ListPart<Integer> part = ListPart.of(all, 0);
        Set<Integer> met = new HashSet<>(part.shown());
        while (part.after().isPresent()) {
            int after = part.after().get();
            ListPart<Integer> next = ListPart.around(all, n -> n == after);
            int before = next.before().orElseThrow();
            assertEquals(part.number() + 1, next.number());
            assertEquals(part.number(), ListPart.around(all, n -> n == before).number());
            part = next;
            met.addAll(part.shown());
        }
        assertEquals(all.size(), met.size());
    }

    @Test
    void anEntryOfAnotherPartLeadsThereAndOneThatIsGoneDoesNot() {
        List<Integer> all = numbers(5_300);
        ListPart<Integer> first = ListPart.of(all, 0);
        assertSame(first, first.with(all, n -> n == 1_400));
        assertSame(first, first.with(all, n -> n == -1));
        assertEquals(4, first.with(all, n -> n == 4_900).number());
        assertEquals(5, ListPart.of(all, 99).number(), "a part that is no more");
    }
}
