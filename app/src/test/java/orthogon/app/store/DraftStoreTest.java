package orthogon.app.store;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import orthogon.app.store.DraftStore.Draft;
import orthogon.app.store.DraftStore.Overtaken;
import orthogon.core.edit.Edit;
import orthogon.core.edit.RandomEdits;
import orthogon.core.questionnaire.EveryType;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Refused;
import javax.sql.DataSource;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.Parameter;
import org.junit.jupiter.params.ParameterizedClass;
import org.junit.jupiter.params.provider.EnumSource;
import org.springframework.jdbc.core.simple.JdbcClient;

@ParameterizedClass
@EnumSource(TestDatabase.class)
class DraftStoreTest {

    @Parameter
    private TestDatabase vendor;
    private DataSource database;
    private DraftStore drafts;

    @BeforeEach
    void open() {
        database = vendor.migrated();
        drafts = new DraftStore(JdbcClient.create(database));
    }

    @Test
    void undoTakesBackEveryEditAndRedoMakesAllOfThemAgain() throws Exception {
        for (int run = 0; run < 6; run++) {
            Questionnaire first = EveryType.document().withCode("draft_" + run);
            Draft head = drafts.create(first, "ines", "began");
            List<Questionnaire> made = new ArrayList<>(List.of(first));
            RandomEdits edits = new RandomEdits(run);
            for (int step = 0; step < 60; step++) {
                try {
                    Edit edit = edits.next(head.document());
                    Questionnaire changed = edit.apply(head.document());
                    if (!changed.equals(head.document())) {
                        head = drafts.append(head, changed, edit.says(), "ines");
                        made.add(changed);
                    }
                } catch (Refused e) {
                    // The document does not take this one.
                }
            }
            assertTrue(made.size() > 15, made.size() + " edits");
            // Read anew, so that nothing rests on what is kept in memory.
            DraftStore again = new DraftStore(JdbcClient.create(database));
            head = again.head("draft_" + run).orElseThrow();
            for (int i = made.size() - 1; i > 0; i--) {
                assertEquals(made.get(i), head.document());
                head = again.undo(head, "jory");
            }
            assertEquals(first, head.document());
            assertTrue(head.undoTo().isEmpty());
            for (int i = 1; i < made.size(); i++) {
                head = again.redo(head, "jory");
                assertEquals(made.get(i), head.document());
            }
            assertTrue(head.redoTo().isEmpty());
            List<DraftStore.HistoryLine> history = again.history(head.id(), 1000);
            assertEquals(head.revision(), history.size());
            assertEquals("began", history.getLast().command());
        }
    }

    @Test
    void whoeverComesSecondIsTold() throws Exception {
        Draft head = drafts.create(EveryType.document(), "ines", "began");
        drafts.append(head, head.document().withTitle("Hers"), "changed the title", "ines");
        assertThrows(Overtaken.class, () -> drafts.append(head, head.document().withTitle("Theirs"), "changed the title", "jory"));
        assertEquals("Hers", drafts.head("every_type").orElseThrow().document().title());
    }
}
