package orthogon.app.work;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import javax.sql.DataSource;
import orthogon.app.http.PublicAddress;
import orthogon.app.outbox.Outbox.Mail;
import orthogon.app.store.AuditStore;
import orthogon.app.store.DraftStore;
import orthogon.app.store.DraftStore.Draft;
import orthogon.app.store.InvitationStore;
import orthogon.app.store.KnownReleases;
import orthogon.app.store.ReleaseStore;
import orthogon.app.store.ReleaseStore.ReleaseState;
import orthogon.app.store.TestDatabase;
import orthogon.app.store.TrailKey;
import orthogon.core.language.Texts;
import orthogon.core.questionnaire.DispatchMessage;
import orthogon.core.questionnaire.MessageOccasion;
import orthogon.core.questionnaire.MessageOccasion.MessageMoment;
import orthogon.core.questionnaire.MessageContents;
import orthogon.core.questionnaire.MessageContents.ToldAnswers;
import orthogon.core.questionnaire.MessageRecipients;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Questionnaire.Translation;
import orthogon.core.questionnaire.Refused;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.datasource.DataSourceTransactionManager;

class InvitePeopleTest {

    private static final OffsetDateTime MONDAY = OffsetDateTime.parse("2026-11-30T08:00:00Z");

    private final List<Mail> sent = new ArrayList<>();
    private DraftStore drafts;
    private ReleaseStore releases;
    private InvitationStore invitations;
    private Acts acts;

    @BeforeEach
    void open() {
        DataSource database = TestDatabase.H2.migrated();
        JdbcClient jdbc = JdbcClient.create(database);
        drafts = new DraftStore(jdbc);
        releases = new ReleaseStore(jdbc);
        invitations = new InvitationStore(jdbc);
        acts = new Acts(new AuditStore(jdbc, new TrailKey("key".getBytes(StandardCharsets.UTF_8))),
                new DataSourceTransactionManager(database));
    }

    private InvitePeople on(OffsetDateTime day) {
        PublicAddress addresses = mock(PublicAddress.class);
        when(addresses.of(org.mockito.ArgumentMatchers.anyString())).thenAnswer(a -> "https://quillmere.example" + a.getArgument(0));
        return new InvitePeople(invitations, new KnownReleases(releases), releases, drafts, sent::add, addresses, acts,
                Clock.fixed(Instant.from(day), ZoneOffset.UTC));
    }

    private static DispatchMessage message(String code, MessageMoment on, int days) {
        return new DispatchMessage(code, "", new MessageOccasion(on, "", days), "",
                new MessageRecipients(List.of(), List.of(), List.of(), "desk@example.org"),
                "Subject of " + code, "**Please**", new MessageContents(ToldAnswers.NOTHING, List.of(), false, false, false));
    }

    private Draft released(DispatchMessage... messages) {
        Questionnaire herons = Questionnaire.blank("herons", "Herons").withLanguages(List.of("en", "fr")).withMessages(List.of(messages));
        Map<String, Translation> french = new HashMap<>();
        Texts.all(herons).forEach((unit, text) -> french.put(unit, new Translation("fr " + text, "reviewed", text)));
        Draft draft = drafts.create(herons.withTranslations(Map.of("fr", french)), "ines", "began");
        releases.create(draft, new ReleaseStore.Made("{}", "", "ines", List.of("en", "fr"), List.of(), "", MONDAY));
        return draft;
    }

    private List<String> taken() {
        List<String> taken = sent.stream().map(m -> m.to() + ": " + m.subject()).toList();
        sent.clear();
        return taken;
    }

    @Test
    void theAnalystsTextsComeWithTheLinkInTheChosenLanguage() throws Refused {
        Draft draft = released(message("come", MessageMoment.INVITED, 0));
        on(MONDAY).invite(draft, "wenna@example.org", "fr", "ines");
        Mail mail = sent.getFirst();
        String link = "https://quillmere.example/to/" + invitations.of(draft.id()).getFirst().token();
        assertEquals("fr Subject of come", mail.subject());
        assertEquals("fr Please\n\n" + link, mail.text());
        assertTrue(mail.html().contains("<strong>Please</strong>") && mail.html().contains("href=\"" + link + "\""), mail.html());
        assertEquals("desk@example.org", mail.replyTo());
        sent.clear();
        on(MONDAY).remind(draft, "en", "ines");
        assertTrue(sent.getFirst().text().endsWith(link), "without a text of the analyst's own the usual one is sent");
    }

    /** Each reminder goes once, to who has not sent, in the language of the invitation. */
    @Test
    void remindersGoByThemselvesWhenItIsTime() throws Refused {
        Draft draft = released(message("come", MessageMoment.INVITED, 0), message("early", MessageMoment.REMINDER, 3),
                message("late", MessageMoment.REMINDER, 10), message("by_hand", MessageMoment.REMINDER, 0));
        on(MONDAY).invite(draft, "wenna@example.org", "fr", "ines");
        taken();
        List<List<String>> byDay = new ArrayList<>();
        for (int hours : new int[]{71, 72, 73, 239, 240, 500}) {
            on(MONDAY.plus(Duration.ofHours(hours))).remindWhereDue();
            byDay.add(taken());
        }
        assertEquals(List.of(List.of(), List.of("wenna@example.org: fr Subject of early"), List.of(), List.of(),
                List.of("wenna@example.org: fr Subject of late"), List.of()), byDay);
    }

    @Test
    void ofTwoServersOneReminds() {
        Draft draft = released(message("early", MessageMoment.REMINDER, 3));
        String token = invitations.invite(draft.id(), "wenna@example.org", MONDAY).token();
        OffsetDateTime due = MONDAY.plusDays(3);
        assertEquals(List.of(true, false, true), List.of(invitations.remind(token, due, "fr", due),
                invitations.remind(token, due, "fr", due.plusSeconds(1)),
                invitations.remind(token, due.plusDays(7), "fr", due.plusDays(7))));
    }

    @Test
    void nobodyIsRemindedOfWhatTakesNoAnswers() throws Refused {
        Draft draft = released(message("early", MessageMoment.REMINDER, 1));
        on(MONDAY).invite(draft, "wenna@example.org", "en", "ines");
        taken();
        releases.stand(new KnownReleases(releases).of(draft.id()).getFirst().id(), ReleaseState.CLOSED, "");
        on(MONDAY.plusDays(2)).remindWhereDue();
        assertEquals(List.of(), taken());
    }
}
