package orthogon.core.proof.drill;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.LocalDate;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import orthogon.core.answer.yesno.YesNoAnswer;
import orthogon.core.expression.Wiring;
import orthogon.core.proof.composed.KnownQuestionnaires;
import orthogon.core.proof.diagram.Limits;
import orthogon.core.proof.diagram.Watch;
import orthogon.core.proof.drill.CaseLane.CaseEnd;
import orthogon.core.questionnaire.FollowUp;
import orthogon.core.questionnaire.FollowUp.DecisionChoice;
import orthogon.core.questionnaire.FollowUp.DueTime;
import orthogon.core.questionnaire.FollowUp.FollowUpDecision;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;

/** Lanes of cases beyond what random ones hold: cases within cases, limits, and drills that go another way after an edit. */
class CaseLanesTest {

    private static final LocalDate TODAY = LocalDate.of(2026, 11, 23);
    private static final FollowUpDecision DECISION = new FollowUpDecision(List.of("ines"),
            List.of(new DecisionChoice("fine", "", false), new DecisionChoice("back", "", true)));

    private static Questionnaire questionnaire(String code, FollowUp... followUps) {
        Question asked = Question.of("a", "a", new YesNoAnswer()).withRequireWhen("true");
        return Questionnaire.blank(code, code).withPages(List.of(Page.empty("page", "Page").withItems(List.of(asked))))
                .withFollowUps(List.of(followUps));
    }

    private static KnownQuestionnaires known(Questionnaire... documents) {
        return code -> List.of(documents).stream().filter(d -> d.code().equals(code)).findFirst();
    }

    private static CaseLanes lanes(Questionnaire first, KnownQuestionnaires others) throws Drills.NotPossible {
        return CaseLanes.of(Wiring.of(first), others, TODAY, Limits.USUAL, Watch.NOBODY);
    }

    @Test
    void aCaseWithinACaseHasLanesOfItsOwn() throws Exception {
        Questionnaire second = questionnaire("second", FollowUp.of("deep", "third", "a"));
        Questionnaire first = questionnaire("first", FollowUp.of("next", "second", "a").withDecision(DECISION));
        CaseLanes lanes = lanes(first, known(second, questionnaire("third")));
        Set<List<String>> told = lanes.lanes().stream()
                .map(l -> l.lane().ends().stream().map(e -> e.name() + " " + e.state() + e.decision()).toList())
                .collect(Collectors.toSet());
        // What goes back is no end: only the choice that ends it is one.
        assertEquals(Set.of(List.of(), List.of("next withdrawn"), List.of("next decidedfine"),
                List.of("next decidedfine", "nextYdeep sent"), List.of("next decidedfine", "nextYdeep withdrawn")), told);
        assertFalse(lanes.more());
        assertEquals(4, lanes.drills().size(), "not opened, withdrawn, and both ends of what is deepest");
    }

    @Test
    void aDrillThatGoesAnotherWayAfterAnEditSaysHow() throws Exception {
        KnownQuestionnaires others = known(questionnaire("second"));
        Questionnaire first = questionnaire("first", FollowUp.of("next", "second", "a").withDue(new DueTime(2, true)));
        List<CaseDrill> drills = lanes(first, others).drills();
        CaseDrill opening = drills.stream().filter(d -> d.lane().ends().contains(new CaseEnd("next", "expired", "", ""))).findFirst()
                .orElseThrow();
        assertEquals(List.of(), CaseLanes.differences(Wiring.of(first), others, TODAY, opening));
        Questionnaire edited = first.withFollowUps(List.of(FollowUp.of("next", "second", "not(a)").withDue(new DueTime(2, true))));
        assertEquals(List.of("next expired was expected"), CaseLanes.differences(Wiring.of(edited), others, TODAY, opening));
        Questionnaire ends = first.withEnding(List.of(new Questionnaire.Outcome("done", "Done", "")),
                List.of(new Questionnaire.OutcomeRow("", "done")));
        assertEquals(List.of("the first interview ends as done and not as sent"),
                CaseLanes.differences(Wiring.of(ends), others, TODAY, opening));
    }

    @Test
    void whatCannotBeWalkedHasNoLanesAndSaysWhy() {
        Questionnaire first = questionnaire("first", FollowUp.of("next", "second", "a"));
        assertTrue(why(first, KnownQuestionnaires.NONE).contains("second"));
        assertTrue(why(first, known(questionnaire("second", FollowUp.of("back", "first", "")))).contains("first"));
    }

    private static String why(Questionnaire first, KnownQuestionnaires others) {
        return assertThrows(Drills.NotPossible.class, () -> lanes(first, others)).getMessage();
    }

    @Test
    void noMoreLanesAreToldThanTheLimit() throws Exception {
        FollowUp[] many = IntStream.range(0, 6).mapToObj(i -> FollowUp.of("f" + i, "second", "a").withDue(new DueTime(1, true)))
                .toArray(FollowUp[]::new);
        CaseLanes lanes = lanes(questionnaire("first", many), known(questionnaire("second")));
        // Six follow-ups that each end in one of three ways, or none that is opened: 730.
        assertTrue(lanes.more());
        assertEquals(CaseLanes.MOST, lanes.lanes().size());
        assertEquals(lanes.goals(), lanes.drills().stream().flatMap(d -> d.covers().stream()).collect(Collectors.toSet()),
                "drills cover what no told lane shows, too");
    }
}
