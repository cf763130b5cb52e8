package orthogon.app.work;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.math.BigDecimal;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javax.sql.DataSource;
import orthogon.app.outbox.Outbox.Mail;
import orthogon.app.store.DraftStore.Draft;
import orthogon.app.store.FollowUpStore.KeptFollowUp;
import orthogon.app.store.InterviewStore.Running;
import orthogon.app.store.ReleaseStore.Made;
import orthogon.app.store.ReleaseStore.Release;
import orthogon.app.store.TestDatabase;
import orthogon.core.answer.contact.ContactAnswer;
import orthogon.core.answer.number.NumberAnswer;
import orthogon.core.answer.yesno.YesNoAnswer;
import orthogon.core.interview.Interview;
import orthogon.core.questionnaire.DispatchMessage;
import orthogon.core.questionnaire.FollowUp;
import orthogon.core.questionnaire.FollowUp.Brought;
import orthogon.core.questionnaire.FollowUp.BroughtKind;
import orthogon.core.questionnaire.FollowUp.DecisionChoice;
import orthogon.core.questionnaire.FollowUp.DueTime;
import orthogon.core.questionnaire.FollowUp.Repeats;
import orthogon.core.questionnaire.FollowUp.FollowUpDecision;
import orthogon.core.questionnaire.FollowUpSeat;
import orthogon.core.questionnaire.FollowUpSeat.Who;
import orthogon.core.questionnaire.MessageContents.ToldAnswers;
import orthogon.core.questionnaire.MessageOccasion;
import orthogon.core.questionnaire.MessageOccasion.MessageMoment;
import orthogon.core.questionnaire.MessageRecipients;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Refused;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.Parameter;
import org.junit.jupiter.params.ParameterizedClass;
import org.junit.jupiter.params.provider.EnumSource;

/** Messages at the moments of a follow-up: each goes once, to whom it concerns, with the link where it is needed. */
@ParameterizedClass
@EnumSource(TestDatabase.class)
class FollowUpMessagesTest {

    private static final Instant MORNING = Instant.parse("2026-11-23T08:00:00Z");
    private static final Questionnaire RIDE = one("ride", Question.of("safe", "Is it safe?", new YesNoAnswer()).withRequireWhen("true"));
    private static final FollowUpDecision BY_REVIEWERS = new FollowUpDecision(List.of("role:reviewer"),
            List.of(new DecisionChoice("fine", "Fine", false), new DecisionChoice("lost", "Lost", false),
                    new DecisionChoice("back", "Back", true)));
    private static final Questionnaire HERONS = one("herons",
            Question.of("chicks", "How many chicks?", new NumberAnswer(BigDecimal.ZERO, BigDecimal.valueOf(9), 0, "")),
            Question.of("mail", "Your address", new ContactAnswer(ContactAnswer.Standard.EMAIL, ""))).withFollowUps(
                    List.of(
                            FollowUp.of("ride", "ride", "chicks > 0").withBrings(List.of(new Brought("safe", "safe", BroughtKind.YES_NO)))
                                    .withDecision(BY_REVIEWERS).withDue(new DueTime(3, true)).withRepeats(new Repeats("", true)),
                            FollowUp.of("look", "ride", "chicks > 5").withSeat(new FollowUpSeat(Who.ADDRESS, "mail", List.of()))))
            .withMessages(List.of(message("come", MessageMoment.OPENED, 0, ""), message("remind", MessageMoment.REMINDER, 1, ""),
                    message("late", MessageMoment.OVERDUE, 0, "").withTo(
                            new MessageRecipients(List.of(), List.of(), List.of("role:reviewer"), "")),
                    message("back", MessageMoment.RETURNED, 0, "ride.safe = false"), message("danger", MessageMoment.SENT, 0,
                            "ride.safe = false"),
                    message("fine", MessageMoment.DECIDED, 0, "ride.decision = \"fine\"")));

    @Parameter
    private TestDatabase vendor;
    private DataSource database;
    private CaseWork early;
    private Release herons;

    private static DispatchMessage message(String code, MessageMoment moment, int days, String when) {
        return new DispatchMessage(code, "", when, List.of(), List.of("mail"), "About " + code, "{chicks} chicks", ToldAnswers.NOTHING,
                List.of()).withOccasion(new MessageOccasion(moment, "ride", days));
    }

    private static Questionnaire one(String code, Question... questions) {
        return Questionnaire.blank(code, code).withPages(List.of(Page.empty("page", "Page").withItems(List.of(questions))));
    }

    @BeforeEach
    void open() {
        database = vendor.migrated();
        early = at(Duration.ZERO);
        early.persons.add("mirja", "Mirja", "mirja@example.org", "", "REVIEWER", false);
        release(RIDE);
        herons = release(HERONS);
    }

    private CaseWork at(Duration later) {
        return new CaseWork(database, Clock.fixed(MORNING.plus(later), ZoneId.systemDefault()));
    }

    private Release release(Questionnaire document) {
        Draft draft = early.drafts.create(document, "ines", "began");
        return early.releases.create(draft, new Made("{}", "", "ines", List.of("en"), List.of(), "", now()));
    }

    private static OffsetDateTime now() {
        return MORNING.atZone(ZoneId.systemDefault()).toOffsetDateTime();
    }

    private Running sent(int chicks) {
        Running running = early.interviews.begin(herons, Interview.start(herons.wiring(), LocalDate.of(2026, 11, 23), Map.of()), now());
        return sent(running, Map.of("chicks", BigDecimal.valueOf(chicks), "mail", "finder@example.org"));
    }

    private Running sent(Running running, Map<String, Object> answers) {
        Interview left = running.interview().leave(answers).interview();
        assertTrue(early.interviews.keep(running, left, Optional.empty()));
        early.sending.send(early.interviews.find(running.id()).orElseThrow(), now());
        return early.interviews.find(running.id()).orElseThrow();
    }

    private KeptFollowUp ride(Running sent) {
        return early.followUps.of(sent.id()).getFirst();
    }

    private void answer(Running sent, boolean safe) {
        Running ride = early.interviews.find(early.work.begin(ride(sent)).orElseThrow()).orElseThrow();
        sent(ride.with(ride.interview().backTo("page")), Map.of("safe", safe));
    }

    private static List<String> subjects(CaseWork work) {
        return work.sent.stream().map(Mail::subject).toList();
    }

    @Test
    void whatIsSaidOfOneThatIsOpenedAgainIsSaidOfThatOne() throws Refused {
        Running sent = sent(2);
        answer(sent, true);
        early.work.decide(ride(sent).id(), "herons", "fine", "", "mirja");
        assertEquals(List.of("About come", "About fine"), subjects(early));
        early.work.openByHand(sent, "herons", "ride", "ines");
        KeptFollowUp again = early.followUps.of(sent.id()).getLast();
        Running ride = early.interviews.find(early.work.begin(again).orElseThrow()).orElseThrow();
        sent(ride, Map.of("safe", false));
        assertEquals(List.of("About come", "About fine", "About come", "About danger"), subjects(early), "the first one was safe");
        early.work.decide(again.id(), "herons", "lost", "", "mirja");
        assertEquals(4, early.sent.size(), "the first one was fine");
    }

    @Test
    void whoeverAnswersIsWrittenToWhenItIsOpenedAndWhileItIsOpen() {
        Running sent = sent(2);
        assertEquals(List.of("About come"), subjects(early));
        String link = "https://forms.quillmere.example/to/follow/" + ride(sent).token();
        assertTrue(early.sent.getFirst().text().contains("2 chicks") && early.sent.getFirst().text().contains(link));
        early.work.remind();
        assertEquals(1, early.sent.size(), "a day has not gone by");
        CaseWork next = at(Duration.ofDays(1));
        next.work.remind();
        next.work.remind();
        assertEquals(List.of("About remind"), subjects(next), "once");
        assertTrue(next.sent.getFirst().text().contains(link));
        CaseWork last = at(Duration.ofDays(3));
        last.work.remind();
        last.work.expire();
        last.work.remind();
        assertEquals(List.of("About late"), subjects(last));
        Mail late = last.sent.getFirst();
        assertEquals("mirja@example.org", late.to());
        assertTrue(late.text().contains("https://forms.quillmere.example/q/herons/responses/cases/" + sent.receipt().orElseThrow()));
        assertFalse(late.text().contains(link), "the link is for whoever answers");
    }

    @Test
    void whatWasNotToldInTimeIsToldOnceLater() {
        sent(2);
        CaseWork later = at(Duration.ofDays(9));
        later.work.remind();
        later.work.remind();
        assertEquals(List.of("About remind", "About late"), subjects(later));
    }

    @Test
    void whatComesOfItIsToldWhereItsConditionHolds() throws Refused {
        Running sent = sent(2);
        answer(sent, false);
        assertEquals(List.of("About come", "About danger"), subjects(early));
        assertFalse(early.sent.getLast().text().contains("/to/follow/"), "nothing is left to answer");
        early.work.decide(ride(sent).id(), "herons", "back", "Look again.", "mirja");
        assertEquals("About back", early.sent.getLast().subject());
        assertTrue(early.sent.getLast().text().contains("/to/follow/" + ride(sent).token()));
        CaseWork next = at(Duration.ofDays(1));
        next.work.remind();
        assertEquals(List.of("About remind"), subjects(next), "the days begin anew");
        answer(sent, true);
        early.work.decide(ride(sent).id(), "herons", "fine", "", "mirja");
        assertEquals(List.of("About come", "About danger", "About back", "About fine"), subjects(early));
        at(Duration.ofDays(9)).work.remind();
    }

    @Test
    void whatFailsIsToldLaterAndHoldsUpNothingElse() {
        sent(2);
        sent(3);
        CaseWork next = at(Duration.ofDays(1));
        next.isBroken = true;
        next.work.remind();
        next.isBroken = false;
        next.work.remind();
        assertEquals(List.of("About remind", "About remind"), subjects(next));
    }

    @Test
    void withoutAMessageOfItsOwnTheLinkGoesToTheAddressByItself() {
        sent(7);
        assertEquals(List.of("About come", "ride"), subjects(early), "the title of what it opens");
        assertTrue(early.sent.getLast().text().contains("/to/follow/"));
    }
}
