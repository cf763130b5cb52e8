package orthogon.core.expression;

import orthogon.core.answer.Option;
import orthogon.core.answer.choice.ManyChoices;
import orthogon.core.answer.choice.OneChoice;
import orthogon.core.answer.date.DateAnswer;
import orthogon.core.answer.number.NumberAnswer;
import orthogon.core.place.RuleFamily;
import orthogon.core.questionnaire.Derived;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Note;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.junit.jupiter.api.Assertions.fail;

import java.math.BigDecimal;
import java.util.List;
import java.util.Random;
import java.util.concurrent.CancellationException;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

class WiringTest {

    private final Questionnaire document = Questionnaire.blank("fen", "Fen").withPages(List.of(Page.empty("p", "P").withItems(List.of(
            Question.of("group", "Which?",
                    new OneChoice(List.of(Option.of("bird", "Bird"), Option.of("bat", "Bat")), false)),
            Question.of("seen", "Seen?", new ManyChoices(List.of(Option.of("blood", "Blood")), null, null)),
            Question.of("count", "How many?", new NumberAnswer(BigDecimal.ONE, BigDecimal.TEN, 0, "")),
            Question.of("found", "When?", new DateAnswer(null, null)), new Note("advice", "Keep it warm.", ""),
            new Derived("urgency", "score(group) + count(seen)")))));
    private final Wiring wiring = Wiring.of(document);

    private ExpressionFault only(String text) {
        List<ExpressionFault> faults = wiring.checked(RuleFamily.ASK_WHEN, "group", text).faults();
        assertEquals(1, faults.size(), text + " " + faults);
        return faults.getFirst();
    }

    @Test
    void aMistypedNameIsFoundAtItsPlaceWithTheNearestRightOne() {
        ExpressionFault fault = only("count > 1 and gruop = \"bird\"");
        assertEquals(
                new ExpressionFault(ExpressionFault.FaultKind.NAME, "there is no question or value called gruop; did you mean group?", 14,
                        19,
                        "group"),
                fault);
    }

    @Test
    void aChoiceComparedWithNoOptionOfItIsFoundWithTheNearestOption() {
        ExpressionFault fault = only("group in (\"bat\", \"brid\")");
        assertEquals("group has no option \"brid\"; did you mean bird?", fault.message());
        assertEquals("bird", fault.nearest());
    }

    @Test
    void threeNamesMayStandInEachOtherAndNoMore() {
        String three = "some a in seen, b in seen satisfies every c in seen satisfies a = b and b = c";
        assertEquals(List.of(), wiring.checked(RuleFamily.REQUIRE_WHEN, "found", three).faults());
        String beside = "(" + three + ") and (" + three + ")";
        assertEquals(List.of(), wiring.checked(RuleFamily.REQUIRE_WHEN, "found", beside).faults());
        String four = "some a in seen, b in seen satisfies every c in seen, d in seen satisfies a = b and c = d";
        List<ExpressionFault> faults = wiring.checked(RuleFamily.REQUIRE_WHEN, "found", four).faults();
        assertEquals(List.of("“some” and “every” stand in each other for more than 3 names; split this with derived values"),
                faults.stream().map(ExpressionFault::message).toList());
    }

    @Test
    void valuesThatDoNotFitAreNamed() {
        assertEquals("a number cannot be compared with a text", only("count = \"3\"").message());
        assertEquals("a condition must be true or false, but this is a number", only("urgency").message());
        assertEquals("advice is a note and has no answer", only("advice = 1").message());
        assertTrue(only("seen = \"blood\"").message().contains("list contains"));
        assertEquals("contains", only("contians(group, \"b\")").nearest());
        assertTrue(only("found > date(\"2026-02-30\")").message().startsWith("write a date"));
        assertTrue(only("matches(group, \"(\")").message().startsWith("pattern, character"));
        assertTrue(only("asked(count)").message().contains("own claims"));
    }

    @Test
    void syntaxFaultsSayWhatToWrite() {
        assertEquals("\"&\" is not expected here: write and", only("count > 1 && count < 3").message());
        assertTrue(only("count >").message().contains("stops too early"));
        assertTrue(only("group = 'bird'").message().contains("straight double quotes"));
        assertTrue(only("(".repeat(500) + "1").message().contains("nested"));
    }

    @Test
    void whatIsRightHasNoFault() {
        for (String text : List.of("group = \"bat\" and urgency >= 2", "not(answered(found))", "found < today() - duration(\"P30D\")",
                "some s in seen satisfies s = \"blood\"", "count in [1..3]", "if group = \"bird\" then true else count > 2", "")) {
            assertEquals(List.of(), wiring.checked(RuleFamily.REQUIRE_WHEN, "found", text).faults(), text);
        }
    }

    @Test
    void conditionsAreSaidAsAnAnalystWould() {
        assertEquals("group is bird or bat", phrase("group = \"bird\" or group = \"bat\""));
        assertEquals("seen includes blood and count is 3 or more", phrase("list contains(seen, \"blood\") and count >= 3"));
        assertEquals("found is before today", phrase("found < today()"));
        assertEquals("found is blank", phrase("not(answered(found))"));
        assertEquals("(count is over 2 or group is bat) and found is answered", phrase("(count > 2 or group = \"bat\") and found != null"));
    }

    private static String phrase(String text) {
        return Phrase.of(((ExpressionReader.Reading.Read) ExpressionReader.read(text)).expr());
    }

    @Test
    void hostileTextsGiveAFaultAndNothingElse() {
        Random random = new Random(7);
        String signs = "abc(),.[]\"=<>!+-*/ 019\\&|'\u00e9\ud83e\udd94 true or and if then some";
        int faults = 0;
        for (int i = 0; i < 3000; i++) {
            StringBuilder text = new StringBuilder();
            for (int n = random.nextInt(40); n >= 0; n--) {
                text.append(signs.charAt(random.nextInt(signs.length())));
            }
            List<ExpressionFault> found = wiring.checked(RuleFamily.ASK_WHEN, "count", text.toString()).faults();
            faults += found.isEmpty() ? 0 : 1;
            for (ExpressionFault fault : found) {
                assertTrue(fault.from() >= 0 && fault.to() <= text.length() && fault.from() <= fault.to(), text + " " + fault);
            }
        }
        assertTrue(faults > 2500, "nearly all of it is nonsense: " + faults);
    }

    @Test
    void readingEndsBeforeTheExpressionAtWhichItIsCalledOffAndCanBeginAgain() {
        Questionnaire many = document.withPages(List.of(document.pages().getFirst().withItems(Stream.concat(
                document.pages().getFirst().items().stream(),
                IntStream.range(0, 9).mapToObj(i -> (Item) new Derived("d" + i, "count + " + i))).toList())));
        int[] steps = {0};
        assertThrows(CancellationException.class, () -> Wiring.of(many, () -> {
            if (++steps[0] == 4) {
                throw new CancellationException();
            }
        }));
        assertEquals(4, steps[0]);
        assertEquals(10, Wiring.of(many).wires().size());
        Wiring known = Wiring.of(many, () -> fail("what is known already is not read again"));
        assertEquals(10, known.wires().size());
    }
}
