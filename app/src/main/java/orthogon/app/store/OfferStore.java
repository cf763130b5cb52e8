package orthogon.app.store;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.DateTimeException;
import java.time.LocalDateTime;
import java.time.OffsetDateTime;
import java.time.ZoneId;
import java.util.Optional;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** How questionnaires are given out: address, times, most responses, frames. */
@Component
public class OfferStore {

    private static final String SELECT = "select questionnaire_id, address, opens, closes, zone, most_responses, may_be_embedded from offer ";
    private static final String MERGE = """
            merge into offer using (select cast(:id as bigint) as id) as given on questionnaire_id = given.id
            when matched then update set address = :address, opens = :opens, closes = :closes, zone = :zone, most_responses = :most,
                may_be_embedded = :embedded
            when not matched then insert (questionnaire_id, address, opens, closes, zone, most_responses, may_be_embedded)
                values (:id, :address, :opens, :closes, :zone, :most, :embedded)
            """;

    /**
     * @param address last part of the address that respondents are given
     * @param opens local time in the zone; empty for at once
     * @param closes local time in the zone; empty for never
     * @param zone an IANA time zone
     * @param mostResponses 0 for any number
     */
    public record Offer(long questionnaireId, String address, String opens, String closes, String zone, int mostResponses,
            boolean mayBeEmbedded) {

        public Optional<OffsetDateTime> opensAt() {
            return at(opens);
        }

        public Optional<OffsetDateTime> closesAt() {
            return at(closes);
        }

        private Optional<OffsetDateTime> at(String local) {
            try {
                return local.isEmpty()
                        ? Optional.empty()
                        : Optional.of(LocalDateTime.parse(local).atZone(ZoneId.of(zone)).toOffsetDateTime());
            } catch (DateTimeException e) {
                return Optional.empty();
            }
        }
    }

    private final JdbcClient jdbc;

    public OfferStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** As it was set, or as it is where nothing was: at once, for ever, at the questionnaire's code. */
    public Offer of(long questionnaireId, String code) {
        return jdbc.sql(SELECT + "where questionnaire_id = :id").param("id", questionnaireId).query(OfferStore::offer).optional()
                .orElseGet(() -> new Offer(questionnaireId, code.replace('_', '-'), "", "", ZoneId.systemDefault().getId(), 0, false));
    }

    public Optional<Offer> atAddress(String address) {
        return jdbc.sql(SELECT + "where address = :address").param("address", address).query(OfferStore::offer).optional();
    }

    /** False where another questionnaire has the address. */
    public boolean save(Offer offer) {
        try {
            jdbc.sql(MERGE).param("id", offer.questionnaireId()).param("address", offer.address()).param("opens", offer.opens())
                    .param("closes", offer.closes()).param("zone", offer.zone()).param("most", offer.mostResponses())
                    .param("embedded", offer.mayBeEmbedded()).update();
            return true;
        } catch (DuplicateKeyException e) {
            return false;
        }
    }

    private static Offer offer(ResultSet row, int n) throws SQLException {
        return new Offer(row.getLong("questionnaire_id"), row.getString("address"), row.getString("opens"), row.getString("closes"),
                row.getString("zone"), row.getInt("most_responses"), row.getBoolean("may_be_embedded"));
    }
}
