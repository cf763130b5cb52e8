package orthogon.app.store;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import orthogon.core.proof.claim.ClaimKind;
import orthogon.core.release.Gate.Waiver;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** Waivers of claims. One that was taken back stays in the table, with who did that. */
@Component
public class WaiverStore {

    private static final String SELECT = """
            select claim, place, reason, author, revision from waiver
            where questionnaire_id = :questionnaire and taken_back_at is null order by id
            """;
    private static final String INSERT = """
            insert into waiver (questionnaire_id, claim, place, reason, revision, author, made_at)
            values (:questionnaire, :claim, :place, :reason, :revision, :author, :at)
            """;
    private static final String TAKE_BACK = """
            update waiver set taken_back_by = :author, taken_back_at = :at
            where questionnaire_id = :questionnaire and claim = :claim and place = :place and taken_back_at is null
            """;

    private final JdbcClient jdbc;
    private final KnownDrafts drafts;

    public WaiverStore(JdbcClient jdbc, KnownDrafts drafts) {
        this.jdbc = jdbc;
        this.drafts = drafts;
    }

    /** The waivers that were not taken back, oldest first. The gate decides which of them still count. */
    public List<Waiver> of(long questionnaireId) {
        return jdbc.sql(SELECT).param("questionnaire", questionnaireId).query(WaiverStore::kept).list().stream()
                .flatMap(k -> waiver(questionnaireId, k).stream()).toList();
    }

    public void save(long questionnaireId, String claim, String place, String reason, int revision, String author, OffsetDateTime at) {
        jdbc.sql(INSERT).param("questionnaire", questionnaireId).param("claim", claim).param("place", place).param("reason", reason)
                .param("revision", revision).param("author", author).param("at", at).update();
    }

    public void takeBack(long questionnaireId, String claim, String place, String author, OffsetDateTime at) {
        jdbc.sql(TAKE_BACK).param("questionnaire", questionnaireId).param("claim", claim).param("place", place).param("author", author)
                .param("at", at).update();
    }

    /** One row, with the claim by its word in the proof report. */
    private record Kept(String claim, String place, String reason, String author, int revision) {}

    private static Kept kept(ResultSet row, int number) throws SQLException {
        return new Kept(row.getString("claim"), row.getString("place"), row.getString("reason"), row.getString("author"),
                row.getInt("revision"));
    }

    /** Empty for a claim of a kind that there is no more. */
    private Optional<Waiver> waiver(long questionnaireId, Kept kept) {
        return ClaimKind.of(kept.claim()).map(kind -> new Waiver(kind, kept.place(), kept.reason(), kept.author(), kept.revision(),
                drafts.at(questionnaireId, kept.revision()).orElseThrow().document()));
    }
}
