package orthogon.app.store;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.time.temporal.ChronoUnit;
import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/**
 * Who did what, when: the trail. Lines are only ever added; each carries a digest of itself and of the line before it under the
 * {@link TrailKey}, so that a line that was changed, put in or taken out is found, also at the end.
 */
@Component
public class AuditStore {

    private static final String COLUMNS = "select id, questionnaire, author, did, made_at, digest from audit";
    private static final String NEWEST = COLUMNS + " order by id desc limit :most";
    private static final String FROM = COLUMNS + " where id >= :from order by id limit :most";
    private static final String INSERT = """
            insert into audit (id, questionnaire, author, did, made_at, digest) values (:id, :questionnaire, :author, :did, :at, :digest)
            """;
    private static final String END = "select last_id, digest, keyed_from, seal from trail_end where only_one = 1";
    private static final String MOVE = "update trail_end set last_id = :id, digest = :digest, seal = :seal where only_one = 1";
    private static final int LONGEST = 1000;
    private static final int READ_AT_ONCE = 2000;

    /** @param questionnaire code; empty for the workspace */
    public record TrailLine(long id, String questionnaire, String author, String did, OffsetDateTime at, String digest) {}

    private record End(long last, String digest, long keyedFrom, String seal) {}

    private final JdbcClient jdbc;
    private final TrailKey key;

    public AuditStore(JdbcClient jdbc, TrailKey key) {
        this.jdbc = jdbc;
        this.key = key;
    }

    /** Adds a line in the transaction of the act that it tells of; whoever adds another waits until that is kept. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void note(String author, String questionnaire, String did) {
        End end = jdbc.sql(END + " for update").query(AuditStore::end).single();
        long id = end.last() + 1;
        OffsetDateTime at = OffsetDateTime.now(ZoneOffset.UTC).truncatedTo(ChronoUnit.MILLIS);
        String words = did.length() > LONGEST ? did.substring(0, LONGEST - 1) + "…" : did;
        String digest = key.digest(text(end.digest(), id, questionnaire, author, words, at));
        jdbc.sql(INSERT).param("id", id).param("questionnaire", questionnaire).param("author", author).param("did", words).param("at", at)
                .param("digest", digest).update();
        jdbc.sql(MOVE).param("id", id).param("digest", digest).param("seal", seal(id, digest, end.keyedFrom())).update();
    }

    private String seal(long last, String digest, long keyedFrom) {
        return key.digest("end\n" + last + "\n" + digest + "\n" + keyedFrom);
    }

    private static String text(String before, long id, String questionnaire, String author, String did, OffsetDateTime at) {
        return String.join("\n", before, String.valueOf(id), questionnaire, author, did, String.valueOf(at.toInstant().toEpochMilli()));
    }

    public List<TrailLine> newest(int most) {
        return jdbc.sql(NEWEST).param("most", most).query(AuditStore::line).list();
    }

    /** The number of the first line that is not as it was written, or that is missing; 0 where all are there as they were. */
    public long firstBroken() {
        return firstBrokenFrom(1, "");
    }

    /** The same of the newest lines alone. */
    public long firstBroken(int newest) {
        List<TrailLine> lines = newest(newest + 1);
        return lines.size() <= newest ? firstBroken() : firstBrokenFrom(lines.getLast().id() + 1, lines.getLast().digest());
    }

    private long firstBrokenFrom(long from, String digestBefore) {
        End end = jdbc.sql(END).query(AuditStore::end).single();
        String before = digestBefore;
        long expected = from;
        while (true) {
            List<TrailLine> lines = jdbc.sql(FROM).param("from", expected).param("most", READ_AT_ONCE).query(AuditStore::line).list();
            for (TrailLine line : lines) {
                String text = text(before, line.id(), line.questionnaire(), line.author(), line.did(), line.at());
                // Before there was a key, lines were chained by plain digests.
                boolean whole = line.digest().equals(line.id() < end.keyedFrom() ? Digests.plain(text) : key.digest(text));
                if (line.id() != expected || !whole) {
                    return expected;
                }
                before = line.digest();
                expected++;
            }
            if (lines.size() < READ_AT_ONCE) {
                break;
            }
        }
        // Lines that were added since the end was read are sealed by it no more.
        boolean sealed = end.seal().isEmpty() && end.keyedFrom() == end.last() + 1 || end.seal().equals(seal(end.last(), end.digest(),
                end.keyedFrom()));
        return expected <= end.last() || !sealed ? expected : 0;
    }

    private static End end(ResultSet row, int n) throws SQLException {
        return new End(row.getLong("last_id"), row.getString("digest"), row.getLong("keyed_from"), row.getString("seal"));
    }

    private static TrailLine line(ResultSet row, int n) throws SQLException {
        return new TrailLine(row.getLong("id"), row.getString("questionnaire"), row.getString("author"), row.getString("did"),
                Times.at(row, "made_at"), row.getString("digest"));
    }
}
