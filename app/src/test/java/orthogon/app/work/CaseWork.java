package orthogon.app.work;

import orthogon.app.opening.FollowUpMessages;
import orthogon.app.opening.OpenFollowUps;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.List;
import javax.sql.DataSource;
import orthogon.app.account.People;
import orthogon.app.http.PublicAddress;
import orthogon.app.outbox.Outbox.Mail;
import orthogon.app.opening.Openable;
import orthogon.app.sending.FollowUpLinks;
import orthogon.app.sending.SendMessages;
import orthogon.app.store.AuditStore;
import orthogon.app.store.DraftStore;
import orthogon.app.store.FollowUpStore;
import orthogon.app.store.RecordLinkStore;
import orthogon.app.store.InterviewStore;
import orthogon.app.store.KnownDrafts;
import orthogon.app.store.KnownReleases;
import orthogon.app.store.PersonStore;
import orthogon.app.store.ReleaseStore;
import orthogon.app.store.ReleaseStore.Release;
import orthogon.app.store.ResponseStore;
import orthogon.app.store.TrailKey;
import orthogon.core.questionnaire.Questionnaire;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.datasource.DataSourceTransactionManager;

/** Everything that cases are worked on with, on a database of a test. */
public final class CaseWork {

    public final DraftStore drafts;
    public final ReleaseStore releases;
    public final ResponseStore responses;
    public final InterviewStore interviews;
    public final FollowUpStore followUps;
    public final SendInterview sending;
    public final WorkOnFollowUps work;
    public final FollowUpLinks links;
    public final PersonStore persons;
    public final People people;
    public final Openable openable;
    public final Acts acts;
    public final List<Mail> sent = new ArrayList<>();
    /** Whether the outbox takes nothing. */
    public boolean isBroken;

    public CaseWork(DataSource database, Clock clock) {
        JdbcClient jdbc = JdbcClient.create(database);
        drafts = new DraftStore(jdbc);
        releases = new ReleaseStore(jdbc);
        KnownReleases known = new KnownReleases(releases);
        responses = new ResponseStore(jdbc, known);
        interviews = new InterviewStore(jdbc, known, responses);
        followUps = new FollowUpStore(jdbc);
        persons = new PersonStore(jdbc);
        people = new People(persons);
        PublicAddress addresses = new PublicAddress("https://forms.quillmere.example");
        links = new FollowUpLinks(followUps, known, addresses);
        SendMessages messages = new SendMessages(this::take, people);
        openable = new Openable(drafts, new KnownDrafts(drafts), known, releases);
        OpenFollowUps opening = new OpenFollowUps(followUps, interviews, openable, known, this::take, links,
                new FollowUpMessages(messages, links, followUps, addresses));
        DataSourceTransactionManager transactions = new DataSourceTransactionManager(database);
        acts = new Acts(new AuditStore(jdbc, new TrailKey("key".getBytes(StandardCharsets.UTF_8))), transactions);
        work = new WorkOnFollowUps(followUps, interviews, opening, acts, people, clock, transactions);
        sending = new SendInterview(interviews, messages, opening, work, links, new AddRecord(interviews, new RecordLinkStore(jdbc)),
                transactions);
    }

    /** The first release of a questionnaire. */
    public Release released(Questionnaire document) {
        return releases.create(drafts.create(document, "ines", "began"),
                new ReleaseStore.Made("{}", "", "ines", List.of("en"), List.of(), "", OffsetDateTime.now()));
    }

    private void take(Mail mail) {
        if (isBroken) {
            throw new IllegalStateException("the outbox is broken");
        }
        sent.add(mail);
    }
}
