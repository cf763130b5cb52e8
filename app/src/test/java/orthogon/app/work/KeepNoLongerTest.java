package orthogon.app.work;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.zip.ZipInputStream;
import javax.sql.DataSource;
import orthogon.app.store.AuditStore;
import orthogon.app.store.DraftStore;
import orthogon.app.store.DraftStore.Draft;
import orthogon.app.store.ErasureStore;
import orthogon.app.store.InterviewStore;
import orthogon.app.store.InterviewStore.Running;
import orthogon.app.store.KnownReleases;
import orthogon.app.store.ReleaseStore;
import orthogon.app.store.ReleaseStore.Release;
import orthogon.app.store.ResponseStore;
import orthogon.app.store.ResponseStore.Response;
import orthogon.app.store.ResponseStore.Wanted;
import orthogon.app.store.RecordLinkStore;
import orthogon.app.store.RetentionStore;
import orthogon.app.store.RetentionStore.Retention;
import orthogon.app.store.Schema;
import orthogon.app.store.TrailKey;
import orthogon.app.store.WorkspaceStore;
import orthogon.core.answer.lookup.LookupAnswer;
import orthogon.core.answer.lookup.RecordAnswer;
import orthogon.core.answer.text.TextAnswer;
import orthogon.core.interview.Interview;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Refused;
import orthogon.core.responses.ResponseDocument;
import orthogon.core.responses.Selection;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.datasource.DataSourceTransactionManager;
import org.springframework.jdbc.datasource.DriverManagerDataSource;

/** What is kept too long goes in the night, and is in no file afterwards. */
class KeepNoLongerTest {

    private static final String SECRET = "Wilhelmina Quietwater-";
    private static final Questionnaire ROOST = Questionnaire.blank("roost", "Roost").withPages(List.of(Page.empty("visit", "Visit")
            .withItems(List.of(Question.of("place", "Where was it?", new TextAnswer(false, null, 200)),
                    Question.of("who", "Who are you?", new TextAnswer(false, null, 200)).withRequireWhen("true").withPersonal(true)))));
    private static final Instant NOW = Instant.now().truncatedTo(ChronoUnit.SECONDS);

    @TempDir
    private Path folder;
    private JdbcClient jdbc;
    private DraftStore drafts;
    private ReleaseStore releases;
    private InterviewStore interviews;
    private ResponseStore responses;
    private RetentionStore retention;
    private WorkspaceStore workspace;
    private AuditStore audit;
    private Draft draft;
    private Release release;
    private KeepNoLonger keeping;
    private EraseResponses erasing;

    @BeforeEach
    void open() {
        DataSource database = new DriverManagerDataSource("jdbc:h2:file:" + folder.resolve("orthogon") + ";WRITE_DELAY=0;DB_CLOSE_DELAY=-1",
                "sa", "");
        Schema.migrate(database);
        jdbc = JdbcClient.create(database);
        drafts = new DraftStore(jdbc);
        releases = new ReleaseStore(jdbc);
        KnownReleases known = new KnownReleases(releases);
        responses = new ResponseStore(jdbc, known);
        interviews = new InterviewStore(jdbc, known, responses);
        retention = new RetentionStore(jdbc);
        audit = new AuditStore(jdbc, TrailKey.at(folder.resolve("key")));
        workspace = new WorkspaceStore(jdbc, audit, database);
        Acts acts = new Acts(audit, new DataSourceTransactionManager(database));
        ErasureStore erasure = new ErasureStore(jdbc);
        ForgetRecords records = new ForgetRecords(new RecordLinkStore(jdbc), responses, erasure);
        erasing = new EraseResponses(responses, erasure, records, acts);
        keeping = new KeepNoLonger(retention, responses, erasure, erasing, records, known, drafts, acts, Clock.fixed(NOW, ZoneOffset.UTC));
        draft = drafts.create(ROOST, "ines", "began");
        release = releases.create(draft, new ReleaseStore.Made("{}", "", "ines", List.of("en"), List.of(), "", OffsetDateTime.now()));
    }

    @AfterEach
    void close() {
        workspace.close();
    }

    private Running begun(String name, int daysAgo) {
        OffsetDateTime at = NOW.atOffset(ZoneOffset.UTC).minusDays(daysAgo);
        Running running = interviews.begin(release, Interview.start(release.wiring(), at.toLocalDate(), Map.of()), at);
        Interview answered = running.interview().leave(Map.of("place", "By the weir", "who", SECRET + name)).interview();
        interviews.keep(running, answered, Optional.of("visit"), at);
        return running.with(answered);
    }

    private String sent(String name, int daysAgo) {
        return interviews.send(begun(name, daysAgo), NOW.atOffset(ZoneOffset.UTC).minusDays(daysAgo));
    }

    private List<String> found(String search, boolean personal) {
        return responses
                .page(new Wanted(draft.id(), ResponseDocument.of(ROOST, Map.of(), Map.of(), Map.of()), new Selection.EveryResponse(),
                        search, personal), ResponseStore.Order.NEWEST, 0, 10)
                .stream().map(Response::receipt).toList();
    }

    private boolean stands(String text, Path file) throws IOException {
        return new String(Files.readAllBytes(file), StandardCharsets.ISO_8859_1).contains(text);
    }

    @Test
    void nothingGoesUnlessSomebodyDecidesSo() throws Refused {
        String old = sent("one", 400);
        keeping.run();
        keeping.decide("roost", Retention.forever(draft.id()), "ines");
        keeping.run();
        assertEquals(List.of(old), found("", true));
    }

    @Test
    void responsesGoOnTheDayAfterTheirLastAndNoEarlier() throws Refused {
        sent("old", 31);
        String last = sent("last", 30);
        String young = sent("young", 29);
        begun("unfinished", 8);
        Running younger = begun("younger", 6);
        keeping.decide("roost", new Retention(draft.id(), 30, false, 7), "ines");
        keeping.run();
        assertEquals(List.of(young, last), found("", true));
        assertEquals(3, jdbc.sql("select count(*) from interview").query(Integer.class).single());
        assertTrue(interviews.find(younger.id()).isPresent());
        List<String> trail = audit.newest(10).stream().map(AuditStore.TrailLine::did).toList();
        assertTrue(trail.contains("erased 1 response kept longer than 30 days"), trail.toString());
        assertTrue(trail.contains("erased 1 unfinished interview kept longer than 7 days"), trail.toString());
        assertTrue(trail.stream().noneMatch(line -> line.contains(SECRET)));
    }

    /** A message that tells what a response says. */
    private void told(String receipt) {
        jdbc.sql("""
                insert into message (sent_to, subject, text, sent_at, due_at, message_id, interview_id)
                values ('office@example.org', 'Roost', :text, :at, :at, :receipt, :interview)
                """).param("text", SECRET + receipt).param("at", NOW.atOffset(ZoneOffset.UTC)).param("receipt", receipt)
                .param("interview", responses.find(draft.id(), receipt).orElseThrow().interviewId()).update();
    }

    /** A follow-up that is opened with what a response says. */
    private void carried(String receipt) {
        jdbc.sql("""
                insert into follow_up (interview_id, code, entry, release_id, token, state, carried, carried_to, opened_at,
                    open_since, expires)
                values (:interview, 'look', 0, :release, :receipt, 'sent', :carried, '[]', :at, :at, false)
                """).param("interview", responses.find(draft.id(), receipt).orElseThrow().interviewId()).param("release", release.id())
                .param("receipt", receipt).param("carried", "{\"who\":\"" + SECRET + receipt + "\"}")
                .param("at", NOW.atOffset(ZoneOffset.UTC)).update();
    }

    @Test
    void personalAnswersGoAndTheOthersStay() throws Refused {
        String old = sent("old", 31);
        String young = sent("young", 2);
        told(old);
        told(young);
        carried(old);
        carried(young);
        keeping.decide("roost", new Retention(draft.id(), 30, true, 0), "ines");
        keeping.run();
        keeping.run();
        assertEquals(List.of(SECRET + young), jdbc.sql("select text from message").query(String.class).list());
        assertEquals(List.of("{}", "{\"who\":\"" + SECRET + young + "\"}"),
                jdbc.sql("select carried from follow_up order by id").query(String.class).list());
        Response stripped = responses.find(draft.id(), old).orElseThrow();
        assertEquals(Map.of("place", "By the weir"), stripped.answers());
        assertTrue(stripped.stripped());
        assertEquals(List.of(young), found("quietwater", true));
        assertEquals(List.of(), found("quietwater", false), "who may not read personal answers does not find by them either");
        assertEquals(List.of(young, old), found("weir", true));
        Interview interview = interviews.find(stripped.interviewId()).orElseThrow().interview();
        assertEquals(Map.of("place", "By the weir"), interview.raw());
        assertEquals(1, interview.unchecked().course().pages().size());
        assertEquals(SECRET + "young", responses.find(draft.id(), young).orElseThrow().answers().get("who"));
        assertTrue(workspace.check().isWell(), workspace.check().toString());
    }

    @Test
    void whoseRecordWasChosenIsToldByNobodyOnceTheirPersonalAnswersGo() throws Refused {
        LookupAnswer lookup = new LookupAnswer("walks", 1,
                List.of(new RecordAnswer("who", "Who", new TextAnswer(false, null, 200))), "", "", "", false);
        Draft walks = drafts.create(Questionnaire.blank("walks", "Walks").withPages(List.of(Page.empty("visit", "Visit").withItems(List.of(
                Question.of("who", "Who are you?", new TextAnswer(false, null, 200)).withPersonal(true),
                Question.of("after", "Whom do you follow?", lookup).withPersonal(false))))), "ines", "began");
        release = releases.create(walks, new ReleaseStore.Made("{}", "", "ines", List.of("en"), List.of(), "", OffsetDateTime.now()));
        OffsetDateTime at = NOW.atOffset(ZoneOffset.UTC).minusDays(40);
        String first = walked(Map.of("who", SECRET + "first"), at);
        Map<String, Object> chosen = Map.of("record", first, "who", SECRET + "first");
        String second = walked(Map.of("who", SECRET + "second", "after", chosen), at);
        assertEquals(chosen, responses.find(walks.id(), second).orElseThrow().answers().get("after"));
        keeping.decide("walks", new Retention(walks.id(), 30, true, 0), "ines");
        keeping.run();
        assertEquals(Map.of("after", Map.of("record", first)), responses.find(walks.id(), second).orElseThrow().answers());
        assertTrue(workspace.check().isWell(), workspace.check().toString());
    }

    private String walked(Map<String, Object> answers, OffsetDateTime at) {
        Interview asked = Interview.start(release.wiring(), at.toLocalDate(), Map.of());
        Running running = interviews.begin(release, asked, at);
        return interviews.send(running.with(asked.leave(answers).interview()), at);
    }

    @Test
    void whatIsErasedIsInNoFileOfTheDatabaseAndInNoBackupMadeLater() throws IOException {
        String receipt = sent("one", 1);
        sent("two", 1);
        Path file = folder.resolve("orthogon.mv.db");
        assertTrue(stands(SECRET + "one", file));
        erasing.erase(draft, List.of(receipt), "ines");
        Path zip = folder.resolve("backup.zip");
        workspace.copyTo(zip);
        try (ZipInputStream in = new ZipInputStream(Files.newInputStream(zip))) {
            in.getNextEntry();
            String copy = new String(in.readAllBytes(), StandardCharsets.ISO_8859_1);
            assertFalse(copy.contains(SECRET + "one"));
            assertTrue(copy.contains(SECRET + "two"));
        }
        assertTrue(workspace.closeCompacted());
        assertFalse(stands(SECRET + "one", file));
        assertTrue(stands(SECRET + "two", file));
        assertFalse(workspace.closeCompacted(), "nothing was erased since");
    }

    @Test
    void timesOutsideTheirLimitsAreRefused() throws Refused {
        assertThrows(Refused.class, () -> keeping.decide("roost", new Retention(draft.id(), -1, false, 0), "ines"));
        assertThrows(Refused.class, () -> keeping.decide("roost", new Retention(draft.id(), 0, false, KeepNoLonger.MOST_DAYS + 1), "ines"));
        keeping.decide("roost", new Retention(draft.id(), KeepNoLonger.MOST_DAYS, true, KeepNoLonger.MOST_DAYS), "ines");
        assertEquals(KeepNoLonger.MOST_DAYS, retention.of(draft.id()).orElseThrow().responseDays());
    }
}
