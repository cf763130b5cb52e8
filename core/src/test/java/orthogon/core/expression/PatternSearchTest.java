package orthogon.core.expression;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Random;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** Patterns are found just where the JDK finds them, and in a time that no pattern and no text can make long. */
class PatternSearchTest {

    private final Random random = new Random(5);

    private String piece(int depth) {
        return switch (random.nextInt(depth > 3 ? 4 : 9)) {
            case 0 -> ".";
            case 1 -> List.of("\\d", "\\w", "\\s", "\\.").get(random.nextInt(4));
            case 2 -> List.of("[ab]", "[a-c1]", "[0-9_]").get(random.nextInt(3));
            case 3 -> List.of("a", "b", "1", "é").get(random.nextInt(4));
            case 4 -> "(" + piece(depth + 1) + "|" + piece(depth + 1) + ")";
            case 5 -> "(" + piece(depth + 1) + piece(depth + 1) + ")" + List.of("*", "+", "?", "{2}", "{1,3}", "{0,2}", "{2,}", "{0}")
                    .get(random.nextInt(8));
            default -> piece(depth + 1) + piece(depth + 1);
        };
    }

    private String text() {
        StringBuilder text = new StringBuilder();
        for (int n = random.nextInt(7); n > 0; n--) {
            text.append(List.of("a", "b", "c", "1", "_", " ", ".", "\n", "é", "🦦").get(random.nextInt(10)));
        }
        return text.toString();
    }

    @Test
    void aPatternIsFoundWhereTheJdkFindsIt() {
        int found = 0;
        for (int n = 0; n < 4_000; n++) {
            String pattern = piece(0);
            if (random.nextBoolean()) {
                pattern = (random.nextBoolean() ? "^" : "") + "(" + pattern + ")" + (random.nextBoolean() ? "$" : "");
            }
            String regex = pattern.endsWith("$") ? pattern.substring(0, pattern.length() - 1) + "\\z" : pattern;
            for (int t = 0; t < 20; t++) {
                String text = text();
                boolean expected = Pattern.compile(regex).matcher(text).find();
                assertEquals(expected, TextPattern.read(pattern).isFoundIn(text), pattern + " in “" + text + "”");
                found += expected ? 1 : 0;
            }
        }
        assertTrue(found > 10_000 && found < 70_000, found + " found");
    }

    @Test
    void patternsThatMakeOthersGoBackForEverAreFoundAtOnce() {
        String text = "a".repeat(20_000);
        for (String pattern : List.of("^(a|a)*b$", "^((a*)*)*b$", "(a+)+b", "^(a|aa)+b$", "(.*.*.*)b")) {
            assertFalse(TextPattern.read(pattern).isFoundIn(text), pattern);
        }
        assertTrue(TextPattern.read("^(a|b)*a(a|b){20}$").isFoundIn(text));
        assertTrue(TextPattern.read("^(.|a)*$").isFoundIn("a".repeat(100_000)));
    }

    @Test
    void alternativesInAGroupMayStandBetweenBothEnds() {
        assertTrue(TextPattern.read("^(a|b)$").isFoundIn("b"));
        assertTrue(TextPattern.whole("a|bc").isFoundIn("bc"));
        assertFalse(TextPattern.whole("a|bc").isFoundIn("abc"));
        assertThrows(IllegalArgumentException.class, () -> TextPattern.read("^a|b$"));
    }

    @Test
    void repetitionsThatTogetherAreTooManyAreRefused() {
        TextPattern.read("((a{100}){10}){19}");
        IllegalArgumentException e = assertThrows(IllegalArgumentException.class, () -> TextPattern.read("((a{200}){200}){200}"));
        assertTrue(e.getMessage().contains("repeat less"), e.getMessage());
    }
}
