package orthogon.core.proof.texts;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.concurrent.CancellationException;
import java.util.concurrent.atomic.AtomicInteger;
import orthogon.core.expression.TextPattern;
import org.junit.jupiter.api.Test;

class PartitionTest {

    private static final Runnable ON = () -> {};
    private final Random random = new Random(3);

    private String pattern() {
        String[] pieces = {"a", "b", "[ab]", ".", "\\d", "(a|bb)", "(ab)*", "a{2,3}", "b?", "[b-z]+"};
        StringBuilder pattern = new StringBuilder(random.nextBoolean() ? "^" : "");
        for (int n = 1 + random.nextInt(4); n > 0; n--) {
            pattern.append(pieces[random.nextInt(pieces.length)]);
        }
        return pattern.append(random.nextBoolean() ? "$" : "").toString();
    }

    private static List<Boolean> turnsOut(List<TextPattern> patterns, String text) {
        return patterns.stream().map(p -> p.isFoundIn(text)).toList();
    }

    @Test
    void whateverPatternsMakeOfATextTheyMakeOfOneThatStandsForIt() throws TooManyStates {
        int ways = 0;
        for (int run = 0; run < 300; run++) {
            List<TextPattern> patterns = new ArrayList<>();
            List<Automaton> machines = new ArrayList<>();
            for (int n = 0; n < 3; n++) {
                patterns.add(TextPattern.read(pattern()));
                machines.add(Automaton.pattern(patterns.getLast()));
            }
            Set<List<Boolean>> known = new HashSet<>();
            List<String> texts = Partition.of(1, 5, List.of(), machines, ON);
            for (String text : texts) {
                assertTrue(known.add(turnsOut(patterns, text)), "two stand for the same: " + text + patterns);
                assertTrue(text.length() <= 5 && text.equals(text.strip()) && !text.isEmpty(), "“" + text + "”");
            }
            ways += known.size();
            for (int t = 0; t < 100; t++) {
                StringBuilder text = new StringBuilder();
                for (int n = 1 + random.nextInt(5); n > 0; n--) {
                    text.append("abcz19\u00e9Q".charAt(random.nextInt(8)));
                }
                assertTrue(known.contains(turnsOut(patterns, text.toString())), "nothing stands for " + text + patterns);
            }
        }
        assertTrue(ways > 900, ways + " ways");
    }

    @Test
    void aPatternThatWouldTakeMillionsOfStatesIsGivenUp() {
        for (String bomb : List.of("(a|b)*a(a|b){20}", "(.*a.{100}b)")) {
            assertThrows(TooManyStates.class,
                    () -> Partition.of(1, null, List.of(), List.of(Automaton.pattern(TextPattern.read(bomb))), ON),
                    bomb);
        }
        List<Automaton> several = new ArrayList<>();
        assertThrows(TooManyStates.class, () -> {
            for (int n = 1; n < 12; n++) {
                several.add(Automaton.pattern(TextPattern.read("^(.{" + (2 * n + 1) + "})*$")));
            }
            Partition.of(1, null, List.of(), several, ON);
        });
        assertThrows(TooManyStates.class, () -> Automaton.longAs(Automaton.MOST_STATES + 1));
    }

    @Test
    void whoDoesNotWaitAnyMoreEndsIt() throws TooManyStates {
        Automaton machine = Automaton.pattern(TextPattern.read("(a|b)*a(a|b){20}"));
        AtomicInteger steps = new AtomicInteger();
        assertThrows(CancellationException.class, () -> Partition.of(1, null, List.of(), List.of(machine), () -> {
            if (steps.incrementAndGet() > 50) {
                throw new CancellationException();
            }
        }));
        assertEquals(51, steps.get());
    }
}
