package orthogon.app.store;

import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** How people read the responses to a questionnaire: each as they left the table, and views with a name, which are everybody's. */
@Component
public class ResponseViewStore {

    private static final String NAMED = """
            select id, name, author, settings from response_view where questionnaire_id = :questionnaire and name <> '' order by name, id
            """;
    private static final String OWN = """
            select settings from response_view where questionnaire_id = :questionnaire and name = '' and author = :author
            """;
    private static final String REMOVE = """
            delete from response_view where questionnaire_id = :questionnaire and name = :name and (name <> '' or author = :author)
            """;
    private static final String KEEP = """
            merge into response_view v using (select cast(:questionnaire as bigint) as questionnaire_id, cast(:name as varchar(80)) as name,
                cast(:author as varchar(64)) as author) as given
            on v.questionnaire_id = given.questionnaire_id and v.name = given.name and (v.name <> '' or v.author = given.author)
            when matched then update set author = :author, settings = :settings
            when not matched then insert (questionnaire_id, name, author, settings) values (:questionnaire, :name, :author, :settings)
            """;

    /** A view with a name. */
    public record NamedView(long id, String name, String author, String settings) {}

    private final JdbcClient jdbc;

    public ResponseViewStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    public List<NamedView> named(long questionnaireId) {
        return jdbc.sql(NAMED).param("questionnaire", questionnaireId).query(NamedView.class).list();
    }

    /** How somebody left the table; empty where they never changed it. */
    public Optional<String> own(long questionnaireId, String author) {
        return jdbc.sql(OWN).param("questionnaire", questionnaireId).param("author", author).query(String.class).optional();
    }

    /**
     * Keeps a view in place of the one of that name.
     *
     * @param name empty for how the author left the table
     */
    public void keep(long questionnaireId, String name, String author, String settings) {
        jdbc.sql(KEEP).param("questionnaire", questionnaireId).param("name", name).param("author", author).param("settings", settings)
                .update();
    }

    /** @param author of the view, which matters where it has no name */
    public void remove(long questionnaireId, String name, String author) {
        jdbc.sql(REMOVE).param("questionnaire", questionnaireId).param("name", name).param("author", author).update();
    }
}
