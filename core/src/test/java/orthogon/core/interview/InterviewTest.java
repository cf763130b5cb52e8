package orthogon.core.interview;

import orthogon.core.answer.Option;
import orthogon.core.answer.choice.OneChoice;
import orthogon.core.answer.number.NumberAnswer;
import orthogon.core.answer.text.TextAnswer;
import orthogon.core.answer.yesno.YesNoAnswer;
import orthogon.core.expression.Wiring;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Presentation;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertInstanceOf;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class InterviewTest {

    private static final LocalDate TODAY = LocalDate.of(2026, 11, 23);

    private final Question group = Question.of("group", "Which?", new OneChoice(List.of(Option.of("bird", "Bird"),
            new Option("bat", "Bat", null, false, "indoors = true")), false)).withRequireWhen("true");
    private final Questionnaire document = Questionnaire.blank("fen", "Fen").withPages(List.of(
            Page.empty("where", "Where").withItems(List.of(Question.of("indoors", "Indoors?", new YesNoAnswer()).withRequireWhen("true"),
                    Question.of("room", "Which room?", new TextAnswer(false, null, 10)).withAskWhen("indoors = true")
                            .withRequireWhen("true"))),
            Page.empty("what", "What").withItems(List.of(group,
                    Question.of("count", "How many?", new NumberAnswer(BigDecimal.ONE, new BigDecimal(20), 0, "animals"))
                            .withStartWith("1")
                            .withAccept(List.of(new Question.Accept("not(group = \"bat\" and count > 5)", "That is a colony."))),
                    Question.of("copy", "Noted", new NumberAnswer(null, null, 0, "")).withLockWhen("true").withStartWith("count"))),
            Page.empty("more", "More").withOpenWhen("room = \"attic\"")
                    .withItems(List.of(Question.of("ladder", "Ladder?", new YesNoAnswer())))));

    private final Interview begun = Interview.start(Wiring.of(document), TODAY, Map.of());

    private static Map<String, Object> given(Object... pairs) {
        Map<String, Object> given = new HashMap<>();
        for (int i = 0; i < pairs.length; i += 2) {
            given.put((String) pairs[i], pairs[i + 1]);
        }
        return given;
    }

    private static Interview passed(Interview.LeaveResult step) {
        return assertInstanceOf(Interview.LeaveResult.Passed.class, step, step.toString()).interview();
    }

    @Test
    void aRequiredBlankAnswerHoldsThePageAndKeepsTheRest() {
        Interview.LeaveResult.Held held = assertInstanceOf(Interview.LeaveResult.Held.class,
                begun.leave(given("indoors", true, "room", "  ")));
        assertEquals(List.of(new Problem("room", Problem.ProblemKind.REQUIRED, "Please answer this question.")), held.problems());
        assertEquals(true, held.interview().raw().get("indoors"));
    }

    @Test
    void aQuestionThatAppearsOnLeavingIsAskedBeforeItIsCalledWrong() {
        Interview.LeaveResult.Appeared appeared = assertInstanceOf(Interview.LeaveResult.Appeared.class,
                begun.leave(given("indoors", true)));
        assertEquals(List.of("room"), appeared.slots());
        assertInstanceOf(Interview.LeaveResult.Held.class, appeared.interview().leave(given()));
    }

    @Test
    void goingBackAndForthLosesNothingAndWhatIsNotAskedIsBlank() {
        Interview there = passed(begun.leave(given("indoors", true, "room", "attic")));
        there = passed(there.leave(given("group", "bat", "count", BigDecimal.ONE)));
        assertEquals("more", there.course().current().orElseThrow().page().code());
        Interview changed = passed(there.backTo("where").leave(given("indoors", false)));
        assertEquals(Map.of("indoors", false, "count", BigDecimal.ONE, "copy", BigDecimal.ONE), changed.course().effective(),
                "the room is not asked, the bat not on offer any more");
        assertInstanceOf(Interview.LeaveResult.Held.class, changed.leave(given("count", BigDecimal.ONE)));
        Interview again = passed(changed.backTo("where").leave(given("indoors", true)));
        assertEquals("attic", again.course().effective().get("room"));
        assertEquals("bat", again.course().effective().get("group"));
    }

    @Test
    void aStartValueIsThereOnceAndCanBeCleared() {
        Interview there = passed(begun.leave(given("indoors", false)));
        assertEquals(BigDecimal.ONE, there.raw().get("count"));
        Interview cleared = there.keep(given("count", null));
        assertTrue(!cleared.raw().containsKey("count"));
        assertTrue(!cleared.back().keep(given("indoors", false)).raw().containsKey("count"));
    }

    @Test
    void aPageStartsWithTheAnswersItIsReachedWithNotWithThoseWrittenOnTheWay() {
        Questionnaire nests = Questionnaire.blank("nests", "Nests").withPages(List.of(
                Page.empty("seen", "Seen").withItems(List.of(Question.of("seen", "Seen", new NumberAnswer(null, null, 0, "")))),
                Page.empty("kept", "Kept").withItems(
                        List.of(Question.of("kept", "Kept", new NumberAnswer(null, null, 0, "")).withStartWith("seen")))));
        Interview writing = Interview.start(Wiring.of(nests), TODAY, Map.of()).keep(given("seen", BigDecimal.ONE));
        assertEquals("seen", writing.course().current().orElseThrow().page().code());
        assertEquals(BigDecimal.TWO, passed(writing.leave(given("seen", BigDecimal.TWO))).raw().get("kept"));
    }

    @Test
    void aLockedAnswerFollowsItsStartValueWhateverIsSent() {
        Interview there = passed(begun.leave(given("indoors", false)));
        Interview sent = passed(there.leave(given("group", "bird", "count", new BigDecimal(7), "copy", new BigDecimal(99))));
        assertEquals(new BigDecimal(7), sent.submission().get("copy"));
        assertTrue(sent.course().complete());
        assertEquals("sent", sent.course().outcome().orElseThrow());
    }

    @Test
    void limitsOffersAndWhatCannotBeReadEachSayWhatToDo() {
        Interview there = passed(begun.leave(given("indoors", false)));
        assertEquals(List.of("Choose one of the options shown.", "Write a number, in digits. “a few” is not a number."),
                messages(there, given("group", new Unreadable("bat"), "count", new Unreadable("a few"))));
        assertEquals(List.of("Write a number of at most 20 animals."),
                messages(there, given("group", "bird", "count", new BigDecimal(21))));
        assertEquals(List.of("Write a whole number.", "Write a whole number."),
                messages(there, given("group", "bird", "count", new BigDecimal("2.5"))), "once for the answer, once for its locked copy");
        Interview indoors = passed(begun.leave(given("indoors", true, "room", "hall")));
        assertEquals(List.of("That is a colony."), messages(indoors, given("group", "bat", "count", new BigDecimal(6))));
        assertEquals(List.of("Write at most 10 characters; there are 11."), messages(begun, given("indoors", true, "room", "eleven sign")));
    }

    private static List<String> messages(Interview interview, Map<String, Object> given) {
        return assertInstanceOf(Interview.LeaveResult.Held.class, interview.leave(given)).problems().stream().map(Problem::message)
                .toList();
    }

    @Test
    void whatWasNotAskedInTheEndIsDroppedUnlessItIsToBeKept() {
        Interview there = passed(begun.leave(given("indoors", true, "room", "attic")));
        there = passed(there.backTo("where").leave(given("indoors", false)));
        there = passed(there.leave(given("group", "bird", "count", null)));
        assertEquals(List.of("indoors", "group"), List.copyOf(there.submission().keySet()));
        assertTrue(there.raw().containsKey("room"));
    }

    @Test
    void aChangeTellsWhichLaterAnswersItWouldTakeAway() {
        Interview there = passed(begun.leave(given("indoors", true, "room", "attic")));
        there = passed(there.leave(given("group", "bat", "count", new BigDecimal(2))));
        there = there.keep(given("ladder", true)).backTo("where");
        assertEquals(List.of(), there.dropped(there.keep(given("room", "attic"))));
        Interview downstairs = there.keep(given("room", "cellar"));
        assertEquals(List.of("ladder"), there.dropped(downstairs).stream().map(Course.ShownItem::slot).toList());
        Interview outside = there.keep(given("indoors", false));
        assertEquals(List.of("group", "ladder"), there.dropped(outside).stream().map(Course.ShownItem::slot).toList(),
                "a bat is on offer indoors only; the number stays");
        Interview again = outside.keep(given("indoors", true));
        assertEquals(List.of(), there.dropped(again));
        assertEquals("bat", passed(again.leave(given())).course().effective().get("group"), "what was given is there again");
    }

    @Test
    void theLastPageIsKnownAsTheAnswersStand() {
        assertTrue(!begun.endsHere());
        Interview what = passed(begun.leave(given("indoors", true, "room", "cellar")));
        assertTrue(what.endsHere());
        Interview attic = passed(begun.leave(given("indoors", true, "room", "attic")));
        assertTrue(!attic.endsHere());
    }

    @Test
    void afterAChangeOneIsBackWhereOneWasUnlessSomethingNewIsAsked() {
        Interview done = passed(begun.leave(given("indoors", true, "room", "cellar")));
        done = passed(done.leave(given("group", "bird")));
        assertTrue(done.course().complete());
        Interview same = passed(done.backTo("where").leave(given("room", "hall"))).asFarAsMet();
        assertTrue(same.course().complete());
        Interview further = passed(done.backTo("where").leave(given("room", "attic"))).asFarAsMet();
        assertEquals("more", further.course().current().orElseThrow().page().code());
        Interview wrong = passed(done.backTo("where").leave(given("indoors", false))).backTo("where");
        assertEquals("where", wrong.course().current().orElseThrow().page().code());
    }

    @Test
    void codesMeanWhatTheInterviewSaysOfThem() {
        Interview there = passed(begun.leave(given("indoors", true, "room", "attic")));
        CodeValues standing = CodeValues.of(there.keep(given("group", "bat", "count", new BigDecimal(3))));
        assertEquals("bat", standing.value("group"));
        assertEquals(new BigDecimal(3), standing.value("copy"));
        assertEquals(null, standing.value("ladder"));
        assertEquals("what", standing.course().current().orElseThrow().page().code());
    }

    @Test
    void pagesCheckedAtTheEndAreLeftWithProblemsAndHoldTheSending() {
        Presentation atTheEnd = Presentation.PLAIN
                .withNavigation(new Presentation.Navigation(Presentation.StepLabel.TITLE, Presentation.Check.END, false, false));
        Questionnaire open = document.withPresentation(atTheEnd);
        Interview start = Interview.start(Wiring.of(open), TODAY, Map.of());
        assertInstanceOf(Interview.LeaveResult.Held.class, start.leave(given("indoors", null)));
        Interview there = passed(start.checkedAsWanted().leave(given("indoors", null)));
        assertEquals("what", there.course().current().orElseThrow().page().code());
        Interview end = passed(there.leave(given("group", "bird", "count", new BigDecimal(99))));
        assertTrue(end.course().complete());
        assertFalse(end.course().acceptable());
        assertFalse(end.checkedByPage().course().complete());
        assertEquals(List.of("indoors", "count"),
                end.course().pages().stream().flatMap(p -> p.problems().stream()).map(Problem::slot).toList());
        Interview better = passed(end.backTo("where").leave(given("indoors", false))).asFarAsMet();
        better = passed(better.backTo("what").leave(given("count", BigDecimal.TEN)));
        assertTrue(better.course().acceptable());
        assertEquals(better.checkedByPage().course().outcome(), better.course().outcome());
        assertEquals(better.checkedByPage().submission(), better.submission());
    }

    @Test
    void forwardGoesAsFarAsThePageWantedAndNeverPastAProblem() {
        Interview there = passed(begun.leave(given("indoors", true, "room", "attic")));
        there = passed(there.leave(given("group", "bird", "count", BigDecimal.ONE)));
        Interview back = there.backTo("where");
        assertEquals(List.of("where"), back.forwardTo("what").passed());
        assertEquals(List.of("where", "what"), back.forwardTo("more").passed());
        assertEquals(List.of("where", "what", "more"), back.asFarAsMet().passed(), "nothing on the last page is required");
        assertEquals(List.of(), back.keep(given("room", null)).forwardTo("more").passed());
        assertFalse(begun.met(passed(begun.leave(given("indoors", false))).throughout().pages().getLast()));
    }
}
