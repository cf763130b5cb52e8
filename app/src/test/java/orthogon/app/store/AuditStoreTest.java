package orthogon.app.store;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.Parameter;
import org.junit.jupiter.params.ParameterizedClass;
import org.junit.jupiter.params.provider.EnumSource;
import org.springframework.jdbc.core.simple.JdbcClient;

@ParameterizedClass
@EnumSource(TestDatabase.class)
class AuditStoreTest {

    @Parameter
    private TestDatabase vendor;

    private static final TrailKey KEY = new TrailKey("a key that stands elsewhere".getBytes(StandardCharsets.UTF_8));

    private JdbcClient jdbc;
    private AuditStore audit;

    @BeforeEach
    void open() {
        jdbc = JdbcClient.create(vendor.migrated());
        audit = new AuditStore(jdbc, KEY);
        for (String did : List.of("began", "revision 2: changed the wording of wet", "signed revision 2", "released 1 of revision 2")) {
            audit.note("ines", "roost", did);
        }
    }

    @Test
    void linesAreOnlyAdded() {
        assertEquals(List.of(4L, 3L, 2L, 1L), audit.newest(9).stream().map(AuditStore.TrailLine::id).toList());
        assertEquals(0, audit.firstBroken());
        assertEquals(0, audit.firstBroken(2));
        assertTrue(
                Arrays.stream(AuditStore.class.getDeclaredMethods()).noneMatch(m -> m.getName().matches("(?i).*(change|remove|delete).*")));
    }

    @Test
    void aLineThatWasChangedIsFound() {
        jdbc.sql("update audit set author = 'jory' where id = 3").update();
        assertEquals(3, audit.firstBroken());
        assertEquals(3, audit.firstBroken(3));
        assertEquals(0, audit.firstBroken(1), "only the newest line is looked at");
    }

    @Test
    void aLineThatIsGoneIsFound() {
        jdbc.sql("delete from audit where id = 2").update();
        assertEquals(2, audit.firstBroken());
    }

    @Test
    void aLineThatIsCutOffAtTheEndIsFound() {
        jdbc.sql("delete from audit where id = 4").update();
        assertEquals(4, audit.firstBroken());
        jdbc.sql("update trail_end set last_id = 3, digest = (select digest from audit where id = 3)").update();
        assertEquals(4, audit.firstBroken(), "the end is sealed");
    }

    @Test
    void whoDoesNotHaveTheKeyCannotWriteATrailThatPasses() {
        AuditStore forger = new AuditStore(jdbc, new TrailKey("another key".getBytes(StandardCharsets.UTF_8)));
        forger.note("ines", "roost", "released 2 of revision 2");
        assertEquals(5, audit.firstBroken());
        jdbc.sql("update trail_end set keyed_from = 99").update();
        assertEquals(1, audit.firstBroken(), "that lines need no key is not believed of those that have one");
    }
}
