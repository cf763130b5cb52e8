package orthogon.app.work;

import orthogon.app.account.People;
import orthogon.app.http.PublicAddress;
import orthogon.app.outbox.Outbox;
import orthogon.app.proving.Gates;
import orthogon.app.opening.Openable;
import orthogon.app.proving.Openers;
import orthogon.app.proving.Proofs;
import orthogon.app.store.AuditStore;
import orthogon.app.store.DraftStore;
import orthogon.app.store.DraftStore.Draft;
import orthogon.app.store.InvitationStore;
import orthogon.app.store.KnownDrafts;
import orthogon.app.store.KnownReleases;
import orthogon.app.store.ReleaseStore;
import orthogon.app.store.RemarkStore;
import orthogon.app.store.SettingStore;
import orthogon.app.store.SignOffStore;
import orthogon.app.store.TestDatabase;
import orthogon.app.store.TrailKey;
import orthogon.app.store.WaiverStore;
import orthogon.core.answer.yesno.YesNoAnswer;
import orthogon.core.proof.Proof;
import orthogon.core.proof.claim.Claim;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Questionnaire.Outcome;
import orthogon.core.questionnaire.Questionnaire.OutcomeRow;
import orthogon.core.questionnaire.Refused;
import orthogon.core.release.Gate;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.List;
import javax.sql.DataSource;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.function.Executable;
import org.junit.jupiter.params.Parameter;
import org.junit.jupiter.params.ParameterizedClass;
import org.junit.jupiter.params.provider.EnumSource;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.datasource.DataSourceTransactionManager;

/** An act is kept together with its line in the trail, or not at all: here the line fails, after all else was written. */
@ParameterizedClass
@EnumSource(TestDatabase.class)
class NothingHalfDoneTest {

    private static final Clock CLOCK = Clock.fixed(Instant.parse("2026-11-02T09:30:00Z"), ZoneOffset.UTC);
    private static final Questionnaire ROOST = Questionnaire.blank("roost", "Roost").withPages(List.of(Page.empty("visit", "Visit")
            .withItems(List.of(Question.of("wet", "Was it wet?", new YesNoAnswer()),
                    Question.of("never", "Never?", new YesNoAnswer()).withAskWhen("wet and not(wet)")))))
            .withEnding(List.of(new Outcome("done", "Done", "")), List.of(new OutcomeRow("", "done")));

    /** A trail that cannot be written to while it is broken. */
    private static final class BrittleTrail extends AuditStore {

        private boolean breaks = true;

        BrittleTrail(JdbcClient jdbc) {
            super(jdbc, new TrailKey("key".getBytes(StandardCharsets.UTF_8)));
        }

        @Override
        public void note(String author, String questionnaire, String did) {
            super.note(author, questionnaire, did);
            if (breaks) {
                throw new IllegalStateException("killed here");
            }
        }
    }

    @Parameter
    private TestDatabase vendor;
    private BrittleTrail trail;
    private Draft draft;
    private Proof proof;
    private ReleaseStore releases;
    private SignOffStore signOffs;
    private WaiverStore waivers;
    private RemarkStore remarks;
    private InvitationStore invitations;
    private ReleaseDraft releasing;
    private WaiveClaim waiving;
    private RemarkOnRow remarking;
    private InvitePeople inviting;

    @BeforeEach
    void open() {
        DataSource database = vendor.migrated();
        JdbcClient jdbc = JdbcClient.create(database);
        trail = new BrittleTrail(jdbc);
        Acts acts = new Acts(trail, new DataSourceTransactionManager(database));
        DraftStore drafts = new DraftStore(jdbc);
        draft = drafts.create(ROOST, "ines", "began");
        proof = Proof.of(ROOST, LocalDate.of(2026, 11, 2));
        releases = new ReleaseStore(jdbc);
        signOffs = new SignOffStore(jdbc, new SettingStore(jdbc));
        waivers = new WaiverStore(jdbc, new KnownDrafts(drafts));
        remarks = new RemarkStore(jdbc);
        invitations = new InvitationStore(jdbc);
        Proofs proofs = mock(Proofs.class);
        when(proofs.of(draft)).thenReturn(proof);
        Gates gates = mock(Gates.class);
        when(gates.of(draft, proof)).thenAnswer(asked -> Gate.of(proof.claims(), ROOST, waivers.of(draft.id())));
        releasing = new ReleaseDraft(proofs, gates, signOffs, releases, mock(People.class), acts, CLOCK, mock(Openable.class),
                mock(Openers.class));
        waiving = new WaiveClaim(waivers, acts, CLOCK);
        remarking = new RemarkOnRow(remarks, acts, CLOCK);
        inviting = new InvitePeople(invitations, new KnownReleases(releases), releases, drafts, mock(Outbox.class),
                mock(PublicAddress.class), acts, CLOCK);
    }

    private Claim refuted() {
        return proof.claim("reach-question", "never").orElseThrow();
    }

    private void fails(Executable act) {
        assertEquals("killed here", assertThrows(IllegalStateException.class, act).getMessage());
        assertEquals(List.of(), trail.newest(9));
    }

    @Test
    void whatIsCutOffIsNotThereAndCanBeDoneAgain() throws Exception {
        fails(() -> waiving.waive(draft, refuted(), "Only in spring", "ines"));
        assertEquals(List.of(), waivers.of(draft.id()));
        fails(() -> remarking.add(draft, "wet", "Why?", "jory"));
        assertEquals(List.of(), remarks.open(draft.id()));
        fails(() -> releasing.sign(draft, 1, "", "jory"));
        assertEquals(List.of(), signOffs.of(draft.id(), 1));

        trail.breaks = false;
        for (Claim claim : proof.claims()) {
            if (Gate.canBeWaived(claim)) {
                waiving.waive(draft, claim, "Only in spring", "ines");
            }
        }
        remarking.add(draft, "wet", "Why?", "jory");
        assertEquals(Instant.now(CLOCK), remarks.open(draft.id()).getFirst().at().toInstant());
        releasing.sign(draft, 1, "", "jory");
        int lines = trail.newest(99).size();

        trail.breaks = true;
        assertThrows(IllegalStateException.class, () -> releasing.release(draft, 1, "First", List.of(), "ines"));
        assertEquals(List.of(), new KnownReleases(releases).of(draft.id()));
        trail.breaks = false;
        releasing.release(draft, 1, "First", List.of(), "ines");
        assertEquals(1, new KnownReleases(releases).of(draft.id()).getFirst().number());
        assertEquals("jory", new KnownReleases(releases).of(draft.id()).getFirst().signedBy());

        trail.breaks = true;
        assertThrows(IllegalStateException.class, () -> releasing.setState(draft, new KnownReleases(releases).of(draft.id()).getFirst(),
                ReleaseStore.ReleaseState.CLOSED, "", "ines"));
        assertEquals(ReleaseStore.ReleaseState.OPEN, releases.standing(new KnownReleases(releases).of(draft.id()).getFirst().id()).state());
        assertThrows(IllegalStateException.class, () -> inviting.make(draft, 5, "ines"));
        assertThrows(IllegalStateException.class, () -> inviting.invite(draft,
                "warden@example.org\nkeeper@example.org", "en", "ines"));
        assertEquals(List.of(), invitations.of(draft.id()));
        assertEquals(lines + 1, trail.newest(99).size());
        assertEquals(0, trail.firstBroken());
    }

    @Test
    void whatIsNotAllowedIsRefusedWithTheReason() {
        trail.breaks = false;
        assertEquals("You made this revision, so somebody else must sign it.",
                assertThrows(Refused.class, () -> releasing.sign(draft, 1, "", "ines")).getMessage());
        assertTrue(assertThrows(Refused.class, () -> releasing.sign(draft, 2, "", "jory")).getMessage().contains("at revision 1 now"));
        assertTrue(assertThrows(Refused.class, () -> releasing.release(draft, 1, "", List.of(), "ines")).getMessage()
                .contains("The gate is shut"));
        assertTrue(assertThrows(Refused.class, () -> waiving.waive(draft, refuted(), " ", "ines")).getMessage().contains("Explain in"));
        assertTrue(assertThrows(Refused.class, () -> waiving.waive(draft, proof.claim("reach-page", "visit").orElseThrow(), "Why not",
                "ines")).getMessage().contains("it is proved"));
        assertTrue(assertThrows(Refused.class, () -> inviting.make(draft, 5, "ines")).getMessage().contains("Nothing is released yet"));
        releases.create(draft, new ReleaseStore.Made("{}", "", "ines", List.of("en"), List.of(), "", OffsetDateTime.now(CLOCK)));
        assertTrue(assertThrows(Refused.class, () -> inviting.make(draft, 501, "ines")).getMessage().contains("1 to 500"));
        assertTrue(assertThrows(Refused.class, () -> inviting.invite(draft, "keeper@example.org\nkeeper", "en", "ines")).getMessage()
                .contains("These are not email addresses: keeper."));
        assertTrue(assertThrows(Refused.class, () -> inviting.remind(draft, "en", "ines")).getMessage().contains("nobody to remind"));
        assertTrue(assertThrows(Refused.class, () -> releasing.setState(draft, new KnownReleases(releases).of(draft.id()).getFirst(),
                ReleaseStore.ReleaseState.WITHDRAWN, " ", "ines")).getMessage().contains("why it is withdrawn"));
        assertTrue(assertThrows(Refused.class, () -> remarking.add(draft, "gone", "Why?", "jory")).getMessage().contains("no row gone"));
        assertEquals(List.of(), trail.newest(9));
    }
}
