package orthogon.app.store;

import io.zonky.test.db.postgres.embedded.EmbeddedPostgres;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.UUID;
import javax.sql.DataSource;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.datasource.DriverManagerDataSource;

/** The databases that Orthogon runs on, each with an empty one for whoever asks. */
public enum TestDatabase {

    H2 {
        @Override
        public String address() {
            return "jdbc:h2:mem:" + UUID.randomUUID() + ";DB_CLOSE_DELAY=-1";
        }
    },
    POSTGRESQL {
        @Override
        public String address() {
            String name = "orthogon_" + UUID.randomUUID().toString().replace('-', '_');
            JdbcClient.create(Server.RUNNING.getPostgresDatabase()).sql("create database " + name).update();
            return Server.RUNNING.getJdbcUrl("postgres", name);
        }
    };

    /** One server for the whole run, started when it is first asked for; it ends with the run. */
    private static final class Server {

        static final EmbeddedPostgres RUNNING = start();

        private static EmbeddedPostgres start() {
            try {
                return EmbeddedPostgres.start();
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }
    }

    /** Where a new and empty database is, for its driver. */
    public abstract String address();

    /** Who may use it. */
    public String user() {
        return this == H2 ? "sa" : "postgres";
    }

    /** A new database with all tables. */
    public DataSource migrated() {
        DataSource database = new DriverManagerDataSource(address(), user(), "");
        Schema.migrate(database);
        return database;
    }
}
