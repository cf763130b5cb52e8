package orthogon.app.store;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.Locale;
import javax.sql.DataSource;
import org.flywaydb.core.Flyway;
import org.springframework.dao.DataAccessResourceFailureException;

/** The tables of a workspace. Where H2 and PostgreSQL differ, each has a script of its own for the same version. */
public final class Schema {

    private static final String BOTH = "classpath:db/migration/both";

    private Schema() {}

    /**
     * Brings a database to the newest version, from an older one or from nothing.
     *
     * @throws org.flywaydb.core.api.FlywayException where it is of a newer Orthogon, or damaged
     */
    public static void migrate(DataSource database) {
        Flyway.configure().dataSource(database).locations(BOTH, "classpath:db/migration/" + vendor(database)).load().migrate();
    }

    /** The vendor, as the folder with its scripts is called: {@code h2} or {@code postgresql}. */
    static String vendor(DataSource database) {
        try (Connection connection = database.getConnection()) {
            return connection.getMetaData().getDatabaseProductName().toLowerCase(Locale.ROOT);
        } catch (SQLException e) {
            throw new DataAccessResourceFailureException("The database cannot be reached.", e);
        }
    }
}
