package orthogon.core.proof.flow;

import orthogon.core.answer.agreement.AgreementAnswer;
import orthogon.core.answer.number.NumberAnswer;
import orthogon.core.answer.yesno.YesNoAnswer;
import orthogon.core.expression.Wiring;
import orthogon.core.proof.diagram.Diagrams;
import orthogon.core.proof.fault.Faults;
import orthogon.core.proof.plain.PlainForm;
import orthogon.core.proof.space.Space;
import orthogon.core.questionnaire.Derived;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import static org.junit.jupiter.api.Assertions.assertEquals;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.stream.IntStream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Which pages an edit leaves as they were: those are not worked out again. */
class FlowAfterEditTest {

    private static final LocalDate TODAY = LocalDate.of(2026, 11, 23);

    private Space space;
    private Flow flow;

    private static Question yesNo(String code) {
        return Question.of(code, code, new YesNoAnswer()).withRequireWhen("true");
    }

    /** On each page a question; those on later pages hang on the one before, and the last on the first. */
    private static Questionnaire document() {
        Question weight = Question.of("weight", "Weight", new NumberAnswer(BigDecimal.ZERO, new BigDecimal(90), 0, "g"));
        List<Page> pages = new ArrayList<>();
        pages.add(Page.empty("a", "A").withItems(List.of(weight, new Derived("heavy", "weight > 40"), yesNo("wing"))));
        pages.add(Page.empty("b", "B").withItems(List.of(yesNo("ring"))));
        pages.add(Page.empty("c", "C").withItems(List.of(yesNo("found").withAskWhen("ring"))));
        pages.add(Page.empty("d", "D").withItems(List.of(yesNo("seen").withAskWhen("found"))));
        pages.add(Page.empty("e", "E").withItems(List.of(yesNo("kept").withAskWhen("heavy and seen"))));
        return Questionnaire.blank("fen", "Fen").withPages(pages);
    }

    @BeforeEach
    void proveOnce() {
        PlainForm plainForm = PlainForm.of(Wiring.of(document()));
        space = new Space(plainForm, List.of(), TODAY, new Diagrams(1 << 18));
        flow = new Flow(space, Set.of(), new BitSet(), space.linkLevels());
    }

    private List<Integer> unchangedAfter(String page, UnaryOperator<Page> edit) {
        return unchangedAfter(document().withPage(page, edit));
    }

    private List<Integer> unchangedAfter(Questionnaire edited) {
        Wiring wiring = Wiring.of(edited);
        PlainForm plainForm = PlainForm.of(wiring);
        Space after = space.after(plainForm, plainForm.faults(Faults.of(wiring)));
        Flow again = flow.after(after, new BitSet(), after.linkLevels());
        Flow anew = new Flow(after, Set.of(), new BitSet(), after.linkLevels());
        for (int p = 0; p < anew.stages().size(); p++) {
            assertEquals(anew.stages().get(p).coming(), again.stages().get(p).coming());
            assertEquals(anew.stages().get(p).exits(), again.stages().get(p).exits());
            assertEquals(anew.stages().get(p).possible(), again.stages().get(p).possible());
        }
        return IntStream.range(0, again.stages().size()).filter(again::isUnchanged).boxed().toList();
    }

    private static Page with(Page page, int at, UnaryOperator<Question> edit) {
        List<orthogon.core.questionnaire.Item> items = new ArrayList<>(page.items());
        items.set(at, edit.apply((Question) items.get(at)));
        return page.withItems(items);
    }

    @Test
    void withoutAnEditAllAre() {
        assertEquals(List.of(0, 1, 2, 3, 4), unchangedAfter(document()));
    }

    @Test
    void otherWordsConcernTheirPageAlone() {
        assertEquals(List.of(0, 1, 3, 4), unchangedAfter("c", p -> with(p, 0, q -> q.withTexts("Where was it found?", ""))));
    }

    @Test
    void aConditionConcernsThePagesFromItsOwnOn() {
        assertEquals(List.of(0, 1), unchangedAfter("c", p -> with(p, 0, q -> q.withAskWhen("ring and not(ring)"))));
    }

    @Test
    void whatLeavesTheSameStatesConcernsNothingBehindIt() {
        assertEquals(List.of(0, 1, 3, 4), unchangedAfter("c", p -> with(p, 0, q -> q.withAskWhen("ring = true"))));
        assertEquals(List.of(0, 1, 3, 4), unchangedAfter("c", p -> with(p, 0, q -> q.withAskWhen("not(ring)"))));
    }

    @Test
    void whatIsRememberedLongerConcernsThePagesInBetween() {
        assertEquals(List.of(), unchangedAfter("e", p -> with(p, 0, q -> q.withAskWhen("heavy and seen and wing"))));
        assertEquals(List.of(0, 1), unchangedAfter("e", p -> with(p, 0, q -> q.withAskWhen("heavy and seen and ring"))));
    }

    @Test
    void aDerivedValueConcernsWhereItIsUsed() {
        assertEquals(List.of(1, 2, 3),
                unchangedAfter("a", p -> p.withItems(List.of(p.items().get(0), new Derived("heavy", "weight > 40 and "
                        + "weight > 40"), p.items().get(2)))));
    }

    @Test
    void otherAnswersAreOtherStates() {
        assertEquals(List.of(0), unchangedAfter("b", p -> with(p, 0, q -> q.withRequireWhen("").withAnswer(new AgreementAnswer("Yes")))));
    }

    @Test
    void pagesInAnotherOrderAreNotCompared() {
        List<Page> pages = new ArrayList<>(document().pages());
        pages.add(2, pages.remove(1));
        assertEquals(List.of(), unchangedAfter(document().withPages(pages)));
        assertEquals(List.of(), unchangedAfter(document().withPages(document().pages().subList(0, 4))));
    }

    @Test
    void nothingIsBelievedWhereSomethingIsUnsound() {
        assertEquals(List.of(), unchangedAfter("e", p -> with(p, 0, q -> q.withAskWhen("nobody"))));
    }
}
