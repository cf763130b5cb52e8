package orthogon.core.typing;

import orthogon.core.expression.BlankHints;
import orthogon.core.expression.Expr;
import orthogon.core.expression.Expr.*;
import orthogon.core.expression.ExpressionReader;
import orthogon.core.expression.Printer;
import orthogon.core.expression.Wiring;
import orthogon.core.place.RuleFamily;
import orthogon.core.proof.RandomDocument;
import orthogon.core.questionnaire.EveryType;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Refused;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import org.junit.jupiter.api.Test;

class SentenceTest {

    private static Expr read(String text) {
        return ((ExpressionReader.Reading.Read) ExpressionReader.read(text)).expr();
    }

    /** Comparing with null is said as answered or blank, groups of one kind inside each other are one, two negations are none. */
    private static Expr usual(Expr expr) {
        Expr inner = expr.over(expr.children().stream().map(SentenceTest::usual).toList());
        return switch (inner) {
            case Compare c when c.right() instanceof Literal l && l.value() == null -> {
                Expr answered = new Call("answered", List.of(c.left()), Span.NONE);
                yield c.op().equals("=") ? new Not(answered, Span.NONE) : answered;
            }
            default -> inner;
        };
    }

    @Test
    void textAndSentenceSayTheSameInBothDirections() throws Refused {
        int grouped = 0;
        for (long seed = 1; seed <= 400; seed++) {
            Questionnaire document = seed == 1 ? EveryType.document() : RandomDocument.of(seed);
            Wiring wiring = Wiring.of(document);
            for (Wiring.Wire wire : wiring.wires()) {
                if (!wire.family().isCondition() || wire.expr().isEmpty()) {
                    continue;
                }
                Sentence sentence = Sentence.of(wire.text(), wiring, wire.family(), wire.owner());
                String text = Sentence.text(sentence, wiring, wire.family(), wire.owner());
                assertEquals(Printer.print(usual(wire.expr().get())), Printer.print(usual(read(text))), wire.text());
                assertEquals(sentence, Sentence.of(text, wiring, wire.family(), wire.owner()), wire.text());
                grouped += sentence instanceof Sentence.SentenceGroup ? 1 : 0;
            }
        }
        assertTrue(grouped > 200, grouped + " groups");
    }

    @Test
    void nestedGroupsAndNegationGetTheirBrackets() throws Refused {
        Wiring wiring = Wiring.of(EveryType.document());
        Sentence.SentenceLine alive = new Sentence.SentenceLine("alive", "yes", List.of());
        Sentence.SentenceLine heavy = new Sentence.SentenceLine("weight", ">=", List.of("10"));
        Sentence.SentenceLine day = new Sentence.SentenceLine("day", "between", List.of("today - 7", "2026-11-30"));
        Sentence sentence = new Sentence.SentenceGroup(true, false,
                List.of(alive, new Sentence.SentenceGroup(false, true, List.of(heavy, day))));
        String text = Sentence.text(sentence, wiring, RuleFamily.OUTCOME_ROW, "");
        assertEquals("alive = true and not(weight >= 10 or day in [today() - duration(\"P7D\")..date(\"2026-11-30\")])", text);
        assertEquals(List.of(), wiring.checked(RuleFamily.OUTCOME_ROW, "", text).faults());
        assertEquals(sentence, Sentence.of(text, wiring, RuleFamily.OUTCOME_ROW, ""));
    }

    @Test
    void aClaimSaysWhatIsAskedAndHowItEnds() throws Refused {
        Wiring wiring = Wiring.of(EveryType.document());
        for (String[] said : new String[][]{{"asked(bird)", "holds", "asked(bird)"}, {"asked(bird)", "no", "not(asked(bird))"}}) {
            Sentence.SentenceLine line = new Sentence.SentenceLine(said[0], said[1], List.of());
            assertEquals(said[2], Sentence.text(line, wiring, RuleFamily.CLAIM, ""));
            assertEquals(line, Sentence.of(said[2], wiring, RuleFamily.CLAIM, ""));
        }
        String outcome = wiring.document().outcomes().getFirst().code();
        Sentence.SentenceLine ending = new Sentence.SentenceLine("outcome", "!=", List.of(outcome));
        assertEquals("outcome != \"" + outcome + "\"", Sentence.text(ending, wiring, RuleFamily.CLAIM, ""));
        assertThrows(Refused.class,
                () -> Sentence.text(new Sentence.SentenceLine("asked(bird)", "answered", List.of()), wiring, RuleFamily.CLAIM, ""));
    }

    @Test
    void whatNoLineCanSayIsKeptAsItIsTyped() {
        Wiring wiring = Wiring.of(EveryType.document());
        for (String text : List.of("some a in animals satisfies a.bleeding = true", "weight >", "name in (\"Fen\", \"Alder\")")) {
            assertEquals(new Sentence.Typed(text), Sentence.of(text, wiring, RuleFamily.OUTCOME_ROW, ""));
        }
    }

    @Test
    void aLineThatIsNotCompleteSaysWhatIsMissing() {
        Wiring wiring = Wiring.of(EveryType.document());
        for (String[] wrong : new String[][]{{"", "=", "1", "Choose the question that decides."},
                {"weight", ">=", "", "Choose a value for weight."}, {"weight", ">=", "ten", "“ten” does not fit weight."},
                {"bird", "=", "eagle", "bird has no option “eagle”."}, {"alive", ">=", "1", "Choose a comparison for alive."}}) {
            Sentence.SentenceLine line = new Sentence.SentenceLine(wrong[0], wrong[1], List.of(wrong[2]));
            assertEquals(wrong[3], assertThrows(Refused.class, () -> Sentence.text(line, wiring, RuleFamily.OUTCOME_ROW, "")).getMessage());
        }
    }

    @Test
    void aFurtherConditionIsJoinedWithTheBracketsItNeeds() {
        assertEquals("(a or b) and c > 3", Sentence.joined("a or b", "c > 3", true));
        assertEquals("a and b and c", Sentence.joined("a and b", "c", true));
        assertEquals("a and b or c", Sentence.joined("a and b", "c", false));
        assertEquals("c", Sentence.joined("", "c", true));
    }

    @Test
    void aBlankThatTurnsAComparisonIsHintedAt() {
        assertEquals(1, BlankHints.of(read("bird != \"owl\"")).size());
        assertTrue(BlankHints.of(read("not(weight > 5)")).getFirst().contains("does not hold while weight is blank"));
        assertEquals(List.of(), BlankHints.of(read("answered(bird) and bird != \"owl\"")));
        assertEquals(List.of(), BlankHints.of(read("bird = \"owl\" or weight > 5 or bird != null")));
    }
}
