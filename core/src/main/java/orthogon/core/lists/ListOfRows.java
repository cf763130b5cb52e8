package orthogon.core.lists;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import orthogon.core.answer.Answer;
import orthogon.core.questionnaire.Codes;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Refused;

/**
 * A table as a questionnaire: a question for each column, typed by what stands in it, and answers for each row. Cells are read as they stand;
 * numbers have a decimal point and dates are written 2026-05-31.
 */
public final class ListOfRows {

    /** Most rows of a list. */
    public static final int MOST_ROWS = 10_000;
    /** Most columns of a list. */
    public static final int MOST_COLUMNS = 20;
    /** Most characters of a cell. */
    public static final int MOST_CHARACTERS = 2_000;
    private static final String PAGE = "row";

    private final List<String> heads;
    private final List<List<String>> rows;

    /**
     * @param cells the names of the columns, then the rows; rows of blanks alone are left out
     * @throws Refused where there are none, too many, a column without a name, two of one name, or a cell that is too long
     */
    public ListOfRows(List<List<String>> cells) throws Refused {
        List<List<String>> kept = cells.stream().map(row -> row.stream().map(String::strip).toList())
                .filter(row -> row.stream().anyMatch(c -> !c.isEmpty())).toList();
        if (kept.size() < 2) {
            throw new Refused("The table needs a row of names and at least one row below it.");
        }
        this.heads = heads(kept.getFirst());
        this.rows = kept.subList(1, kept.size());
        if (rows.size() > MOST_ROWS) {
            throw new Refused("The table has " + rows.size() + " rows; a list takes at most " + MOST_ROWS + ".");
        }
        for (int r = 0; r < rows.size(); r++) {
            for (int c = 0; c < rows.get(r).size(); c++) {
                refuseCell(rows.get(r).get(c), c, r);
            }
        }
    }

    private static List<String> heads(List<String> row) throws Refused {
        List<String> heads = new ArrayList<>(row);
        while (!heads.isEmpty() && heads.getLast().isEmpty()) {
            heads.removeLast();
        }
        if (heads.size() > MOST_COLUMNS) {
            throw new Refused("The table has " + heads.size() + " columns; a list takes at most " + MOST_COLUMNS + ".");
        }
        for (int c = 0; c < heads.size(); c++) {
            String head = heads.get(c);
            if (head.isEmpty() || head.length() > 200) {
                throw new Refused("Column " + (c + 1) + " needs a name of at most 200 characters in the first row.");
            }
            if (heads.subList(0, c).stream().anyMatch(head::equalsIgnoreCase)) {
                throw new Refused("Two columns are called “" + head + "”. Give each a name of its own.");
            }
        }
        return heads;
    }

    private void refuseCell(String cell, int column, int row) throws Refused {
        if (column >= heads.size() && !cell.isEmpty()) {
            throw new Refused("Row " + (row + 2) + " has a cell “" + cut(cell) + "” in column " + (column + 1)
                    + ", which has no name in the first row.");
        }
        if (cell.length() > MOST_CHARACTERS) {
            throw new Refused("Row " + (row + 2) + " has " + cell.length() + " characters under “" + heads.get(column)
                    + "”; a cell takes at most " + MOST_CHARACTERS + ".");
        }
    }

    private static String cut(String cell) {
        return cell.length() > 40 ? cell.substring(0, 40) + "…" : cell;
    }

    public int size() {
        return rows.size();
    }

    private String cell(int row, int column) {
        return column < rows.get(row).size() ? rows.get(row).get(column) : "";
    }

    private List<String> filled(int column) {
        List<String> filled = new ArrayList<>();
        for (int r = 0; r < rows.size(); r++) {
            if (!cell(r, column).isEmpty()) {
                filled.add(cell(r, column));
            }
        }
        return filled;
    }

    /** The questionnaire that the columns make. */
    public Questionnaire document(String code, String title) {
        List<Item> questions = new ArrayList<>();
        for (int c = 0; c < heads.size(); c++) {
            questions.add(question(c, fresh(heads.get(c), questions)));
        }
        return Questionnaire.blank(code, title).withPages(List.of(Page.empty(PAGE, title).withItems(questions)));
    }

    private static String fresh(String head, List<Item> beside) {
        return Codes.from(head, "column", code -> code.equals(PAGE) || beside.stream().anyMatch(i -> i.code().equals(code)));
    }

    private Question question(int column, String code) {
        List<String> filled = filled(column);
        Question question = Question.of(code, heads.get(column), ListColumn.typeOf(filled));
        return filled.size() == rows.size() ? question.withRequireWhen("true") : question;
    }

    /**
     * An older list that takes these rows: columns that are new stand behind the others, and those that do not take a cell as they are, or
     * a blank, are typed anew.
     *
     * @throws Refused where a column of the older list is missing
     */
    public Questionnaire document(Questionnaire older, LocalDate today) throws Refused {
        Questionnaire newer = older;
        Set<Integer> taken = new HashSet<>();
        for (Question q : older.questions().toList()) {
            int column = column(q).orElseThrow(() -> new Refused("The table has no column “" + q.wording()
                    + "”, which the list has. Is it another table? If the column is to go, remove it from the list in Compose first."));
            taken.add(column);
            if (!isTaken(q, column, today)) {
                Question typed = question(column, q.code());
                newer = newer.withItem(q.code(), i -> q.withAnswer(typed.answer()).withRequireWhen(typed.requireWhen()));
            }
        }
        List<Page> pages = new ArrayList<>(newer.pages());
        List<Item> items = new ArrayList<>(pages.getFirst().items());
        List<Item> all = new ArrayList<>(newer.items().toList());
        for (int c = 0; c < heads.size(); c++) {
            if (!taken.contains(c)) {
                Question further = question(c, fresh(heads.get(c), all));
                items.add(further);
                all.add(further);
            }
        }
        pages.set(0, pages.getFirst().withItems(items));
        return newer.withPages(pages);
    }

    /** The column of a question: the one of its wording, or else the one of whose name its code was made. */
    private Optional<Integer> column(Question question) {
        for (int c = 0; c < heads.size(); c++) {
            if (heads.get(c).equalsIgnoreCase(question.wording())) {
                return Optional.of(c);
            }
        }
        for (int c = 0; c < heads.size(); c++) {
            if (Codes.from(heads.get(c), "column", code -> false).equals(question.code())) {
                return Optional.of(c);
            }
        }
        return Optional.empty();
    }

    private boolean isTaken(Question question, int column, LocalDate today) {
        boolean blank = filled(column).size() < rows.size();
        return !(blank && !question.requireWhen().isEmpty())
                && filled(column).stream().allMatch(c -> ListColumn.read(question.answer(), c, today).isPresent());
    }

    /**
     * The answers that a row stands for.
     *
     * @param row number, from 0
     * @param document that takes these rows
     */
    public Map<String, Object> answers(int row, Questionnaire document, LocalDate today) {
        Map<String, Object> answers = new LinkedHashMap<>();
        document.questions().forEach(q -> column(q).ifPresent(column -> {
            Answer answer = q.answer();
            Optional.of(cell(row, column)).filter(c -> !c.isEmpty()).flatMap(c -> ListColumn.read(answer, c, today))
                    .ifPresent(value -> answers.put(q.code(), value));
        }));
        return answers;
    }

    /** What a list is called whose file has this name: the name without its ending, beginning with a capital letter. */
    public static String title(String file) {
        String bare = file.replaceFirst("^.*[/\\\\]", "").replaceFirst("\\.[A-Za-z0-9]{1,5}$", "").replaceAll("[_\\s]+", " ").strip();
        String title = bare.isEmpty() ? "List" : bare.substring(0, 1).toUpperCase(Locale.ROOT) + bare.substring(1);
        return title.length() > 200 ? title.substring(0, 200) : title;
    }
}
