package orthogon.app.work;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.math.BigDecimal;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import javax.sql.DataSource;
import orthogon.app.store.DraftStore.Draft;
import orthogon.app.store.FollowUpStore.KeptFollowUp;
import orthogon.app.store.InterviewStore.Running;
import orthogon.app.store.ReleaseStore.Made;
import orthogon.app.store.ReleaseStore.Release;
import orthogon.app.store.TestDatabase;
import orthogon.core.answer.contact.ContactAnswer;
import orthogon.core.answer.number.NumberAnswer;
import orthogon.core.answer.yesno.YesNoAnswer;
import orthogon.core.dispatch.FollowUpProgress;
import orthogon.core.interview.Interview;
import orthogon.core.questionnaire.FollowUp;
import orthogon.core.questionnaire.FollowUp.Brought;
import orthogon.core.questionnaire.FollowUp.BroughtKind;
import orthogon.core.questionnaire.FollowUp.Carried;
import orthogon.core.questionnaire.FollowUp.FollowUpDecision;
import orthogon.core.questionnaire.FollowUp.DecisionChoice;
import orthogon.core.questionnaire.FollowUp.DueTime;
import orthogon.core.questionnaire.FollowUp.Repeats;
import orthogon.core.questionnaire.FollowUpSeat;
import orthogon.core.questionnaire.FollowUpSeat.Who;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Refused;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.Parameter;
import org.junit.jupiter.params.ParameterizedClass;
import org.junit.jupiter.params.provider.EnumSource;

/** Cases: what a response opens, who answers and decides it, and what comes of it, on either database. */
@ParameterizedClass
@EnumSource(TestDatabase.class)
class FollowUpsTest {

    private static final Instant MORNING = Instant.parse("2026-11-23T08:00:00Z");
    private static final Questionnaire RIDE = one("ride", Question.of("young", "How many young?",
            new NumberAnswer(BigDecimal.ZERO, BigDecimal.valueOf(9), 0, "")).withRequireWhen("true"),
            Question.of("safe", "Is it safe?", new YesNoAnswer()).withRequireWhen("true"));
    private static final Questionnaire VISIT = one("visit", Question.of("well", "Is it well?", new YesNoAnswer()));
    private static final FollowUpDecision BY_REVIEWERS = new FollowUpDecision(List.of("role:reviewer"),
            List.of(new DecisionChoice("fine", "Fine", false), new DecisionChoice("back", "Back", true)));
    private static final Questionnaire HERONS = one("herons", Question.of("hurt", "Is it hurt?", new YesNoAnswer()),
            Question.of("chicks", "How many chicks?", new NumberAnswer(BigDecimal.ZERO, BigDecimal.valueOf(9), 0, "")),
            Question.of("mail", "Your address", new ContactAnswer(ContactAnswer.Standard.EMAIL, "")))
            .withFollowUps(List.of(
                    FollowUp.of("ride", "ride", "hurt").withCarries(List.of(new Carried("young", "chicks", true)))
                            .withBrings(List.of(new Brought("safe", "safe", BroughtKind.YES_NO))).withDecision(BY_REVIEWERS),
                    FollowUp.of("look", "visit", "chicks > 0").withSeat(new FollowUpSeat(Who.ADDRESS, "mail", List.of()))
                            .withDue(new DueTime(3, true)).withRepeats(new Repeats("", true)),
                    FollowUp.of("after", "visit", "ride.decision = \"fine\" and ride.safe")
                            .withSeat(new FollowUpSeat(Who.PEOPLE, "", List.of("jory"))),
                    FollowUp.of("close", "visit", "look.state = \"sent\"")));

    @Parameter
    private TestDatabase vendor;
    private DataSource database;
    private CaseWork early;
    private CaseWork late;
    private Release herons;

    private static Questionnaire one(String code, Question... questions) {
        return Questionnaire.blank(code, code).withPages(List.of(Page.empty("page", "Page").withItems(List.of(questions))));
    }

    @BeforeEach
    void open() {
        database = vendor.migrated();
        early = new CaseWork(database, Clock.fixed(MORNING, ZoneId.systemDefault()));
        late = new CaseWork(database, Clock.fixed(MORNING.plusSeconds(4 * 86_400), ZoneId.systemDefault()));
        early.persons.add("mirja", "Mirja", "mirja@example.org", "", "REVIEWER", false);
        early.persons.add("osk", "Osk", "osk@example.org", "", "REVIEWER", false);
        release(RIDE);
        release(VISIT);
        herons = release(HERONS);
    }

    private Release release(Questionnaire document) {
        Draft draft = early.drafts.create(document, "ines", "began");
        return early.releases.create(draft, new Made("{}", "", "ines", List.of("en"), List.of(), "", now()));
    }

    private static OffsetDateTime now() {
        return MORNING.atZone(ZoneId.systemDefault()).toOffsetDateTime();
    }

    private Running sent(Map<String, Object> answers) {
        Running running = early.interviews.begin(herons, Interview.start(herons.wiring(), LocalDate.of(2026, 11, 23), Map.of()), now());
        return sent(early, running, answers);
    }

    private static Running sent(CaseWork by, Running running, Map<String, Object> answers) {
        Interview interview = running.interview();
        Interview.LeaveResult left = interview.leave(answers);
        assertTrue(left instanceof Interview.LeaveResult.Passed, left.toString());
        assertTrue(by.interviews.keep(running, left.interview(), Optional.empty()));
        by.sending.send(by.interviews.find(running.id()).orElseThrow(), now());
        return by.interviews.find(running.id()).orElseThrow();
    }

    private List<String> states(Running sent) {
        return early.followUps.of(sent.id()).stream().map(k -> k.code() + " " + k.progress().word()).toList();
    }

    private KeptFollowUp kept(Running sent, String code) {
        return early.followUps.of(sent.id()).stream().filter(k -> k.code().equals(code)).findFirst().orElseThrow();
    }

    private Running answering(CaseWork by, KeptFollowUp kept) {
        return by.interviews.find(by.work.begin(kept).orElseThrow()).orElseThrow();
    }

    @Test
    void aResponseOpensWhatIsDueOnceWithWhatItCarries() {
        Running sent = sent(Map.of("hurt", true, "chicks", BigDecimal.TWO, "mail", "finder@example.org"));
        assertEquals(List.of("ride open", "look open"), states(sent));
        early.sending.send(sent, now());
        assertEquals(2, early.followUps.of(sent.id()).size(), "sent again, nothing is opened again");
        assertEquals(List.of("finder@example.org"), early.sent.stream().map(m -> m.to()).toList());
        assertTrue(early.sent.getFirst().text().contains("https://forms.quillmere.example/to/follow/" + kept(sent, "look").token()));
        Running ride = answering(early, kept(sent, "ride"));
        assertEquals(BigDecimal.TWO, ride.interview().course().effective().get("young"));
        assertTrue(ride.interview().course().current().orElseThrow().at("young").orElseThrow().locked());
        assertEquals(ride.id(), early.work.begin(kept(sent, "ride")).orElseThrow(), "whoever comes back goes on");
        assertEquals(List.of(), states(sent(Map.of("hurt", false))));
    }

    @Test
    void whatIsDecidedAndBroughtOpensWhatFollows() throws Refused {
        Running sent = sent(Map.of("hurt", true, "chicks", BigDecimal.ZERO));
        sent(early, answering(early, kept(sent, "ride")), Map.of("safe", true));
        assertEquals(List.of("ride sent"), states(sent), "nothing follows before it is decided");
        assertTrue(assertThrows(Refused.class, () -> early.work.decide(kept(sent, "ride").id(), "herons", "back", " ", "mirja"))
                .getMessage().contains("what is to be corrected"));
        assertThrows(Refused.class, () -> early.work.decide(kept(sent, "ride").id(), "herons", "fine", "", "jory"));
        early.work.decide(kept(sent, "ride").id(), "herons", "back", "Please count again.", "mirja");
        assertEquals(List.of("ride returned"), states(sent));
        assertEquals("Please count again.", kept(sent, "ride").note());
        Running again = answering(early, kept(sent, "ride"));
        assertTrue(again.receipt().isEmpty());
        assertEquals(true, again.interview().raw().get("safe"), "what was answered is there again");
        sent(early, again.with(again.interview().backTo("page")), Map.of("safe", true));
        early.work.decide(kept(sent, "ride").id(), "herons", "fine", "", "mirja");
        assertEquals(List.of("ride decided", "after open"), states(sent));
        assertFalse(early.work.mayAnswer("osk", "herons", HERONS.followUps().getLast()));
    }

    @Test
    void whatIsOverCannotBeSentAndOnlyOneDecisionCounts() throws Exception {
        Running sent = sent(Map.of("hurt", true, "chicks", BigDecimal.ONE, "mail", "finder@example.org"));
        Running look = answering(early, kept(sent, "look"));
        early.work.expire();
        assertEquals(FollowUpProgress.OPEN, kept(sent, "look").progress());
        late.work.expire();
        assertEquals(FollowUpProgress.EXPIRED, kept(sent, "look").progress());
        assertTrue(early.interviews.find(look.id()).orElseThrow().isOver());
        Interview answered = look.interview().leave(Map.of("well", true)).interview();
        assertThrows(WorkOnFollowUps.FollowUpOver.class, () -> early.sending.send(look.with(answered), now()));
        assertEquals(Optional.empty(), early.interviews.find(look.id()).orElseThrow().receipt(), "nothing is sent");
        assertEquals(Optional.empty(), early.work.begin(kept(sent, "look")));
        Running ride = answering(early, kept(sent, "ride"));
        sent(early, ride, Map.of("safe", false));
        long id = kept(sent, "ride").id();
        try (ExecutorService both = Executors.newFixedThreadPool(2)) {
            List<Callable<String>> deciders = List.of(decider(id, "mirja"), decider(id, "osk"));
            List<String> told = both.invokeAll(deciders).stream().map(FollowUpsTest::outcome).sorted().toList();
            assertEquals("", told.getFirst());
            assertTrue(told.getLast().contains("decided by") && told.getLast().contains("in the meantime"), told.toString());
        }
        assertEquals(List.of("ride decided", "look expired"), states(sent));
    }

    private Callable<String> decider(long id, String who) {
        return () -> {
            try {
                new CaseWork(database, Clock.systemDefaultZone()).work.decide(id, "herons", "fine", "", who);
                return "";
            } catch (Refused e) {
                return e.getMessage();
            }
        };
    }

    private static String outcome(Future<String> told) {
        try {
            return told.get();
        } catch (Exception e) {
            throw new AssertionError(e);
        }
    }

    @Test
    void staffWithdrawAndOpenByHand() throws Refused {
        Running sent = sent(Map.of("hurt", true));
        early.work.withdraw(kept(sent, "ride").id(), "herons", "Not needed.", "ines");
        assertThrows(Refused.class, () -> early.work.withdraw(kept(sent, "ride").id(), "herons", "", "ines"));
        assertEquals(List.of("ride withdrawn"), states(sent));
        early.work.openByHand(sent, "herons", "after", "ines");
        assertEquals(List.of("ride withdrawn", "after open"), states(sent));
        assertThrows(Refused.class, () -> early.work.openByHand(sent, "herons", "after", "ines"));
        assertThrows(Refused.class, () -> early.work.openByHand(sent, "herons", "nowhere", "ines"));
        assertFalse(early.work.mayDecide("ines", "herons", HERONS.followUps().getFirst()));
    }

    @Test
    void whatMayBeOpenedAgainIsOpenedOnceItIsOverAndChangesNothingForConditions() throws Refused {
        Running sent = sent(Map.of("chicks", BigDecimal.ONE, "mail", "finder@example.org"));
        assertThrows(Refused.class, () -> early.work.openByHand(sent, "herons", "look", "ines"), "it is still open");
        late.work.expire();
        early.work.openByHand(sent, "herons", "look", "ines");
        KeptFollowUp second = early.followUps.of(sent.id()).getLast();
        assertEquals(2, second.entry());
        assertEquals(2, early.sent.size(), "whoever answers is sent the link again");
        assertThrows(Refused.class, () -> early.work.openByHand(sent, "herons", "look", "ines"), "the second is open now");
        sent(early, answering(early, second), Map.of("well", true));
        assertEquals(List.of("look expired", "look sent"), states(sent), "conditions speak of the first alone");
        for (int n = 3; n <= FollowUp.MOST_TIMES; n++) {
            early.work.openByHand(sent, "herons", "look", "ines");
            early.work.withdraw(early.followUps.of(sent.id()).getLast().id(), "herons", "", "ines");
        }
        assertTrue(assertThrows(Refused.class, () -> early.work.openByHand(sent, "herons", "look", "ines")).getMessage()
                .contains("20 times"));
    }

    @Test
    void whatFailsHalfWayLeavesNothing() throws Refused {
        early.isBroken = true;
        Running running = early.interviews.begin(herons, Interview.start(herons.wiring(), LocalDate.of(2026, 11, 23), Map.of()), now());
        Interview answered = running.interview().leave(Map.of("hurt", true, "chicks", BigDecimal.ONE, "mail", "finder@example.org"))
                .interview();
        early.interviews.keep(running, answered, Optional.empty());
        Running complete = early.interviews.find(running.id()).orElseThrow();
        assertThrows(IllegalStateException.class, () -> early.sending.send(complete, now()));
        assertEquals(Optional.empty(), early.interviews.find(running.id()).orElseThrow().receipt());
        assertEquals(List.of(), states(complete), "neither the one before the mail nor the one with it");
        early.isBroken = false;
        early.sending.send(complete, now());
        assertEquals(List.of("ride open", "look open"), states(complete));
    }

    @Test
    void withoutAReleaseNothingIsOpened() {
        early.drafts.remove(early.drafts.head("ride").orElseThrow().id());
        assertEquals(List.of(), states(sent(Map.of("hurt", true))));
    }
}
