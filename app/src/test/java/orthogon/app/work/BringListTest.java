package orthogon.app.work;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.Clock;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.concurrent.CancellationException;
import java.util.stream.Collectors;
import javax.sql.DataSource;
import orthogon.app.store.DraftStore.Draft;
import orthogon.app.store.ErasureStore;
import orthogon.app.store.ListStore;
import orthogon.app.store.ListStore.GoneRow;
import orthogon.app.store.RecordLinkStore;
import orthogon.app.store.ReleaseStore.Release;
import orthogon.app.store.ReleaseStore.ReleaseState;
import orthogon.app.store.ResponseStore.Response;
import orthogon.app.store.TestDatabase;
import orthogon.core.answer.lookup.LookupAnswer;
import orthogon.core.answer.lookup.RecordAnswer;
import orthogon.core.answer.text.TextAnswer;
import orthogon.core.interview.Interview;
import orthogon.core.lists.ListOfRows;
import orthogon.core.questionnaire.Derived;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Refused;
import orthogon.formats.progress.ProgressListener;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.Parameter;
import org.junit.jupiter.params.ParameterizedClass;
import org.junit.jupiter.params.provider.EnumSource;
import org.springframework.jdbc.core.simple.JdbcClient;

/** The rows of a table become records, and a newer table replaces them, on either database. */
@ParameterizedClass
@EnumSource(TestDatabase.class)
class BringListTest {

    private static final List<List<String>> BOXES = List.of(List.of("Box", "Height", "Hung on"), List.of("B 01", "2.5", "2026-01-03"),
            List.of("B 02", "3", ""), List.of("B 03", "4", "2026-02-01"));

    @Parameter
    private TestDatabase vendor;
    private CaseWork cases;
    private ListStore lists;
    private BringList bringing;

    @BeforeEach
    void open() {
        DataSource database = vendor.migrated();
        JdbcClient jdbc = JdbcClient.create(database);
        cases = new CaseWork(database, Clock.systemUTC());
        lists = new ListStore(jdbc);
        bringing = new BringList(cases.drafts, cases.releases, cases.interviews, cases.responses, new ErasureStore(jdbc),
                new RecordLinkStore(jdbc), lists, cases.openable, cases.acts, Clock.systemUTC());
    }

    private Draft list() {
        return cases.drafts.head("nest_boxes").orElseThrow();
    }

    private Map<String, Response> rows() {
        return cases.responses.each(cases.responses.numbers(list().id()))
                .collect(Collectors.toMap(r -> (String) r.answers().get("box"), r -> r, (a, b) -> a, TreeMap::new));
    }

    private void begin() throws Refused {
        assertEquals("nest_boxes", bringing.begin(new ListOfRows(BOXES), "nest boxes.csv", "ines", ProgressListener.NONE));
    }

    private String chosen(String box) {
        Questionnaire round = Questionnaire.blank("round", "Round").withPages(List.of(Page.empty("p", "P").withItems(List.of(
                Question.of("which", "Which?", new LookupAnswer("nest_boxes", 1,
                        List.of(new RecordAnswer("box", "Box", new TextAnswer(false, null, null))), "", "", "", false))))));
        Release release = cases.released(round);
        Interview begun = Interview.start(release.wiring("en"), LocalDate.now(), Map.of());
        Interview complete = ((Interview.LeaveResult.Passed) begun
                .leave(Map.of("which", Map.of("record", rows().get(box).receipt(), "box", box)))).interview();
        return cases.sending.send(cases.interviews.begin(release, complete, OffsetDateTime.now()), OffsetDateTime.now());
    }

    @Test
    void eachRowIsARecordOfAListThatNobodyAnswers() throws Refused {
        begin();
        assertEquals(List.of("B 01", "B 02", "B 03"), List.copyOf(rows().keySet()));
        assertEquals(LocalDate.of(2026, 2, 1), rows().get("B 03").answers().get("hung_on"));
        Release release = cases.openable.release("nest_boxes").orElseThrow();
        assertEquals(ReleaseState.CLOSED, cases.releases.standing(release.id()).state());
        assertTrue(lists.isList("nest_boxes"));
        assertEquals(List.of(3, 3, 0), lists.versions(list().id()).stream().flatMap(v -> List.of(v.allRows(), v.newRows(), v.goneRows())
                .stream()).toList());
    }

    @Test
    void rowsThatAreAlikeStayAndThoseThatWereChosenAndAreGoneAreTold() throws Refused {
        begin();
        Map<String, Response> before = rows();
        String round = chosen("B 02");
        String other = chosenAgain("B 03");
        List<List<String>> newer = new ArrayList<>(BOXES.subList(0, 2));
        newer.add(List.of("B 03", "9.25", "2026-02-01"));
        newer.add(List.of("B 04", "2", ""));
        bringing.replace(list(), new ListOfRows(newer), "nest boxes 2.csv", "jory", ProgressListener.NONE);

        Map<String, Response> after = rows();
        assertEquals(List.of("B 01", "B 03", "B 04"), List.copyOf(after.keySet()));
        assertEquals(before.get("B 01").receipt(), after.get("B 01").receipt());
        assertTrue(!before.get("B 03").receipt().equals(after.get("B 03").receipt()));
        assertEquals(2, cases.openable.release("nest_boxes").orElseThrow().number());
        assertEquals(List.of(3, 2, 2), List.of(lists.versions(list().id()).getFirst().allRows(),
                lists.versions(list().id()).getFirst().newRows(), lists.versions(list().id()).getFirst().goneRows()));
        assertEquals(List.of(new GoneRow(before.get("B 02").receipt(), "B 02", 1), new GoneRow(before.get("B 03").receipt(), "B 03", 1)),
                lists.gone(list().id(), 2, 10));
        assertEquals(List.of(), lists.gone(list().id(), 1, 10));
        // What was chosen stays as it was shown.
        long rounds = cases.drafts.head("round").orElseThrow().id();
        assertEquals("B 02", ((Map<?, ?>) cases.responses.find(rounds, round).orElseThrow().answers().get("which")).get("box"));
        assertEquals("B 03", ((Map<?, ?>) cases.responses.find(rounds, other).orElseThrow().answers().get("which")).get("box"));
    }

    private String chosenAgain(String box) {
        Release release = cases.openable.release("round").orElseThrow();
        Interview complete = ((Interview.LeaveResult.Passed) Interview.start(release.wiring("en"), LocalDate.now(), Map.of())
                .leave(Map.of("which", Map.of("record", rows().get(box).receipt(), "box", box)))).interview();
        return cases.sending.send(cases.interviews.begin(release, complete, OffsetDateTime.now()), OffsetDateTime.now());
    }

    @Test
    void theSameTableAgainChangesNothing() throws Refused {
        begin();
        Map<String, Response> before = rows();
        bringing.replace(list(), new ListOfRows(BOXES), "nest boxes.csv", "ines", ProgressListener.NONE);
        assertEquals(before, rows());
        assertEquals(1, cases.openable.release("nest_boxes").orElseThrow().number());
        assertEquals(0, lists.versions(list().id()).getFirst().newRows());
    }

    /** The analyst goes on with the list: a derived value, a condition, a name that is personal. */
    @Test
    void aListThatWasChangedTakesANewerTableToo() throws Exception {
        begin();
        Map<String, Response> before = rows();
        chosen("B 02");
        Questionnaire changed = list().document().withItem("box", i -> ((Question) i).withPersonal(true)).withItem("height",
                i -> ((Question) i).withAccept(List.of(new Question.Accept("height != 3.2", "Nobody hangs it there."))));
        Page page = changed.pages().getFirst();
        List<Item> items = new ArrayList<>(page.items());
        items.add(new Derived("high", "height > 3"));
        cases.drafts.append(list(), changed.withPages(List.of(page.withItems(items))), "changed", "ines");
        ListOfRows refused = new ListOfRows(List.of(BOXES.getFirst(), BOXES.get(1), List.of("B 09", "3.2", "")));
        assertEquals("Row 3 is not accepted: height: Nobody hangs it there.",
                assertThrows(Refused.class, () -> bringing.replace(list(), refused, "a.csv", "ines", ProgressListener.NONE)).getMessage());
        assertEquals(before, rows());

        ListOfRows fewer = new ListOfRows(List.of(BOXES.getFirst(), BOXES.get(1), BOXES.get(3), List.of("B 10", "3.5", "")));
        bringing.replace(list(), fewer, "a.csv", "ines", ProgressListener.NONE);
        assertEquals(before.get("B 03"), rows().get("B 03"));
        assertEquals(true, rows().get("B 10").answers().get("high"));
        assertEquals("3", lists.gone(list().id(), 2, 10).getFirst().label(), "nothing personal is kept");
        Map<String, Response> kept = rows();
        bringing.replace(list(), fewer, "a.csv", "ines", ProgressListener.NONE);
        assertEquals(kept, rows());
    }

    @Test
    void whatIsCalledOffLeavesEverythingAsItWas() throws Refused {
        begin();
        Map<String, Response> before = rows();
        ListOfRows newer = new ListOfRows(List.of(BOXES.getFirst(), List.of("B 07", "1", ""), List.of("B 08", "1", "")));
        ProgressListener stopped = (part, done, of) -> {
            if (done == 2) {
                throw new CancellationException();
            }
        };
        assertThrows(CancellationException.class, () -> bringing.replace(list(), newer, "nest boxes.csv", "ines", stopped));
        assertEquals(before, rows());
        assertEquals(1, lists.versions(list().id()).size());
        assertThrows(CancellationException.class, () -> bringing.begin(newer, "other.csv", "ines", stopped));
        assertTrue(!cases.drafts.exists("other"));
        String missing = assertThrows(Refused.class, () -> bringing.replace(list(),
                new ListOfRows(List.of(List.of("Box", "Height"), List.of("B 01", "2"))), "nest boxes.csv", "ines", ProgressListener.NONE))
                .getMessage();
        assertTrue(missing.startsWith("The table has no column “Hung on”"), missing);
        assertEquals(before, rows());
    }
}
