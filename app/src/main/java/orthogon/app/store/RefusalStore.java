package orthogon.app.store;

import java.util.List;
import orthogon.core.interview.Problem.ProblemKind;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** How often answers were refused while respondents gave them. */
@Component
public class RefusalStore {

    private static final String COUNT = """
            merge into answer_refusal using (select cast(:release as bigint) as release_id, cast(:code as varchar(64)) as code,
                cast(:kind as varchar(16)) as kind) as given
            on answer_refusal.release_id = given.release_id and answer_refusal.code = given.code and answer_refusal.kind = given.kind
            when matched then update set refused = answer_refusal.refused + 1
            when not matched then insert (release_id, code, kind, refused) values (:release, :code, :kind, 1)
            """;
    private static final String COUNTED = """
            select f.code, f.kind, sum(f.refused) as n from answer_refusal f join release r on r.id = f.release_id
            where r.questionnaire_id = :questionnaire group by f.code, f.kind order by n desc, f.code
            """;

    /** @param code of the question or roster */
    public record CountedRefusal(String code, ProblemKind kind, int count) {}

    private final JdbcClient jdbc;

    public RefusalStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** Counts one refusal more. */
    public void count(long release, String code, ProblemKind kind) {
        jdbc.sql(COUNT).param("release", release).param("code", code).param("kind", kind.name()).update();
    }

    /** The most frequent first. */
    public List<CountedRefusal> of(long questionnaireId) {
        return jdbc.sql(COUNTED).param("questionnaire", questionnaireId).query((row, n) -> new CountedRefusal(row.getString("code"),
                ProblemKind.valueOf(row.getString("kind")), row.getInt("n"))).list();
    }
}
