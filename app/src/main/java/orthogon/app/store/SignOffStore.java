package orthogon.app.store;

import java.time.OffsetDateTime;
import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** Signatures under revisions, and whether the workspace asks for them. */
@Component
public class SignOffStore {

    private static final String NEEDED = "sign-off";
    private static final String INSERT = """
            merge into sign_off using (select cast(:id as bigint) as id) as given
            on questionnaire_id = given.id and revision = :revision and author = :author
            when matched then update set note = :note, made_at = :at
            when not matched then insert (questionnaire_id, revision, author, note, made_at)
                values (:id, :revision, :author, :note, :at)
            """;

    public record SignOff(int revision, String author, String note, OffsetDateTime at) {}

    private final JdbcClient jdbc;
    private final SettingStore settings;

    public SignOffStore(JdbcClient jdbc, SettingStore settings) {
        this.settings = settings;
        this.jdbc = jdbc;
    }

    public void sign(long questionnaireId, int revision, String author, String note, OffsetDateTime at) {
        jdbc.sql(INSERT).param("id", questionnaireId).param("revision", revision).param("author", author).param("note", note)
                .param("at", at).update();
    }

    /** Signatures under a revision, oldest first. */
    public List<SignOff> of(long questionnaireId, int revision) {
        return jdbc.sql("select revision, author, note, made_at from sign_off where questionnaire_id = :id and revision = :revision "
                + "order by made_at").param("id", questionnaireId).param("revision", revision)
                .query((row, n) -> new SignOff(row.getInt("revision"), row.getString("author"), row.getString("note"),
                        Times.at(row, "made_at")))
                .list();
    }

    public boolean isNeeded() {
        return settings.isYes(NEEDED);
    }

    public void need(boolean needed) {
        settings.set(NEEDED, needed);
    }
}
