package orthogon.core.lists;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import orthogon.core.answer.Answer;
import orthogon.core.answer.Option;
import orthogon.core.answer.choice.OneChoice;
import orthogon.core.answer.date.DateAnswer;
import orthogon.core.answer.number.NumberAnswer;
import orthogon.core.answer.text.TextAnswer;
import orthogon.core.answer.yesno.YesNoAnswer;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Refused;
import orthogon.core.questionnaire.Section;
import org.junit.jupiter.api.Test;

class ListOfRowsTest {

    private static final LocalDate TODAY = LocalDate.of(2026, 11, 28);
    private static final List<List<String>> BOXES = List.of(
            List.of("Box", "Wood", "Hung on", "Doors", "Height in m", "Row"),
            List.of("B 01", "Alder", "2024-03-01", "yes", "2.5", "1"), List.of("B 02", "Birch", "2024-03-02", "no", "3", "2"),
            List.of(" ", "", "", "", "", ""), List.of("B 03", "Alder", "2025-04-11", "yes", "2.75", ""),
            List.of("007", "Birch", "2025-04-12", "no", "4", "4"));

    private static List<List<String>> table(List<List<String>> rows, int row, int column, String cell) {
        List<List<String>> changed = new ArrayList<>(rows);
        List<String> cells = new ArrayList<>(rows.get(row));
        cells.set(column, cell);
        changed.set(row, cells);
        return changed;
    }

    private static Answer type(Questionnaire document, String code) {
        return document.question(code).map(Question::answer).orElseThrow();
    }

    private static String refused(List<List<String>> cells) {
        return assertThrows(Refused.class, () -> new ListOfRows(cells)).getMessage();
    }

    @Test
    void columnsHaveTheTypeThatAllTheirCellsHave() throws Refused {
        ListOfRows list = new ListOfRows(BOXES);
        Questionnaire document = list.document("boxes", "Boxes");
        assertEquals(List.of("box", "wood", "hung_on", "doors", "height_m", "row_2"),
                document.questions().map(Question::code).toList());
        assertEquals(new TextAnswer(false, null, null), type(document, "box"));
        assertEquals(new OneChoice(List.of(Option.of("alder", "Alder"), Option.of("birch", "Birch")), false), type(document, "wood"));
        assertEquals(new DateAnswer(null, null), type(document, "hung_on"));
        assertEquals(new YesNoAnswer(), type(document, "doors"));
        assertEquals(new NumberAnswer(new BigDecimal("2.5"), new BigDecimal("4"), 2, ""), type(document, "height_m"));
        assertEquals("true", document.question("wood").orElseThrow().requireWhen());
        assertEquals("", document.question("row_2").orElseThrow().requireWhen());
        assertEquals(4, list.size());
        assertEquals(Map.of("box", "B 03", "wood", "alder", "hung_on", LocalDate.of(2025, 4, 11), "doors", true, "height_m",
                new BigDecimal("2.75")), list.answers(2, document, TODAY));
    }

    @Test
    void namesThatComeOnceAreNoChoice() throws Refused {
        Questionnaire document = new ListOfRows(table(BOXES, 1, 1, "Cherry")).document("boxes", "Boxes");
        assertEquals(new TextAnswer(false, null, null), type(document, "wood"));
    }

    @Test
    void aNewerTableKeepsWhatFitsAndTypesTheRestAnew() throws Refused {
        Questionnaire older = new ListOfRows(BOXES).document("boxes", "Boxes")
                .withItem("wood", i -> ((Question) i).withTexts("Kind of wood", "").withPersonal(true));
        List<List<String>> cells = table(table(table(BOXES, 1, 4, "5.5"), 0, 1, "Wood"), 2, 3, "");
        Questionnaire newer = new ListOfRows(cells).document(older, TODAY);
        assertEquals(older.question("wood"), newer.question("wood"));
        assertEquals(new BigDecimal("5.5"), ((NumberAnswer) type(newer, "height_m")).most());
        assertEquals("", newer.question("doors").orElseThrow().requireWhen());
        assertEquals(older, new ListOfRows(BOXES).document(older, TODAY));

        // A column that was put into a section is the same column.
        Page page = older.pages().getFirst();
        Questionnaire parted = older.withPages(List.of(page.withItems(List.of(new Section("all", "All", "", page.items())))));
        assertEquals(parted, new ListOfRows(BOXES).document(parted, TODAY));
        assertEquals("B 01", new ListOfRows(BOXES).answers(0, parted, TODAY).get("box"));

        List<List<String>> wider = BOXES.stream().map(r -> {
            List<String> row = new ArrayList<>(r);
            row.add(r.getFirst().equals("Box") ? "Keeper" : "Wenna");
            return row;
        }).map(List::copyOf).toList();
        assertEquals(List.of("box", "wood", "hung_on", "doors", "height_m", "row_2", "keeper"),
                new ListOfRows(wider).document(older, TODAY).questions().map(Question::code).toList());
        String missing = assertThrows(Refused.class, () -> new ListOfRows(table(BOXES, 0, 0, "Nest")).document(older, TODAY)).getMessage();
        assertEquals(
                "The table has no column “Box”, which the list has. Is it another table? If the column is to go, remove it from the list "
                        + "in Compose first.",
                missing);
    }

    @Test
    void aTableThatIsNoListIsRefusedWhereItIsWrong() throws Refused {
        assertEquals("The table needs a row of names and at least one row below it.", refused(List.of(List.of("Box"))));
        assertEquals("Column 2 needs a name of at most 200 characters in the first row.", refused(table(BOXES, 0, 1, "")));
        assertEquals("Two columns are called “box”. Give each a name of its own.", refused(table(BOXES, 0, 1, "box")));
        assertEquals("Row 2 has a cell “x” in column 7, which has no name in the first row.", refused(List.of(BOXES.getFirst(),
                List.of("a", "b", "2024-03-01", "no", "1", "1", "x"))));
        assertEquals("Row 2 has 2001 characters under “Wood”; a cell takes at most 2000.",
                refused(table(BOXES, 1, 1, "x".repeat(ListOfRows.MOST_CHARACTERS + 1))));
        new ListOfRows(table(BOXES, 1, 1, "x".repeat(ListOfRows.MOST_CHARACTERS)));
    }

    @Test
    void aListHasAsManyRowsAndColumnsAsItTakesAndNoMore() throws Refused {
        List<List<String>> rows = new ArrayList<>(Collections.nCopies(ListOfRows.MOST_ROWS, List.of("x")));
        rows.addFirst(List.of("Name"));
        assertEquals(ListOfRows.MOST_ROWS, new ListOfRows(rows).size());
        rows.add(List.of("one more"));
        assertEquals("The table has 10001 rows; a list takes at most 10000.", refused(rows));
        List<String> heads = new ArrayList<>();
        for (int c = 1; c <= ListOfRows.MOST_COLUMNS; c++) {
            heads.add("Column " + c);
        }
        assertEquals(1, new ListOfRows(List.of(heads, List.of("x"))).size());
        heads.add("One more");
        assertEquals("The table has 21 columns; a list takes at most 20.", refused(List.of(heads, List.of("x"))));
    }

    @Test
    void aListIsCalledAsItsFileIs() {
        assertEquals("Nest boxes", ListOfRows.title("C:\\tables\\nest_boxes.xlsx"));
        assertEquals("List", ListOfRows.title(".csv"));
    }
}
