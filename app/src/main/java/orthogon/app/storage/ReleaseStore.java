package orthogon.app.storage;

import java.security.SecureRandom;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import orthogon.core.expression.Wiring;
import orthogon.core.questionnaire.Questionnaire;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Releases: numbered, immutable, each with the link that respondents use. */
@Component
public class ReleaseStore {

    private static final String SELECT = """
            select id, questionnaire_id, number, revision, document, notes, author, made_at, token from release
            """;
    private static final String INSERT = """
            insert into release (questionnaire_id, number, revision, document, proof, notes, author, made_at, token)
            values (:questionnaire, :number, :revision, :document, :proof, :notes, :author, :at, :token)
            """;

    public record Release(long id, long questionnaireId, int number, int revision, Wiring wiring, String notes, String author,
            OffsetDateTime at, String token) {

        public Questionnaire document() {
            return wiring.document();
        }
    }

    private final JdbcClient jdbc;
    private final SecureRandom random = new SecureRandom();
    /** Releases never change, so one that was read once need not be read again. */
    private final ConcurrentHashMap<Long, Release> known = new ConcurrentHashMap<>();

    public ReleaseStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    private static Release release(ResultSet row, int n) throws SQLException {
        return new Release(row.getLong("id"), row.getLong("questionnaire_id"), row.getInt("number"), row.getInt("revision"),
                Wiring.of(Packed.unpack(row.getBytes("document"))), row.getString("notes"), row.getString("author"),
                row.getObject("made_at", OffsetDateTime.class), row.getString("token"));
    }

    /** Newest first. */
    public List<Release> of(long questionnaireId) {
        return jdbc.sql("select id from release where questionnaire_id = :id order by number desc").param("id", questionnaireId)
                .query(Long.class).list().stream().map(this::get).toList();
    }

    public Optional<Release> withToken(String token) {
        return jdbc.sql("select id from release where token = :token").param("token", token).query(Long.class).optional().map(this::get);
    }

    public Release get(long id) {
        return known.computeIfAbsent(id, i -> jdbc.sql(SELECT + " where id = :id").param("id", i).query(ReleaseStore::release).single());
    }

    /** @param proof the proof report that opened the gate, as JSON */
    @Transactional
    public Release create(DraftStore.Draft draft, String proof, String notes, String author) {
        int number = 1 + jdbc.sql("select coalesce(max(number), 0) from release where questionnaire_id = :id").param("id", draft.id())
                .query(Integer.class).single();
        jdbc.sql(INSERT).param("questionnaire", draft.id()).param("number", number).param("revision", draft.revision())
                .param("document", Packed.pack(draft.document())).param("proof", proof).param("notes", notes).param("author", author)
                .param("at", OffsetDateTime.now()).param("token", token(draft.code())).update();
        return of(draft.id()).getFirst();
    }

    /** Readable words of the questionnaire's code, and enough chance that nobody guesses it. */
    private String token(String code) {
        return code.replace('_', '-') + "-" + Long.toString(random.nextLong(1L << 40, 1L << 41), 36);
    }
}
