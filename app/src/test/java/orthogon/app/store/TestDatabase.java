package orthogon.app.store;

import com.zaxxer.hikari.HikariDataSource;
import io.zonky.test.db.postgres.embedded.EmbeddedPostgres;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.UUID;
import javax.sql.DataSource;
import org.springframework.jdbc.core.simple.JdbcClient;

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

    private static final int MOST_CONNECTIONS = 10;
    private static final int IDLE_MILLISECONDS = 10_000;

    /** One server for the whole run, started when it is first asked for; it ends with the run. */
    private static final class Server {

        static final EmbeddedPostgres RUNNING = start();

        private static EmbeddedPostgres start() {
            try {
                // Nothing of it outlives the run.
                return EmbeddedPostgres.builder().setServerConfig("fsync", "off").setServerConfig("synchronous_commit", "off").start();
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

    /** A new database with all tables. Its connections are used again, since a new one takes longer than most statements. */
    public DataSource migrated() {
        HikariDataSource database = new HikariDataSource();
        database.setJdbcUrl(address());
        database.setUsername(user());
        database.setPassword("");
        database.setMaximumPoolSize(MOST_CONNECTIONS);
        database.setMinimumIdle(0);
        database.setIdleTimeout(IDLE_MILLISECONDS);
        Schema.migrate(database);
        return database;
    }
}
