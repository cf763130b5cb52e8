package orthogon.app.store;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.Collection;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Gatherers;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** Which responses chose which records, and for which interview a record is added. */
@Component
public class RecordLinkStore {

    private static final String CHOSE = """
            select q.code, c.record as receipt, c.slot from record_choice c left join response p on p.receipt = c.record
                left join questionnaire q on q.id = p.questionnaire_id where c.response = :number order by c.slot
            """;
    private static final String CHOSEN_BY = """
            select q.code, p.receipt, c.slot from record_choice c join response p on p.number = c.response
                join questionnaire q on q.id = p.questionnaire_id where c.record = :receipt
            order by p.number desc fetch first :most rows only
            """;
    private static final String ADDED = """
            select q.code, p.receipt, a.slot from record_adding a join interview i on i.id = a.for_interview
                join release r on r.id = i.release_id join questionnaire q on q.id = r.questionnaire_id
                left join response p on p.interview_id = i.id where a.interview_id = :interview
            """;
    private static final int AT_ONCE = 200;

    private final JdbcClient jdbc;

    public RecordLinkStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** @param slot of the lookup in the other interview */
    public record AddedFor(String interview, String slot) {}

    /** Notes that an interview adds a record for another one, within the transaction that begins it. */
    public void adds(String interview, AddedFor wanted) {
        jdbc.sql("insert into record_adding (interview_id, for_interview, slot) values (:id, :for, :slot)").param("id", interview)
                .param("for", wanted.interview()).param("slot", wanted.slot()).update();
    }

    /** For which interview another one adds a record; empty where it is one like any other. */
    public Optional<AddedFor> addedFor(String interview) {
        return jdbc.sql("select for_interview, slot from record_adding where interview_id = :id").param("id", interview)
                .query((row, n) -> new AddedFor(row.getString("for_interview"), row.getString("slot"))).optional();
    }

    /**
     * A response that another one has to do with.
     *
     * @param questionnaire its code; empty where the response is erased
     * @param receipt empty where the interview is not sent yet
     * @param slot of the lookup; empty where none is meant
     */
    public record LinkedResponse(String questionnaire, String receipt, String slot) {

        private static LinkedResponse of(ResultSet row, int n) throws SQLException {
            return new LinkedResponse(Objects.toString(row.getString("code"), ""), Objects.toString(row.getString("receipt"), ""),
                    Objects.toString(row.getString("slot"), ""));
        }
    }

    /** The records that a response chose. */
    public List<LinkedResponse> chosenIn(long response) {
        return jdbc.sql(CHOSE).param("number", response).query(LinkedResponse::of).list();
    }

    /**
     * The responses that chose a record, the newest first.
     *
     * @param most how many are told
     */
    public List<LinkedResponse> choosing(String receipt, int most) {
        return jdbc.sql(CHOSEN_BY).param("receipt", receipt).param("most", most).query(LinkedResponse::of).list();
    }

    /** The response out of which an interview added a record; empty where it is one like any other. */
    public Optional<LinkedResponse> addedOutOf(String interview) {
        return jdbc.sql(ADDED).param("interview", interview).query(LinkedResponse::of).optional();
    }

    /** The numbers of the responses that chose one of these records. */
    public List<Long> chosenBy(Collection<String> receipts) {
        return receipts.stream().distinct().gather(Gatherers.windowFixed(AT_ONCE))
                .flatMap(some -> jdbc.sql("select distinct response from record_choice where record in (:some)").param("some", some)
                        .query(Long.class).list().stream())
                .distinct().toList();
    }
}
