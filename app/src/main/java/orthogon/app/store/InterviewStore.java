package orthogon.app.store;

import java.security.SecureRandom;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.Map;
import java.util.Optional;
import orthogon.app.store.ReleaseStore.Release;
import orthogon.core.dispatch.FollowUpProgress;
import orthogon.core.expression.Wiring;
import orthogon.core.interview.Interview;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.responses.TakenRoute;
import orthogon.formats.stored.StoredAnswers;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Running interviews and the responses that they become. */
@Component
public class InterviewStore {

    private static final String INSERT = """
            insert into interview (id, release_id, today, link, raw, started, passed, began_at, updated_at, language, page)
            values (:id, :release, :today, :link, :raw, :started, :passed, :at, :at, :language, :page)
            """;
    private static final String UPDATE = """
            update interview set raw = :raw, started = :started, passed = :passed, updated_at = :at, page = :page, draft_page = null, draft = null,
                version = version + 1
            where id = :id and version = :version
            """;
    private static final String FIND = """
            select i.id, i.release_id, i.today, i.link, i.raw, i.started, i.passed, i.updated_at, i.language, i.furthest, i.version,
                p.receipt, f.carried, f.carried_to, f.token, f.state
            from interview i left join response p on p.interview_id = i.id left join follow_up f on f.child = i.id where i.id = :id
            """;
    private static final String RESPONSE = """
            insert into response (receipt, interview_id, release_id, questionnaire_id, language, outcome, sent_at, digest)
            values (:receipt, :interview, :release, :questionnaire, :language, :outcome, :at, :digest)
            """;
    /**
     * @param receipt empty while the interview runs
     * @param furthest the largest percentage of progress that the respondent was shown
     * @param version how often it was kept before it was read
     * @param answered the follow-up that it answers; empty where it answers none
     */
    public record Running(String id, Release release, Interview interview, OffsetDateTime updatedAt, Optional<String> receipt,
            int furthest, int version, Optional<AnsweredFollowUp> answered) {

        /** An interview that answers no follow-up. */
        public Running(String id, Release release, Interview interview, OffsetDateTime updatedAt, Optional<String> receipt, int furthest,
                int version) {
            this(id, release, interview, updatedAt, receipt, furthest, version, Optional.empty());
        }

        /** Whether it cannot be answered any more, though it was not sent. */
        public boolean isOver() {
            return receipt.isEmpty() && answered.filter(a -> !a.progress().isOpen()).isPresent();
        }

        /** The same with other answers, which are not kept yet. */
        public Running with(Interview changed) {
            return new Running(id, release, changed, OffsetDateTime.now(), Optional.empty(), furthest, version, answered);
        }
    }

    /** @param token of its link */
    public record AnsweredFollowUp(String token, FollowUpProgress progress) {}

    /** One row as it is stored. */
    private record StoredInterview(String id, long release, LocalDate today, String link, String raw, String started, String passed,
            OffsetDateTime updatedAt, String language, int furthest, int version, Optional<String> receipt, String carried,
            String carriedTo, String token, String state) {

        static StoredInterview of(ResultSet row, int n) throws SQLException {
            return new StoredInterview(row.getString("id"), row.getLong("release_id"), row.getObject("today", LocalDate.class),
                    row.getString("link"),
                    row.getString("raw"), row.getString("started"), row.getString("passed"),
                    Times.at(row, "updated_at"), row.getString("language"), row.getInt("furthest"),
                    row.getInt("version"), Optional.ofNullable(row.getString("receipt")),
                    row.getString("carried"), row.getString("carried_to"), row.getString("token"), row.getString("state"));
        }
    }

    private final JdbcClient jdbc;
    private final KnownReleases releases;
    private final ResponseStore responses;
    private final SecureRandom random = new SecureRandom();

    public InterviewStore(JdbcClient jdbc, KnownReleases releases, ResponseStore responses) {
        this.responses = responses;
        this.jdbc = jdbc;
        this.releases = releases;
    }

    public Running begin(Release release, Interview interview, OffsetDateTime at) {
        String key = RandomNames.hex(16);
        jdbc.sql(INSERT).param("id", key).param("release", release.id()).param("today", interview.today())
                .param("link", StoredAnswers.write(interview.link())).param("raw", StoredAnswers.write(interview.raw()))
                .param("started", StoredAnswers.writeTexts(interview.started()))
                .param("passed", StoredAnswers.writeTexts(interview.passed()))
                .param("at", at).param("language", interview.wiring().document().sourceLanguage()).param("page", page(interview)).update();
        return new Running(key, release, interview, at, Optional.empty(), 0, 0);
    }

    /** Begins an interview with the answers of one that was sent, so that they can be corrected. */
    public String again(String id, OffsetDateTime at) {
        String key = RandomNames.hex(16);
        jdbc.sql("""
                insert into interview (id, release_id, today, link, raw, started, passed, began_at, updated_at, language, page)
                select :key, release_id, today, link, raw, started, passed, :at, :at, language, page from interview where id = :id
                """).param("key", key).param("id", id).param("at", at).update();
        return key;
    }

    /** The page that it is on; empty where it is complete. */
    private static String page(Interview interview) {
        return interview.course().current().map(p -> p.page().code()).orElse("");
    }

    public Optional<Running> find(String id) {
        // The release is read once the row is, so that no request holds two connections.
        return jdbc.sql(FIND).param("id", id).query(StoredInterview::of).optional().map(this::running);
    }

    private Running running(StoredInterview row) {
        Release release = releases.get(row.release());
        Wiring wiring = row.token() == null
                ? release.wiring(row.language())
                : Wiring.of(FollowUpStore.with(release.document(), row.carried(), row.carriedTo())
                        .in(release.wiring(row.language()).document()));
        Interview interview = new Interview(wiring, row.today(), StoredAnswers.readLink(row.link()),
                StoredAnswers.read(release.document(), row.raw()), new LinkedHashSet<>(StoredAnswers.readTexts(row.started())),
                StoredAnswers.readTexts(row.passed()), false).checkedAsWanted();
        return new Running(row.id(), release, interview, row.updatedAt(), row.receipt(), row.furthest(), row.version(),
                Optional.ofNullable(row.token()).map(t -> new AnsweredFollowUp(t, FollowUpProgress.of(row.state()))));
    }

    /**
     * Keeps what an interview has come to, unless it was kept otherwise since it was read.
     *
     * @param running as it was read
     * @return whether it is kept
     */
    @Transactional
    public boolean keep(Running running, Interview interview, Optional<String> leftPage) {
        return keep(running, interview, leftPage, OffsetDateTime.now());
    }

    /**
     * Keeps what an interview has come to at a moment, unless it was kept otherwise since it was read.
     *
     * @return whether it is kept
     */
    @Transactional
    public boolean keep(Running running, Interview interview, Optional<String> leftPage, OffsetDateTime at) {
        boolean kept = jdbc.sql(UPDATE).param("raw", StoredAnswers.write(interview.raw()))
                .param("started", StoredAnswers.writeTexts(interview.started()))
                .param("passed", StoredAnswers.writeTexts(interview.passed()))
                .param("at", at).param("page", page(interview)).param("id", running.id()).param("version", running.version()).update() == 1;
        if (kept) {
            leftPage.ifPresent(page -> jdbc.sql("insert into page_visit (interview_id, page, left_at) values (:id, :page, :at)")
                    .param("id", running.id()).param("page", page).param("at", at).update());
        }
        return kept;
    }

    /**
     * Keeps what is typed on a page that is not left yet, unless the interview was kept since it was read.
     *
     * @param running as it was read
     */
    public void keepDraft(Running running, String page, Map<String, Object> answers) {
        jdbc.sql("update interview set draft_page = :page, draft = :draft where id = :id and version = :version").param("page", page)
                .param("draft", StoredAnswers.write(answers)).param("id", running.id()).param("version", running.version()).update();
    }

    /** Forgets what was typed on a page since it was last saved. */
    public void dropDraft(String id) {
        jdbc.sql("update interview set draft_page = null, draft = null where id = :id").param("id", id).update();
    }

    /** What was typed on the page before it was closed; empty where nothing was. */
    public Optional<Map<String, Object>> draft(String id, String page, Questionnaire document) {
        return jdbc.sql("select draft from interview where id = :id and draft_page = :page and draft is not null").param("id", id)
                .param("page", page).query(String.class).optional().map(text -> StoredAnswers.read(document, text));
    }

    /** The language that the respondent reads from now on. */
    public void speak(String id, String language) {
        jdbc.sql("update interview set language = :language where id = :id").param("language", language).param("id", id).update();
    }

    /** Notes how far the respondent was shown to be. */
    public void reached(Running running, int percent) {
        if (percent > running.furthest()) {
            jdbc.sql("update interview set furthest = :percent where id = :id").param("percent", percent).param("id", running.id())
                    .update();
        }
    }

    /** Makes a response of a complete interview, within a transaction; the receipt of the one that there is already. */
    public String send(Running running, OffsetDateTime at) {
        Optional<String> known = jdbc.sql("select receipt from response where interview_id = :id").param("id", running.id())
                .query(String.class).optional();
        if (known.isPresent()) {
            return known.get();
        }
        String receipt = receipt();
        String outcome = running.interview().course().outcome().orElse("");
        Map<String, Object> sent = running.interview().sent();
        Map<String, String> given = new LinkedHashMap<>();
        sent.forEach((question, value) -> given.put(question, StoredAnswers.write(Map.of(question, value))));
        jdbc.sql(RESPONSE).param("receipt", receipt).param("interview", running.id()).param("release", running.release().id())
                .param("questionnaire", running.release().questionnaireId())
                .param("language", running.interview().wiring().document().sourceLanguage()).param("outcome", outcome).param("at", at)
                .param("digest", Digests.ofResponse(receipt, running.id(), running.release().id(), outcome, given)).update();
        given.forEach((question, answer) -> jdbc
                .sql("insert into answer (receipt, question, given) values (:receipt, :question, :given)").param("receipt", receipt)
                .param("question", question).param("given", answer).update());
        long number = jdbc.sql("select number from response where receipt = :receipt").param("receipt", receipt).query(Long.class).single();
        responses.index(number, running.release(), receipt, sent, TakenRoute.of(running.interview()));
        return receipt;
    }

    private String receipt() {
        String signs = "23456789ABCDEFGHJKMNPQRSTUVWXYZ";
        StringBuilder receipt = new StringBuilder();
        for (int i = 0; i < 9; i++) {
            receipt.append(i > 0 && i % 3 == 0 ? "-" : "").append(signs.charAt(random.nextInt(signs.length())));
        }
        return receipt.toString();
    }

    public int count(long questionnaireId, OffsetDateTime since) {
        return jdbc.sql("""
                select count(*) from response where questionnaire_id = :id and sent_at >= :since
                """).param("id", questionnaireId).param("since", since).query(Integer.class).single();
    }

    /** Interviews begun, and responses sent, for one release. */
    public record ResponseTally(int begun, int sent) {}

    public ResponseTally tally(long releaseId) {
        return new ResponseTally(
                jdbc.sql("select count(*) from interview where release_id = :id").param("id", releaseId).query(Integer.class).single(),
                jdbc.sql("select count(*) from response where release_id = :id").param("id", releaseId).query(Integer.class).single());
    }
}
