package orthogon.app.store;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Types;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.formats.stored.StoredAnswers;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** Saved walks with what is expected of them. */
@Component
public class DrillStore {

    private static final String INSERT = """
            insert into drill (questionnaire_id, name, link, answers, today, asked, outcome, sends, author, made_at)
            values (:questionnaire, :name, :link, :answers, :today, :asked, :outcome, :sends, :author, :at)
            """;

    /**
     * @param today what the day was when it was walked
     * @param answers as they are sent, a roster as a list of entries
     * @param asked codes of the questions expected, in order
     * @param outcome expected; empty where the walk ended before an outcome
     * @param sends codes of the messages expected; empty where none were known when it was saved
     */
    public record SavedDrill(long id, String name, Map<String, String> link, Map<String, Object> answers, LocalDate today,
            List<String> asked, String outcome, Optional<List<String>> sends, String author) {}

    private final JdbcClient jdbc;

    public DrillStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    public void save(long questionnaireId, SavedDrill drill) {
        jdbc.sql(INSERT).param("questionnaire", questionnaireId).param("name", drill.name())
                .param("link", StoredAnswers.write(drill.link()))
                .param("answers", StoredAnswers.write(drill.answers())).param("today", drill.today())
                .param("asked", StoredAnswers.writeTexts(drill.asked())).param("outcome", drill.outcome())
                .param("sends", drill.sends().map(StoredAnswers::writeTexts).orElse(null), Types.VARCHAR).param("author", drill.author())
                .param("at", OffsetDateTime.now()).update();
    }

    /** In the order in which they were saved; answers to questions that are gone are left out. */
    public List<SavedDrill> of(long questionnaireId, Questionnaire document) {
        return jdbc.sql("select * from drill where questionnaire_id = :id order by id").param("id", questionnaireId)
                .query((row, n) -> drill(row, document)).list();
    }

    public Optional<SavedDrill> get(long questionnaireId, long id, Questionnaire document) {
        return jdbc.sql("select * from drill where questionnaire_id = :questionnaire and id = :id").param("questionnaire", questionnaireId)
                .param("id", id).query((row, n) -> drill(row, document)).optional();
    }

    public void discard(long questionnaireId, long id) {
        jdbc.sql("delete from drill where questionnaire_id = :questionnaire and id = :id").param("questionnaire", questionnaireId)
                .param("id", id).update();
    }

    private static SavedDrill drill(ResultSet row, Questionnaire document) throws SQLException {
        return new SavedDrill(row.getLong("id"), row.getString("name"), StoredAnswers.readLink(row.getString("link")),
                StoredAnswers.read(document, row.getString("answers")), row.getObject("today", LocalDate.class),
                StoredAnswers.readTexts(row.getString("asked")), row.getString("outcome"),
                Optional.ofNullable(row.getString("sends")).map(StoredAnswers::readTexts), row.getString("author"));
    }
}
