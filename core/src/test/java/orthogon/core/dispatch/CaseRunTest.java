package orthogon.core.dispatch;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import orthogon.core.answer.number.NumberAnswer;
import orthogon.core.answer.yesno.YesNoAnswer;
import orthogon.core.dispatch.CaseRun.RunFollowUp;
import orthogon.core.expression.Wiring;
import orthogon.core.interview.Interview;
import orthogon.core.questionnaire.DispatchMessage;
import orthogon.core.questionnaire.FollowUp;
import orthogon.core.questionnaire.FollowUp.Brought;
import orthogon.core.questionnaire.FollowUp.BroughtKind;
import orthogon.core.questionnaire.FollowUp.Carried;
import orthogon.core.questionnaire.FollowUp.DecisionChoice;
import orthogon.core.questionnaire.FollowUp.DueTime;
import orthogon.core.questionnaire.FollowUp.FollowUpDecision;
import orthogon.core.questionnaire.MessageContents.ToldAnswers;
import orthogon.core.questionnaire.MessageOccasion;
import orthogon.core.questionnaire.MessageOccasion.MessageMoment;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;

class CaseRunTest {

    private static final Questionnaire RIDE = one("ride",
            Question.of("young", "Young", new NumberAnswer(BigDecimal.ZERO, BigDecimal.TEN, 0, "")),
            Question.of("safe", "Safe?", new YesNoAnswer()).withRequireWhen("true"));
    private static final Questionnaire HERONS = one("herons",
            Question.of("chicks", "Chicks", new NumberAnswer(BigDecimal.ZERO, BigDecimal.TEN, 0, "")).withRequireWhen("true"))
            .withFollowUps(List.of(
                    FollowUp.of("ride", "ride", "chicks > 0").withCarries(List.of(new Carried("young", "chicks", true)))
                            .withBrings(List.of(new Brought("safe", "safe", BroughtKind.YES_NO)))
                            .withDecision(new FollowUpDecision(List.of("role:reviewer"), List.of(new DecisionChoice("fine", "Fine", false),
                                    new DecisionChoice("back", "Back", true)))),
                    FollowUp.of("look", "ride", "chicks > 5").withDue(new DueTime(3, true)),
                    FollowUp.of("after", "ride", "ride.decision = \"fine\" and ride.safe = false"),
                    FollowUp.of("elsewhere", "nowhere", "")))
            .withMessages(List.of(told("danger", MessageMoment.SENT, "ride", "ride.safe = false"),
                    told("back", MessageMoment.RETURNED, "ride",
                            "ride.safe = false"),
                    told("fine", MessageMoment.DECIDED, "ride", "ride.decision = \"fine\""),
                    told("late", MessageMoment.OVERDUE, "look", ""), told("remind", MessageMoment.REMINDER, "look", "")));

    private static DispatchMessage told(String code, MessageMoment moment, String of, String when) {
        return new DispatchMessage(code, "", when, List.of("office@quillmere.example"), List.of(), "About it", "", ToldAnswers.NOTHING,
                List.of()).withOccasion(new MessageOccasion(moment, of, moment == MessageMoment.REMINDER ? 1 : 0));
    }

    private static Questionnaire one(String code, Question... questions) {
        return Questionnaire.blank(code, code).withPages(List.of(Page.empty("page", "Page").withItems(List.of(questions))));
    }

    private static CaseRun begun(int chicks) {
        Interview first = Interview.start(Wiring.of(HERONS), LocalDate.of(2026, 11, 23), Map.of())
                .leave(Map.of("chicks", BigDecimal.valueOf(chicks))).interview();
        return CaseRun.of(first, code -> code.equals("ride") ? Optional.of(RIDE) : Optional.empty());
    }

    private static CaseRun answered(CaseRun run, int number, boolean safe) {
        Interview interview = run.followUps().get(number).interview();
        return run.answering(number, interview.leave(Map.of("safe", safe)).interview());
    }

    private static List<String> states(CaseRun run) {
        return run.followUps().stream().map(f -> f.followUp().code() + " " + f.progress().word()).toList();
    }

    private static List<String> told(CaseRun run) {
        return run.steps().stream().map(s -> s.moment().word() + " " + s.messages().stream().map(DispatchMessage::code).toList()).toList();
    }

    @Test
    void eachSeatIsTakenInTurnAndWhatComesOfItIsOpened() {
        CaseRun run = begun(2);
        assertEquals(List.of("ride open"), states(run));
        assertEquals(BigDecimal.TWO, run.followUps().getFirst().interview().course().effective().get("young"));
        assertThrows(IllegalStateException.class, () -> run.sent(0), "nothing is answered yet");
        CaseRun sent = answered(run, 0, false).sent(0);
        assertTrue(sent.followUps().getFirst().isToDecide());
        assertThrows(IllegalStateException.class, () -> sent.withdrawn(0));
        assertThrows(IllegalStateException.class, () -> sent.decided(0, "nothing"));
        CaseRun returned = sent.decided(0, "back");
        assertEquals(List.of("ride returned"), states(returned));
        RunFollowUp again = returned.followUps().getFirst();
        assertEquals(false, again.interview().raw().get("safe"), "what was answered is there again");
        assertEquals("page", again.interview().course().current().orElseThrow().page().code());
        CaseRun decided = answered(returned, 0, false).sent(0).decided(0, "fine");
        assertEquals(List.of("ride decided", "after open"), states(decided));
        assertEquals(List.of("opened []", "sent [danger]", "returned [back]", "sent [danger]", "decided [fine]", "opened []"),
                told(decided));
        assertEquals(List.of("look", "elsewhere"), decided.unopened().stream().map(FollowUp::code).toList(), "nothing is known of one");
        assertEquals(List.of("ride open"), states(run), "the runs before are as they were");
    }

    @Test
    void timeAndTheOfficeEndWhatNobodyAnswers() {
        CaseRun run = begun(7);
        assertEquals(List.of("ride open", "look open"), states(run));
        CaseRun late = run.late(1).late(0).withdrawn(0);
        assertEquals(List.of("ride withdrawn", "look expired"), states(late));
        assertEquals(List.of("opened []", "opened []", "reminder [remind]", "overdue [late]", "reminder []"), told(late));
        assertThrows(IllegalStateException.class, () -> late.late(1));
        assertEquals(List.of(), begun(0).followUps());
    }
}
