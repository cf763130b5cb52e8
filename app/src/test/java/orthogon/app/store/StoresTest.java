package orthogon.app.store;

import orthogon.app.store.DraftStore.Draft;
import orthogon.app.store.InterviewStore.Running;
import orthogon.app.store.OfferStore.Offer;
import orthogon.app.store.PersonStore.Person;
import orthogon.app.store.ReleaseStore.Made;
import orthogon.app.store.ReleaseStore.Release;
import orthogon.app.store.ResponseStore.Response;
import orthogon.app.work.CaseWork;
import orthogon.app.work.SendInterview;
import orthogon.core.answer.file.Attachment;
import orthogon.core.answer.text.TextAnswer;
import orthogon.core.answer.yesno.YesNoAnswer;
import orthogon.core.interview.Interview;
import orthogon.core.proof.claim.ClaimKind;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.responses.ResponseDocument;
import orthogon.core.responses.Selection;
import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Duration;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javax.sql.DataSource;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.Parameter;
import org.junit.jupiter.params.ParameterizedClass;
import org.junit.jupiter.params.provider.EnumSource;
import org.springframework.dao.DataAccessException;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.jdbc.core.simple.JdbcClient;

/** Every store gives back what it was given, on either database. */
@ParameterizedClass
@EnumSource(TestDatabase.class)
class StoresTest {

    private static final Questionnaire ROOST = Questionnaire.blank("roost", "Roost").withPages(List.of(Page.empty("visit", "Visit")
            .withItems(List.of(Question.of("place", "Where was it?", new TextAnswer(false, null, 200)),
                    Question.of("wet", "Was it wet?", new YesNoAnswer())))));

    @Parameter
    private TestDatabase vendor;
    private JdbcClient jdbc;
    private DataSource database;
    private DraftStore drafts;
    private ReleaseStore releases;
    private InterviewStore interviews;
    private ResponseStore responses;
    private Draft draft;

    @BeforeEach
    void open() {
        database = vendor.migrated();
        jdbc = JdbcClient.create(database);
        drafts = new DraftStore(jdbc);
        releases = new ReleaseStore(jdbc);
        responses = new ResponseStore(jdbc, new KnownReleases(releases));
        interviews = new InterviewStore(jdbc, new KnownReleases(releases), responses);
        draft = drafts.create(ROOST, "ines", "began");
    }

    private Release release() {
        return releases.create(draft, new Made("{}", "First", "ines", List.of("en", "fr"), List.of("reach-page visit – waived"), "jory",
                OffsetDateTime.now()));
    }

    private Running begun(Release release) {
        return interviews.begin(release, Interview.start(release.wiring(), LocalDate.of(2026, 11, 2), Map.of()), OffsetDateTime.now());
    }

    private ResponseStore.Wanted everything() {
        return new ResponseStore.Wanted(draft.id(), ResponseDocument.of(ROOST, Map.of(), Map.of(), Map.of()), new Selection.EveryResponse(),
                "", true);
    }

    private SendInterview sending() {
        return new CaseWork(database, Clock.systemDefaultZone()).sending;
    }

    private static void isNow(OffsetDateTime at) {
        assertTrue(Duration.between(at, OffsetDateTime.now()).abs().toMinutes() < 5, at.toString());
        assertEquals(ZoneId.systemDefault().getRules().getOffset(at.toInstant()), at.getOffset());
    }

    @Test
    void draftsAreListedArchivedAndRemoved() {
        drafts.create(ROOST.withCode("bats"), "jory", "began");
        assertEquals(List.of("bats", "roost"), drafts.all().stream().map(Draft::code).sorted().toList());
        isNow(drafts.head("roost").orElseThrow().at());
        drafts.archive("bats", true);
        assertEquals(java.util.Set.of("bats"), drafts.archived());
        Running running = begun(release());
        interviews.keep(running, running.interview(), Optional.of("visit"));
        drafts.remove(draft.id());
        assertFalse(drafts.exists("roost"));
        assertEquals(Optional.empty(), interviews.find(running.id()));
        assertThrows(DuplicateKeyException.class, () -> drafts.create(ROOST.withCode("bats"), "ines", "began"));
    }

    @Test
    void aReleaseKeepsWhatItWasMadeOf() {
        Release made = release();
        Release read = new KnownReleases(new ReleaseStore(jdbc)).withToken(made.token()).orElseThrow();
        assertEquals(ROOST, read.document());
        assertEquals(List.of(1, 1), List.of(read.number(), read.revision()));
        assertEquals(List.of("reach-page visit – waived"), read.waived());
        assertEquals("jory", read.signedBy());
        isNow(read.at());
        assertEquals("{}", releases.proof(read.id()));
        releases.stand(read.id(), ReleaseStore.ReleaseState.CLOSED, "Until spring.");
        assertEquals(new ReleaseStore.Availability(ReleaseStore.ReleaseState.CLOSED, "Until spring."), releases.standing(read.id()));
        assertEquals(2, release().number());
    }

    @Test
    void anInterviewGoesOnWhereItWasLeftAndBecomesOneResponse() {
        Running running = begun(release());
        Interview answered = running.interview().keep(Map.of("place", "Under the “old” viaduct, 25 m\n\u0000æ—\uD83E\uDD87", "wet", true));
        assertTrue(interviews.keep(running, answered, Optional.of("visit")));
        assertFalse(interviews.keep(running, answered, Optional.empty()), "it was kept otherwise since");
        interviews.keepDraft(running, "visit", Map.of("wet", true));
        assertEquals(Optional.empty(), interviews.draft(running.id(), "visit", ROOST), "it was kept since");
        interviews.keepDraft(interviews.find(running.id()).orElseThrow(), "visit", Map.of("wet", false));
        assertEquals(Optional.of(Map.of("wet", false)), interviews.draft(running.id(), "visit", ROOST));
        interviews.dropDraft(running.id());
        assertEquals(Optional.empty(), interviews.draft(running.id(), "visit", ROOST));
        interviews.speak(running.id(), "fr");
        interviews.reached(running, 40);
        Running read = interviews.find(running.id()).orElseThrow();
        assertEquals(answered.raw(), read.interview().raw());
        assertEquals(List.of(40, 1), List.of(read.furthest(), read.version()));
        Running sent = read.with(read.interview().leave(Map.of("place", "Weir", "wet", true)).interview());
        jdbc.sql("alter table answer rename to answer_away").update();
        assertThrows(DataAccessException.class,
                () -> sending().send(sent,
                        OffsetDateTime.now()));
        jdbc.sql("alter table answer_away rename to answer").update();
        assertEquals(Optional.empty(), interviews.find(sent.id()).orElseThrow().receipt(), "without its answers it is not sent");
        String receipt = sending().send(sent,
                OffsetDateTime.now());
        assertEquals(receipt,
                sending()
                        .send(sent, OffsetDateTime.now()));
        Response response = responses.find(draft.id(), receipt).orElseThrow();
        assertEquals(Map.of("place", "Weir", "wet", true), response.answers());
        isNow(response.sentAt());
        assertEquals(List.of(response), responses.page(everything(), ResponseStore.Order.NEWEST, 0, 10));
        assertEquals(1, interviews.count(draft.id(), OffsetDateTime.now().minusDays(1)));
        assertEquals(0, interviews.count(draft.id(), OffsetDateTime.now().plusDays(1)));
        assertEquals(new InterviewStore.ResponseTally(1, 1), interviews.tally(response.releaseId()));
    }

    @Test
    void aWorkspaceIsCheckedAndFindsWhatWasChanged() {
        Running running = begun(release());
        sending().send(
                running.with(running.interview().leave(Map.of("place", "Weir", "wet", true)).interview()),
                OffsetDateTime.now());
        AuditStore audit = new AuditStore(jdbc, new TrailKey("key".getBytes(StandardCharsets.UTF_8)));
        audit.note("ines", "roost", "began");
        WorkspaceStore workspace = new WorkspaceStore(jdbc, audit, database);
        assertTrue(workspace.isWritable());
        assertEquals(List.of(), workspace.check().wrong());
        jdbc.sql("update answer set given = '{\"wet\":false}' where question = 'wet'").update();
        assertEquals(1, workspace.check().wrong().size(), workspace.check().toString());
        if (vendor != TestDatabase.H2) {
            assertThrows(UnsupportedOperationException.class, () -> workspace.copyTo(java.nio.file.Path.of("never")));
        }
    }

    @Test
    void peopleHaveRolesAndLinks() {
        PersonStore people = new PersonStore(jdbc);
        people.add("ines", "Ines Tallow", "ines@station.example", "", "analyst", true);
        assertThrows(DuplicateKeyException.class, () -> people.add("ines", "Another", "", "", "", false));
        people.setRole("ines", "roost", "reader");
        people.setSecondFactor("ines", "SECRET");
        people.setIdentity("ines", "https://id.example 7");
        assertTrue(people.useStep("ines", 12));
        assertFalse(people.useStep("ines", 12));
        String link = people.link("ines", Duration.ofHours(1));
        assertEquals(Optional.of("ines"), people.linked(link));
        people.setPassword("ines", "hashed");
        assertEquals(Optional.empty(), people.linked(link));
        assertEquals(Optional.empty(), people.linked(people.link("ines", Duration.ofHours(-1))));
        people.disable("ines", true);
        assertEquals(List.of(new Person("ines", "Ines Tallow", "ines@station.example", "hashed", "analyst", true, true, "SECRET", 12,
                "https://id.example 7", Map.of("roost", "reader"))), people.all());
        people.setRole("ines", "roost", "");
        assertEquals(Map.of(), people.all().getFirst().roles());
    }

    @Test
    void invitationsAreUsedOnceAndWaysBackEnd() {
        InvitationStore invitations = new InvitationStore(jdbc);
        Running first = begun(release());
        String token = invitations.make(draft.id(), 2, OffsetDateTime.now()).getFirst();
        assertTrue(invitations.use(token, first.id()));
        assertFalse(invitations.use(token, begun(new KnownReleases(releases).of(draft.id()).getFirst()).id()));
        String invited = invitations.invite(draft.id(), "warden@station.example", OffsetDateTime.now()).token();
        assertEquals(invited, invitations.invite(draft.id(), "Warden@station.example", OffsetDateTime.now()).token());
        invitations.mailed(invited, false, "fr", OffsetDateTime.now());
        isNow(invitations.withToken(invited).orElseThrow().mailedAt().orElseThrow());
        assertEquals(Optional.empty(), invitations.withToken(invited).orElseThrow().remindedAt());
        assertEquals("fr", invitations.withToken(invited).orElseThrow().language());
        assertEquals(3, invitations.of(draft.id()).size());
        String back = invitations.wayBack(first.id());
        assertEquals(Optional.of(first.id()), invitations.interviewAt(back));
        jdbc.sql("update way_back set made_at = :at").param("at", OffsetDateTime.now().minusDays(InvitationStore.WAY_BACK_DAYS + 1))
                .update();
        assertEquals(Optional.empty(), invitations.interviewAt(back));
    }

    @Test
    void filesBelongToAnInterview() {
        AttachmentStore files = new AttachmentStore(jdbc);
        String interview = begun(release()).id();
        byte[] content = new byte[]{0, 1, (byte) 200, 127};
        files.keep(interview, new Attachment("one", "wing.png", 4, "image/png"), content);
        files.keep(interview, new Attachment("two", "claw.png", 4, "image/png"), content);
        assertArrayEquals(content, files.content("one").orElseThrow());
        assertEquals(new AttachmentStore.HeldFiles(2, 8), files.held(interview));
        assertEquals(List.of(interview), files.unfinished(OffsetDateTime.now().plusMinutes(1)));
        assertEquals(List.of(), files.unfinished(OffsetDateTime.now().minusMinutes(1)));
        files.keepOnly(interview, List.of("two"));
        assertEquals(List.of("two"), files.before(interview, OffsetDateTime.now().plusMinutes(1)));
        files.keepOnly(interview, List.of());
        assertEquals(new AttachmentStore.HeldFiles(0, 0), files.held(interview));
    }

    @Test
    void offersSettingsAndSignaturesReplaceWhatWasThere() {
        OfferStore offers = new OfferStore(jdbc);
        assertEquals("roost", offers.of(draft.id(), "roost").address());
        for (int most : List.of(3, 0)) {
            Offer offer = new Offer(draft.id(), "roost-count", "2026-11-02T08:00", "", "Europe/Dublin", most, most == 0);
            assertTrue(offers.save(offer));
            assertEquals(Optional.of(offer), offers.atAddress("roost-count"));
        }
        Draft other = drafts.create(ROOST.withCode("bats"), "jory", "began");
        assertFalse(offers.save(new Offer(other.id(), "roost-count", "", "", "UTC", 0, false)), "the address is taken");

        SettingStore settings = new SettingStore(jdbc);
        settings.set("sign-off", true);
        settings.set("sign-off", false);
        assertFalse(settings.isYes("sign-off"));

        SignOffStore signs = new SignOffStore(jdbc, settings);
        signs.sign(draft.id(), 1, "jory", "First look", OffsetDateTime.now());
        signs.sign(draft.id(), 1, "jory", "Second look", OffsetDateTime.now());
        assertEquals(List.of("Second look"), signs.of(draft.id(), 1).stream().map(SignOffStore.SignOff::note).toList());
    }

    @Test
    void remarksWaiversAndDrillsAreKeptInTheirOrder() {
        RemarkStore remarks = new RemarkStore(jdbc);
        remarks.add(draft.id(), "wet", "Why?", 1, "jory", OffsetDateTime.now());
        remarks.add(draft.id(), "wet", "Because.", 1, "ines", OffsetDateTime.now());
        remarks.settle(draft.id(), remarks.at(draft.id(), "wet").getFirst().id(), "ines", OffsetDateTime.now());
        assertEquals(List.of("Because."), remarks.open(draft.id()).stream().map(RemarkStore.Remark::text).toList());

        WaiverStore waivers = new WaiverStore(jdbc, new KnownDrafts(drafts));
        waivers.save(draft.id(), "reach-question", "wet", "Only in spring", 1, "ines", OffsetDateTime.now());
        assertEquals(ClaimKind.REACH_QUESTION, waivers.of(draft.id()).getFirst().kind());
        waivers.takeBack(draft.id(), "reach-question", "wet", "jory", OffsetDateTime.now());
        assertEquals(List.of(), waivers.of(draft.id()));

        DrillStore drills = new DrillStore(jdbc);
        DrillStore.SavedDrill walk = new DrillStore.SavedDrill(0, "A wet visit", Map.of(), Map.of("wet", true),
                LocalDate.of(2026, 11, 2), List.of("place", "wet"), "", Optional.of(List.of("to_us", "to_all")), "ines");
        drills.save(draft.id(), walk);
        DrillStore.SavedDrill read = drills.of(draft.id(), ROOST).getFirst();
        assertEquals(walk.answers(), read.answers());
        assertEquals(walk.today(), read.today());
        assertEquals(walk.sends(), read.sends());
        drills.discard(draft.id(), read.id());
        assertEquals(Optional.empty(), drills.get(draft.id(), read.id(), ROOST));
    }
}
