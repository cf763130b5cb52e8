package orthogon.app.store;

import java.time.OffsetDateTime;
import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** The versions of the tables whose rows are the responses of questionnaires. */
@Component
public class ListStore {

    private static final String INSERT = """
            insert into list_version (questionnaire_id, number, file_name, all_rows, new_rows, gone_rows, brought_by, brought_at)
            values (:questionnaire, :number, :file, :all, :new, :gone, :by, :at)
            """;
    private static final String VERSIONS = """
            select number, file_name, all_rows, new_rows, gone_rows, brought_by, brought_at from list_version
            where questionnaire_id = :questionnaire order by number desc
            """;
    private static final String GONE = """
            select g.receipt, g.label, count(distinct c.response) as chosen from list_gone g
                left join record_choice c on c.record = g.receipt
            where g.questionnaire_id = :questionnaire and g.number = :number group by g.receipt, g.label order by g.label, g.receipt
            fetch first :most rows only
            """;

    private final JdbcClient jdbc;

    public ListStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /**
     * A version of a table.
     *
     * @param number from 1
     * @param allRows how many there are
     * @param newRows how many of them were not in the version before
     * @param goneRows how many were in the version before and are in it no more
     */
    public record ListVersion(int number, String fileName, int allRows, int newRows, int goneRows, String broughtBy,
            OffsetDateTime broughtAt) {}

    /**
     * A row that was gone with a version.
     *
     * @param label what stands in its first column
     * @param chosen how many responses say now that they chose it
     */
    public record GoneRow(String receipt, String label, int chosen) {}

    /** The versions of a questionnaire's table, the newest first; none where it is no list. */
    public List<ListVersion> versions(long questionnaireId) {
        return jdbc.sql(VERSIONS).param("questionnaire", questionnaireId).query(ListVersion.class).list();
    }

    /** Whether the responses of a questionnaire are the rows of a table. */
    public boolean isList(String code) {
        return jdbc.sql("select count(*) from list_version v join questionnaire q on q.id = v.questionnaire_id where q.code = :code")
                .param("code", code).query(Integer.class).single() > 0;
    }

    /** Rows that were gone with a version although somebody had chosen them. */
    public List<GoneRow> gone(long questionnaireId, int number, int most) {
        return jdbc.sql(GONE).param("questionnaire", questionnaireId).param("number", number).param("most", most).query(GoneRow.class)
                .list();
    }

    /** Keeps a version within a transaction of the caller's. */
    public void add(long questionnaireId, ListVersion version, List<GoneRow> gone) {
        jdbc.sql(INSERT).param("questionnaire", questionnaireId).param("number", version.number()).param("file", version.fileName())
                .param("all", version.allRows()).param("new", version.newRows()).param("gone", version.goneRows())
                .param("by", version.broughtBy()).param("at", version.broughtAt()).update();
        gone.forEach(g -> jdbc
                .sql("insert into list_gone (questionnaire_id, number, receipt, label) values (:id, :number, :receipt, :label)")
                .param("id", questionnaireId).param("number", version.number()).param("receipt", g.receipt()).param("label", g.label())
                .update());
    }
}
