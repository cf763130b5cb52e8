package orthogon.app.work;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;

import java.util.List;
import java.util.Map;
import javax.sql.DataSource;
import orthogon.app.store.AuditStore;
import orthogon.app.store.SettingStore;
import orthogon.app.store.TestDatabase;
import orthogon.app.store.TrailKey;
import orthogon.core.questionnaire.Refused;
import orthogon.core.responses.ResponseState;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.datasource.DataSourceTransactionManager;

class NameStatesTest {

    @TempDir
    private Path folder;

    @Test
    void aWorkspaceCallsTheStatesAsItLikes() throws Refused {
        DataSource database = TestDatabase.H2.migrated();
        SettingStore settings = new SettingStore(JdbcClient.create(database));
        AuditStore audit = new AuditStore(JdbcClient.create(database), TrailKey.at(folder.resolve("key")));
        NameStates naming = new NameStates(settings, new Acts(audit, new DataSourceTransactionManager(database)));
        naming.name(List.of("Just in", "", "On the way | out", " Home "), "ines");
        assertEquals(Map.of("new", "Just in", "seen", "seen", "in_work", "On the way   out", "done", "Home"),
                ResponseState.labels(settings.text(SettingStore.RESPONSE_STATES)));
        assertEquals("called the states of responses Just in, seen, On the way   out, Home", audit.newest(1).getFirst().did());
        assertThrows(Refused.class, () -> naming.name(List.of("a", "a", "b", "c"), "ines"));
        assertThrows(Refused.class, () -> naming.name(List.of("seen", "", "b", "c"), "ines"), "the usual label of the second");
        assertThrows(Refused.class, () -> naming.name(List.of("a", "b"), "ines"));
        assertThrows(Refused.class, () -> naming.name(List.of("x".repeat(ResponseState.LONGEST_LABEL + 1), "", "", ""), "ines"));
        naming.name(List.of("x".repeat(ResponseState.LONGEST_LABEL), "", "", ""), "ines");
        assertEquals("x".repeat(ResponseState.LONGEST_LABEL), ResponseState.labels(settings.text(SettingStore.RESPONSE_STATES)).get("new"));
    }
}
