package orthogon.app.store;

import java.util.List;
import java.util.stream.Gatherers;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** Takes away everything that is kept of interviews and the responses that they became. */
@Component
public class ErasureStore {

    /** What hangs on an interview, the last first; invitations by the links in them. */
    private static final List<String> REMOVALS = List.of("delete from message where interview_id in (:some)",
            "delete from follow_up where interview_id in (:some)", "update follow_up set child = null where child in (:some)", """
                    delete from message where exists (select 1 from invitation v where v.interview_id in (:some)
                        and message.text like concat('%', v.token, '%'))
                    """,
            "delete from response_note where response in (select number from response where interview_id in (:some))",
            "delete from response_words where response in (select number from response where interview_id in (:some))",
            "delete from response_open_words where response in (select number from response where interview_id in (:some))",
            "delete from response_tally where response in (select number from response where interview_id in (:some))",
            "delete from answer_value where response in (select number from response where interview_id in (:some))",
            "delete from record_word where response in (select number from response where interview_id in (:some))",
            "delete from record_choice where response in (select number from response where interview_id in (:some))",
            "delete from record_adding where interview_id in (:some) or for_interview in (:some)",
            "delete from answer where receipt in (select receipt from response where interview_id in (:some))",
            "delete from response where interview_id in (:some)", "delete from way_back where interview_id in (:some)",
            "delete from invitation where interview_id in (:some)", "delete from page_visit where interview_id in (:some)",
            "delete from attachment where interview_id in (:some)", "delete from interview where id in (:some)");
    /** Name of the setting that says whether something was erased since the file of the database was written anew. */
    static final String ERASED = "erased";
    private static final int AT_ONCE = 200;

    private final JdbcClient jdbc;

    public ErasureStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /**
     * Erases interviews with their answers, files, notes, messages and links. It is for the caller to do so in one transaction.
     *
     * @param files keys of files that their answers name
     */
    public void erase(List<String> interviews, List<String> files) {
        interviews.stream().gather(Gatherers.windowFixed(AT_ONCE))
                .forEach(some -> REMOVALS.forEach(removal -> jdbc.sql(removal).param("some", some).update()));
        eraseFiles(files);
        noted();
    }

    /** Notes that something was erased that may still stand in the file of the database. */
    public void noted() {
        jdbc.sql(SettingStore.MERGE).param("name", ERASED).param("value", "yes").update();
    }

    /** Erases the messages that an interview sent and what its follow-ups were opened with; both may tell any of its answers. */
    public void eraseCopies(String interview) {
        jdbc.sql("delete from message where interview_id = :interview").param("interview", interview).update();
        jdbc.sql("update follow_up set carried = '{}' where interview_id = :interview").param("interview", interview).update();
    }

    /** Erases files by their keys. */
    public void eraseFiles(List<String> files) {
        files.stream().gather(Gatherers.windowFixed(AT_ONCE))
                .forEach(some -> jdbc.sql("delete from attachment where file_key in (:some)").param("some", some).update());
    }
}
