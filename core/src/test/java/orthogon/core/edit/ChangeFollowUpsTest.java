package orthogon.core.edit;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import orthogon.core.answer.contact.ContactAnswer;
import orthogon.core.answer.number.NumberAnswer;
import orthogon.core.answer.yesno.YesNoAnswer;
import orthogon.core.questionnaire.Dispatch;
import orthogon.core.questionnaire.DispatchMessage;
import orthogon.core.questionnaire.FollowUp;
import orthogon.core.questionnaire.FollowUp.Brought;
import orthogon.core.questionnaire.FollowUp.BroughtKind;
import orthogon.core.questionnaire.FollowUp.Carried;
import orthogon.core.questionnaire.FollowUp.FollowUpDecision;
import orthogon.core.questionnaire.FollowUp.DecisionChoice;
import orthogon.core.questionnaire.FollowUp.DueTime;
import orthogon.core.questionnaire.FollowUpSeat;
import orthogon.core.questionnaire.FollowUpSeat.Who;
import orthogon.core.questionnaire.MessageContents.ToldAnswers;
import orthogon.core.questionnaire.MessageOccasion;
import orthogon.core.questionnaire.MessageOccasion.MessageMoment;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Questionnaire.OwnClaim;
import orthogon.core.questionnaire.Questionnaire.Says;
import orthogon.core.questionnaire.Refused;
import orthogon.core.questionnaire.Roster;
import org.junit.jupiter.api.Test;

class ChangeFollowUpsTest {

    private static final Questionnaire HERONS = Questionnaire.blank("herons", "Herons").withPages(List.of(Page.empty("bank", "Bank")
            .withItems(List.of(Question.of("nest", "A nest?", new YesNoAnswer()),
                    Question.of("mail", "Your address", new ContactAnswer(ContactAnswer.Standard.EMAIL, "")),
                    new Roster("birds", "Birds", "Bird", "", 0, 3, List.of(Question.of("weight", "Weight",
                            new NumberAnswer(BigDecimal.ONE, BigDecimal.TEN, 0, ""))))))));
    private static final FollowUp RIDE = FollowUp.of("ride", "transport", "nest");
    private static final DecisionChoice FINE = new DecisionChoice("fine", "Fine", false);

    private static Questionnaire with(FollowUp... followUps) throws Refused {
        return new ChangeDispatch(new Dispatch(List.of(), List.of(), List.of(followUps))).apply(HERONS);
    }

    private static String refused(FollowUp... followUps) {
        return assertThrows(Refused.class, () -> with(followUps)).getMessage();
    }

    private static FollowUp decided(List<String> by, DecisionChoice... choices) {
        return RIDE.withDecision(new FollowUpDecision(by, List.of(choices)));
    }

    @Test
    void whatCannotBeOpenedIsRefusedWithTheReason() {
        assertTrue(refused(FollowUp.of("ride", "", "")).contains("Choose the questionnaire"));
        assertTrue(refused(FollowUp.of("ride", "herons", "")).contains("itself, and never end"));
        assertTrue(refused(RIDE.withCode("nest")).contains("used already"));
        assertTrue(refused(RIDE.withOpenWhen("nest = 3")).contains("Open follow-up when"));
        assertTrue(refused(RIDE.withOpenWhen("asked(nest)")).contains("own claims and messages"));
        assertTrue(refused(RIDE.withSeat(new FollowUpSeat(Who.ADDRESS, "nest", List.of()))).contains("question for an email address"));
        assertTrue(refused(RIDE.withSeat(new FollowUpSeat(Who.PEOPLE, "", List.of()))).contains("choose at least one"));
        assertTrue(refused(RIDE.withCarries(List.of(new Carried("to", " ", false)))).contains("Say what ride carries to to"));
        assertTrue(refused(RIDE.withCarries(List.of(new Carried("to", "nest", false), new Carried("to", "nest", true))))
                .contains("two values to to"));
        assertTrue(refused(RIDE.withBrings(List.of(new Brought("state", "x", BroughtKind.TEXT)))).contains("under another name"));
        assertTrue(refused(RIDE.withBrings(List.of(new Brought("a", "x", BroughtKind.TEXT), new Brought("a", "y", BroughtKind.TEXT))))
                .contains("brings two values as a"));
        assertTrue(refused(decided(List.of(), FINE)).contains("Choose who decides"));
        assertTrue(refused(decided(List.of("ines"))).contains("Say what can be decided"));
        assertTrue(refused(decided(List.of("ines"), new DecisionChoice("back", "", true))).contains("would never end"));
        assertTrue(refused(decided(List.of("ines"), FINE, FINE)).contains("another code"));
        assertTrue(refused(RIDE.withDue(new DueTime(0, true))).contains("after how many days"));
        assertTrue(refused(RIDE.withEachOf("nest")).contains("which is no roster"));
        assertTrue(refused(RIDE.withOpenWhen("look.state = \"sent\""), FollowUp.of("look", "visit", "")).contains("follow-ups behind it"));
    }

    private static DispatchMessage told(MessageMoment moment, int days) {
        return new DispatchMessage("tell", "", "", List.of("office@quillmere.example"), List.of(), "About it", "", ToldAnswers.NOTHING,
                List.of()).withOccasion(new MessageOccasion(moment, "ride", days));
    }

    private static Questionnaire telling(Questionnaire document, DispatchMessage message, FollowUp... followUps) throws Refused {
        return new ChangeDispatch(new Dispatch(List.of(message), List.of(), List.of(followUps))).apply(document);
    }

    private static String untold(DispatchMessage message, FollowUp... followUps) {
        return assertThrows(Refused.class, () -> telling(HERONS, message, followUps)).getMessage();
    }

    @Test
    void aMessageNeedsAFollowUpThatComesToItsMoment() throws Refused {
        assertTrue(untold(told(MessageMoment.OPENED, 0)).contains("tell is sent at a moment of ride"));
        assertTrue(untold(told(MessageMoment.DECIDED, 0), RIDE).contains("Nothing is decided about ride"));
        assertTrue(untold(told(MessageMoment.RETURNED, 0), decided(List.of("ines"), FINE)).contains("No choice sends it back"));
        assertTrue(untold(told(MessageMoment.OVERDUE, 0), RIDE).contains("no time until when"));
        assertTrue(untold(told(MessageMoment.REMINDER, 0), RIDE).contains("after how many days"));
        assertTrue(untold(told(MessageMoment.INVITED, 0), RIDE).contains("Choose when"));
        assertTrue(untold(told(MessageMoment.OPENED, 3), RIDE).contains("where it is a reminder"));
        Questionnaire kept = telling(HERONS, told(MessageMoment.REMINDER, 1), RIDE);
        assertThrows(Refused.class, () -> telling(kept, told(MessageMoment.REMINDER, 1)), "the follow-up is still spoken of");
        Questionnaire renamed = telling(kept, told(MessageMoment.REMINDER, 1), RIDE.withCode("lift"));
        assertEquals("lift", renamed.messages().getFirst().occasion().followUp());
        telling(HERONS, told(MessageMoment.OVERDUE, 0), RIDE.withDue(new DueTime(1, false)));
        telling(HERONS, told(MessageMoment.RETURNED, 0), decided(List.of("ines"), FINE, new DecisionChoice("back", "", true)));
    }

    @Test
    void everyLimitIsMetAtItsEdge() throws Refused {
        List<FollowUp> most = new ArrayList<>();
        for (int i = 0; i < FollowUp.MOST; i++) {
            most.add(RIDE.withCode("f" + i));
        }
        assertEquals(FollowUp.MOST, with(most.toArray(FollowUp[]::new)).followUps().size());
        most.add(RIDE);
        assertTrue(refused(most.toArray(FollowUp[]::new)).contains("at most 20 follow-ups"));
        List<Carried> carries = new ArrayList<>();
        for (int i = 0; i < FollowUp.MOST_VALUES; i++) {
            carries.add(new Carried("to" + i, "nest", false));
        }
        assertEquals(FollowUp.MOST_VALUES, with(RIDE.withCarries(carries)).followUps().getFirst().carries().size());
        carries.add(new Carried("one_more", "nest", false));
        assertTrue(refused(RIDE.withCarries(carries)).contains("at most 100 values"));
        with(RIDE.withDue(new DueTime(FollowUp.MOST_DAYS, true)));
        assertTrue(refused(RIDE.withDue(new DueTime(FollowUp.MOST_DAYS + 1, false))).contains("1 to 3650 days"));
        assertTrue(refused(RIDE.withSeat(new FollowUpSeat(Who.PEOPLE, "", Collections.nCopies(21, "ines")))).contains("at most 20 people"));
        List<DecisionChoice> choices = new ArrayList<>();
        for (int i = 0; i < FollowUp.MOST_CHOICES; i++) {
            choices.add(new DecisionChoice("c" + i, "", false));
        }
        with(decided(List.of("ines"), choices.toArray(DecisionChoice[]::new)));
        choices.add(FINE);
        assertTrue(refused(decided(List.of("ines"), choices.toArray(DecisionChoice[]::new))).contains("at most 20 choices"));
    }

    @Test
    void anotherCodeIsFollowedWhereverItIsNamed() throws Refused {
        FollowUp brings = RIDE.withBrings(List.of(new Brought("safe", "safe", BroughtKind.YES_NO)));
        FollowUp look = FollowUp.of("look", "visit", "ride.safe").withSeat(new FollowUpSeat(Who.ADDRESS, "mail", List.of()))
                .withCarries(List.of(new Carried("was", "ride.state", true)));
        Questionnaire document = with(brings, look)
                .withClaims(List.of(new OwnClaim("c", Says.ALWAYS, "opens(ride) or ride.safe = null")));
        Questionnaire renamed = new ChangeDispatch(document.dispatch().withFollowUps(List.of(brings.withCode("trip"), look)))
                .apply(document);
        assertEquals("trip.safe", renamed.followUp("look").orElseThrow().openWhen());
        assertEquals("trip.state", renamed.followUp("look").orElseThrow().carries().getFirst().value());
        assertEquals("opens(trip) or trip.safe = null", renamed.claims().getFirst().that());
        Questionnaire question = new Rename("mail", "address").apply(document);
        assertEquals("address", question.followUp("look").orElseThrow().seat().address());
        assertEquals(List.of("look"), References.dependents(document, "mail"));
        assertEquals(List.of("ride.openFollowUp"), References.dependents(document, "nest"));
        Question other = document.question("mail").orElseThrow().withAnswer(new YesNoAnswer());
        assertTrue(assertThrows(Refused.class, () -> new ChangeItem(other, "type").apply(document)).getMessage()
                .contains("so the link of look cannot go"));
        Questionnaire less = new Remove(List.of("mail"), true).apply(document);
        assertEquals(FollowUpSeat.RESPONDENT, less.followUp("look").orElseThrow().seat());
        assertTrue(assertThrows(Refused.class, () -> new ChangeDispatch(document.dispatch().withFollowUps(List.of(look))).apply(document))
                .getMessage().contains("ride"));
    }

    @Test
    void eachEntryOpensOneWithItsOwnAnswers() throws Refused {
        FollowUp each = FollowUp.of("care", "caring", "weight < 5").withEachOf("birds")
                .withCarries(List.of(new Carried("weight", "weight", true)));
        assertEquals("birds", with(each).followUps().getFirst().eachOf());
        assertTrue(refused(FollowUp.of("care", "caring", "weight < 5")).contains("once for each entry"));
        assertTrue(refused(each, FollowUp.of("look", "visit", "care.state = \"sent\"")).contains("opened once for each entry"));
    }
}
