package orthogon.app.storage;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.time.temporal.ChronoUnit;
import java.util.HexFormat;
import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/**
 * Who did what, when. Lines are only ever added; each carries a digest of itself and of the line before it, so that a line that was
 * changed or taken out is found.
 */
@Component
public class AuditStore {

    private static final String NEWEST = "select id, questionnaire, author, did, made_at, digest from audit order by id desc limit :most";
    private static final String ALL = "select id, questionnaire, author, did, made_at, digest from audit order by id";
    private static final String INSERT = """
            insert into audit (id, questionnaire, author, did, made_at, digest) values (:id, :questionnaire, :author, :did, :at, :digest)
            """;

    /** @param questionnaire code; empty for the workspace */
    public record Line(long id, String questionnaire, String author, String did, OffsetDateTime at, String digest) {}

    private final JdbcClient jdbc;

    public AuditStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    @Transactional
    public synchronized void note(String author, String questionnaire, String did) {
        List<Line> last = newest(1);
        long id = last.isEmpty() ? 1 : last.getFirst().id() + 1;
        OffsetDateTime at = OffsetDateTime.now(ZoneOffset.UTC).truncatedTo(ChronoUnit.MILLIS);
        String words = did.length() > 1000 ? did.substring(0, 999) + "…" : did;
        String digest = digest(last.isEmpty() ? "" : last.getFirst().digest(), id, questionnaire, author, words, at);
        jdbc.sql(INSERT).param("id", id).param("questionnaire", questionnaire).param("author", author).param("did", words).param("at", at)
                .param("digest", digest).update();
    }

    private static String digest(String before, long id, String questionnaire, String author, String did, OffsetDateTime at) {
        String line = String.join("\n", before, String.valueOf(id), questionnaire, author, did,
                String.valueOf(at.toInstant().toEpochMilli()));
        try {
            return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(line.getBytes(StandardCharsets.UTF_8)));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }

    public List<Line> newest(int most) {
        return jdbc.sql(NEWEST).param("most", most).query(AuditStore::line).list();
    }

    /** The number of the first line that is not as it was written; 0 where all are. A line cut off at the end is not found. */
    public long firstBroken() {
        String before = "";
        long expected = 1;
        for (Line line : jdbc.sql(ALL).query(AuditStore::line).list()) {
            if (line.id() != expected
                    || !line.digest().equals(digest(before, line.id(), line.questionnaire(), line.author(), line.did(), line.at()))) {
                return expected;
            }
            before = line.digest();
            expected++;
        }
        return 0;
    }

    private static Line line(java.sql.ResultSet row, int n) throws java.sql.SQLException {
        return new Line(row.getLong("id"), row.getString("questionnaire"), row.getString("author"), row.getString("did"),
                row.getObject("made_at", OffsetDateTime.class), row.getString("digest"));
    }
}
