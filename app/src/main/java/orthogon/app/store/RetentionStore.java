package orthogon.app.store;

import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** How long responses and unfinished interviews are kept, and which are kept longer than that. */
@Component
public class RetentionStore {

    private static final String ALL = "select questionnaire_id, response_days, only_personal, unfinished_days from retention";
    private static final String INSERT = """
            insert into retention (questionnaire_id, response_days, only_personal, unfinished_days)
            values (:questionnaire, :responses, :personal, :unfinished)
            """;
    private static final String OLD = """
            select receipt from response where questionnaire_id = :questionnaire and sent_at < :before and (stripped = false or :whole)
            order by sent_at fetch first %d rows only
            """;
    private static final String LEFT = """
            select i.id from interview i join release r on r.id = i.release_id left join response p on p.interview_id = i.id
            where r.questionnaire_id = :questionnaire and p.receipt is null and i.updated_at < :before
            order by i.updated_at fetch first %d rows only
            """;

    /**
     * What is kept how long.
     *
     * @param responseDays after sending; 0 for as long as there is room
     * @param onlyPersonal whether only personal answers go then
     * @param unfinishedDays after the last page that was kept; 0 for as long as there is room
     */
    public record Retention(long questionnaireId, int responseDays, boolean onlyPersonal, int unfinishedDays) {

        /** Everything, as long as there is room. */
        public static Retention forever(long questionnaireId) {
            return new Retention(questionnaireId, 0, false, 0);
        }
    }

    private final JdbcClient jdbc;

    public RetentionStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** Of every questionnaire for which something was decided. */
    public List<Retention> all() {
        return jdbc.sql(ALL).query(Retention.class).list();
    }

    public Optional<Retention> of(long questionnaireId) {
        return jdbc.sql(ALL + " where questionnaire_id = :questionnaire").param("questionnaire", questionnaireId).query(Retention.class)
                .optional();
    }

    @Transactional
    public void keep(Retention retention) {
        jdbc.sql("delete from retention where questionnaire_id = :questionnaire").param("questionnaire", retention.questionnaireId())
                .update();
        jdbc.sql(INSERT).param("questionnaire", retention.questionnaireId()).param("responses", retention.responseDays())
                .param("personal", retention.onlyPersonal()).param("unfinished", retention.unfinishedDays()).update();
    }

    /**
     * Receipts of the oldest responses from before a moment.
     *
     * @param whole whether those are meant too of which personal answers are gone already
     */
    public List<String> sentBefore(long questionnaireId, OffsetDateTime before, boolean whole, int most) {
        return jdbc.sql(OLD.formatted(most)).param("questionnaire", questionnaireId).param("before", before).param("whole", whole)
                .query(String.class).list();
    }

    /** The oldest interviews that were never sent and were kept last before a moment. */
    public List<String> leftBefore(long questionnaireId, OffsetDateTime before, int most) {
        return jdbc.sql(LEFT.formatted(most)).param("questionnaire", questionnaireId).param("before", before).query(String.class).list();
    }
}
