package orthogon.app.web;

import orthogon.app.editing.Editing;
import orthogon.app.store.AuditStore;
import orthogon.app.store.DraftStore;
import orthogon.core.answer.yesno.YesNoAnswer;
import orthogon.core.edit.ChangeItem;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.security.Principal;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.webmvc.test.autoconfigure.AutoConfigureMockMvc;

/** Many people act in the same moment: every act is kept, with its line in the trail. */
@SpringBootTest(properties = {"orthogon.demo=false", "spring.datasource.url=jdbc:h2:mem:proving"})
@AutoConfigureMockMvc
class TogetherTest {

    private static final int PEOPLE = 8;
    private static final int ROUNDS = 8;
    private static final Principal INES = () -> "ines";

    @Autowired
    private DraftStore drafts;
    @Autowired
    private Editing editing;
    @Autowired
    private AuditStore audit;

    @Test
    void editsOfDifferentRowsAreAllKept() throws Exception {
        List<Item> rows = IntStream.range(0, PEOPLE).<Item>mapToObj(i -> row(i, "Row " + i)).toList();
        begin("together", rows);
        for (int round = 1; round <= ROUNDS; round++) {
            String last = " in round " + round;
            int seen = drafts.head("together").orElseThrow().revision();
            atOnce(i -> editing.make("together", seen, new ChangeItem(row(i, "Row " + i + last), "the wording"), INES));
            drafts.head("together").orElseThrow().document().questions().forEach(q -> assertTrue(q.wording().endsWith(last), q.wording()));
        }
        assertEquals(1 + PEOPLE * ROUNDS, drafts.head("together").orElseThrow().revision());
        assertEquals(PEOPLE * ROUNDS, told("together"));
    }

    @Test
    void editsOfDifferentQuestionnairesAreAllKept() throws Exception {
        for (int i = 0; i < PEOPLE; i++) {
            begin("apart_" + i, List.of(row(i, "Row " + i)));
        }
        for (int round = 1; round <= ROUNDS; round++) {
            int seen = round;
            atOnce(i -> editing.make("apart_" + i, seen, new ChangeItem(row(i, "Row in round " + seen), "the wording"), INES));
        }
        for (int i = 0; i < PEOPLE; i++) {
            assertEquals(ROUNDS, told("apart_" + i), "lines of questionnaire " + i);
        }
    }

    private static Question row(int number, String wording) {
        return Question.of("row_" + number, wording, new YesNoAnswer());
    }

    private void begin(String code, List<Item> rows) {
        drafts.create(Questionnaire.blank(code, code).withPages(List.of(Page.empty("p", "P").withItems(rows))), "ines", "began");
    }

    private long told(String code) {
        return audit.newest(1000).stream().filter(l -> l.questionnaire().equals(code)).count();
    }

    private interface Act {
        Object of(int person) throws Exception;
    }

    private static void atOnce(Act act) throws Exception {
        try (ExecutorService people = Executors.newFixedThreadPool(PEOPLE)) {
            List<Callable<Object>> acts = IntStream.range(0, PEOPLE).<Callable<Object>>mapToObj(i -> () -> act.of(i)).toList();
            for (Future<Object> done : people.invokeAll(acts)) {
                done.get();
            }
        }
    }
}
