package orthogon.app.store;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Links for one person each, and the ways back to interviews that were begun. */
@Component
public class InvitationStore {

    /** How long a way back is good for. */
    public static final int WAY_BACK_DAYS = 30;

    private static final String REMIND = """
            update invitation set reminded_at = :at, language = :language
            where token = :token and (reminded_at is null or reminded_at < :since)
            """;
    private static final String LIST = """
            select v.token, v.questionnaire_id, v.interview_id, v.email, v.sent_at, v.reminded_at, v.language, p.receipt
            from invitation v left join response p on p.interview_id = v.interview_id where v.questionnaire_id = :id order by v.made_at, v.token
            """;

    /**
     * @param interview the one begun with it; empty while it is unused
     * @param sent whether that interview was sent
     * @param email that it is for; empty where it was made without one
     * @param mailedAt when it was sent to that address
     * @param language that it was last written to in; empty where it never was
     */
    public record Invitation(String token, long questionnaireId, Optional<String> interview, boolean sent, String email,
            Optional<OffsetDateTime> mailedAt, Optional<OffsetDateTime> remindedAt, String language) {}

    private final JdbcClient jdbc;

    public InvitationStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    @Transactional
    public List<String> make(long questionnaireId, int count, OffsetDateTime at) {
        List<String> made = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            String token = "for-one-" + RandomNames.hex(12);
            jdbc.sql("insert into invitation (token, questionnaire_id, made_at) values (:token, :id, :at)").param("token", token)
                    .param("id", questionnaireId).param("at", at).update();
            made.add(token);
        }
        return made;
    }

    private static Invitation invitation(ResultSet row, int n) throws SQLException {
        return new Invitation(row.getString("token"), row.getLong("questionnaire_id"), Optional.ofNullable(row.getString("interview_id")),
                row.getString("receipt") != null, row.getString("email"),
                Optional.ofNullable(Times.at(row, "sent_at")),
                Optional.ofNullable(Times.at(row, "reminded_at")), row.getString("language"));
    }

    /** A link for somebody with an address, or the one that they were given before. */
    @Transactional
    public Invitation invite(long questionnaireId, String email, OffsetDateTime at) {
        Optional<Invitation> known = of(questionnaireId).stream().filter(i -> i.email().equalsIgnoreCase(email)).findFirst();
        if (known.isPresent()) {
            return known.get();
        }
        String token = make(questionnaireId, 1, at).getFirst();
        jdbc.sql("update invitation set email = :email where token = :token").param("email", email).param("token", token).update();
        return withToken(token).orElseThrow();
    }

    /** @param language that the message was written in */
    public void mailed(String token, boolean reminder, String language, OffsetDateTime at) {
        jdbc.sql("update invitation set " + (reminder ? "reminded_at" : "sent_at") + " = :at, language = :language where token = :token")
                .param("at", at).param("language", language).param("token", token).update();
    }

    /**
     * Notes that somebody is reminded, unless they were since a moment, as by another server.
     *
     * @return whether it is noted
     */
    public boolean remind(String token, OffsetDateTime since, String language, OffsetDateTime at) {
        return jdbc.sql(REMIND).param("at", at).param("language", language).param("token", token).param("since", since).update() == 1;
    }

    public List<Invitation> of(long questionnaireId) {
        return jdbc.sql(LIST).param("id", questionnaireId).query(InvitationStore::invitation).list();
    }

    public Optional<Invitation> withToken(String token) {
        return jdbc
                .sql("""
                        select v.token, v.questionnaire_id, v.interview_id, v.email, v.sent_at, v.reminded_at, v.language, p.receipt from invitation v
                        left join response p on p.interview_id = v.interview_id where v.token = :token
                        """)
                .param("token", token).query(InvitationStore::invitation).optional();
    }

    /** Binds an interview to the invitation; false where another one was quicker. */
    public boolean use(String token, String interview) {
        return jdbc.sql("update invitation set interview_id = :interview where token = :token and interview_id is null")
                .param("interview", interview).param("token", token).update() == 1;
    }

    /** A new long random name for an interview, good for {@link #WAY_BACK_DAYS}. */
    public String wayBack(String interview) {
        String token = RandomNames.hex(20);
        jdbc.sql("insert into way_back (token, interview_id, made_at) values (:token, :interview, :at)").param("token", token)
                .param("interview", interview).param("at", OffsetDateTime.now()).update();
        return token;
    }

    /** The interview that a name leads back to; empty once the name is too old. */
    public Optional<String> interviewAt(String wayBack) {
        return jdbc.sql("select interview_id from way_back where token = :token and made_at > :since").param("token", wayBack)
                .param("since", OffsetDateTime.now().minusDays(WAY_BACK_DAYS)).query(String.class).optional();
    }
}
