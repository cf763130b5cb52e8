package orthogon.app.storage;

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

    private static final String LIST = """
            select v.token, v.interview_id, p.receipt from invitation v left join response p on p.interview_id = v.interview_id
            where v.questionnaire_id = :id order by v.made_at, v.token
            """;

    /**
     * @param interview the one begun with it; empty while it is unused
     * @param sent whether that interview was sent
     */
    public record Invitation(String token, long questionnaireId, Optional<String> interview, boolean sent) {}

    private final JdbcClient jdbc;

    public InvitationStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    @Transactional
    public List<String> make(long questionnaireId, int count) {
        List<String> made = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            String token = "for-one-" + RandomNames.hex(12);
            jdbc.sql("insert into invitation (token, questionnaire_id, made_at) values (:token, :id, :at)").param("token", token)
                    .param("id", questionnaireId).param("at", OffsetDateTime.now()).update();
            made.add(token);
        }
        return made;
    }

    public List<Invitation> of(long questionnaireId) {
        return jdbc.sql(LIST).param("id", questionnaireId).query((row, n) -> new Invitation(row.getString("token"), questionnaireId,
                Optional.ofNullable(row.getString("interview_id")), row.getString("receipt") != null)).list();
    }

    public Optional<Invitation> withToken(String token) {
        return jdbc.sql("""
                select v.token, v.questionnaire_id, v.interview_id, p.receipt from invitation v
                left join response p on p.interview_id = v.interview_id where v.token = :token
                """).param("token", token).query((row, n) -> new Invitation(row.getString("token"), row.getLong("questionnaire_id"),
                Optional.ofNullable(row.getString("interview_id")), row.getString("receipt") != null)).optional();
    }

    /** Binds an interview to the invitation; false where another one was quicker. */
    public boolean use(String token, String interview) {
        return jdbc.sql("update invitation set interview_id = :interview where token = :token and interview_id is null")
                .param("interview", interview).param("token", token).update() == 1;
    }

    /** A new long random name for an interview. */
    public String wayBack(String interview) {
        String token = RandomNames.hex(20);
        jdbc.sql("insert into way_back (token, interview_id, made_at) values (:token, :interview, :at)").param("token", token)
                .param("interview", interview).param("at", OffsetDateTime.now()).update();
        return token;
    }

    public Optional<String> interviewAt(String wayBack) {
        return jdbc.sql("select interview_id from way_back where token = :token").param("token", wayBack).query(String.class).optional();
    }
}
