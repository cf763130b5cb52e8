package orthogon.app.store;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.OffsetDateTime;
import java.time.ZoneId;

/** Reads moments from rows, as the clocks of this machine show them. Some databases keep the moment alone, and some its offset too. */
public final class Times {

    private Times() {}

    /** The moment in a column; null where it is null. */
    public static OffsetDateTime at(ResultSet row, String column) throws SQLException {
        OffsetDateTime at = row.getObject(column, OffsetDateTime.class);
        return at == null ? null : at.atZoneSameInstant(ZoneId.systemDefault()).toOffsetDateTime();
    }
}
