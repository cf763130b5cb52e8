package orthogon.app.store;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** What people say about rows of a draft. */
@Component
public class RemarkStore {

    private static final String SELECT = """
            select id, place, text, revision, author, made_at, settled_by from remark where questionnaire_id = :id
            """;
    private static final String INSERT = """
            insert into remark (questionnaire_id, place, text, revision, author, made_at) values (:id, :place, :text, :revision, :author, :at)
            """;
    private static final String SETTLE = """
            update remark set settled_by = :author, settled_at = :at where questionnaire_id = :questionnaire and id = :id and settled_by is null
            """;

    /**
     * @param place code of the row
     * @param settledBy user; empty while it is open
     */
    public record Remark(long id, String place, String text, int revision, String author, OffsetDateTime at, Optional<String> settledBy) {}

    private final JdbcClient jdbc;

    public RemarkStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    public void add(long questionnaireId, String place, String text, int revision, String author, OffsetDateTime at) {
        jdbc.sql(INSERT).param("id", questionnaireId).param("place", place).param("text", text).param("revision", revision)
                .param("author", author).param("at", at).update();
    }

    public void settle(long questionnaireId, long id, String author, OffsetDateTime at) {
        jdbc.sql(SETTLE).param("questionnaire", questionnaireId).param("id", id).param("author", author).param("at", at)
                .update();
    }

    /** About one row, oldest first. */
    public List<Remark> at(long questionnaireId, String place) {
        return jdbc.sql(SELECT + " and place = :place order by id").param("id", questionnaireId).param("place", place)
                .query(RemarkStore::remark).list();
    }

    /** Every open one, oldest first. */
    public List<Remark> open(long questionnaireId) {
        return jdbc.sql(SELECT + " and settled_by is null order by id").param("id", questionnaireId).query(RemarkStore::remark).list();
    }

    private static Remark remark(ResultSet row, int n) throws SQLException {
        return new Remark(row.getLong("id"), row.getString("place"), row.getString("text"), row.getInt("revision"),
                row.getString("author"), Times.at(row, "made_at"), Optional.ofNullable(row.getString("settled_by")));
    }
}
