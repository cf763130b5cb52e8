package orthogon.app.storage;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Arrays;
import java.util.List;
import org.flywaydb.core.Flyway;
import org.h2.jdbcx.JdbcDataSource;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.jdbc.core.simple.JdbcClient;

class AuditStoreTest {

    private JdbcClient jdbc;
    private AuditStore audit;

    @BeforeEach
    void open() {
        JdbcDataSource database = new JdbcDataSource();
        database.setUrl("jdbc:h2:mem:" + java.util.UUID.randomUUID() + ";DB_CLOSE_DELAY=-1");
        Flyway.configure().dataSource(database).load().migrate();
        jdbc = JdbcClient.create(database);
        audit = new AuditStore(jdbc);
        for (String did : List.of("began", "revision 2: changed the wording of wet", "signed revision 2", "released 1 of revision 2")) {
            audit.note("ines", "roost", did);
        }
    }

    @Test
    void linesAreOnlyAdded() {
        assertEquals(List.of(4L, 3L, 2L, 1L), audit.newest(9).stream().map(AuditStore.Line::id).toList());
        assertEquals(0, audit.firstBroken());
        assertTrue(
                Arrays.stream(AuditStore.class.getDeclaredMethods()).noneMatch(m -> m.getName().matches("(?i).*(change|remove|delete).*")));
    }

    @Test
    void aLineThatWasChangedIsFound() {
        jdbc.sql("update audit set author = 'jory' where id = 3").update();
        assertEquals(3, audit.firstBroken());
    }

    @Test
    void aLineThatIsGoneIsFound() {
        jdbc.sql("delete from audit where id = 2").update();
        assertEquals(2, audit.firstBroken());
        assertFalse(audit.newest(9).isEmpty());
    }
}
