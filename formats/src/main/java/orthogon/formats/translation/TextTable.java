package orthogon.formats.translation;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import orthogon.formats.progress.ProgressListener;
import orthogon.formats.table.Table;
import orthogon.formats.table.TableReader.UnreadableTable;
import orthogon.formats.table.TableReader;

/** Texts as a table, for translators who work in one: CSV (RFC 4180) and XLSX, all languages in one file where wanted. */
public final class TextTable {

    private static final List<String> COLUMNS = List.of("language", "unit", "place", "source", "text", "state", "note", "was");

    private TextTable() {}

    private static List<String> cells(TextRow row) {
        return List.of(row.language(), row.unit(), row.place(), row.source(), row.text(), row.state(), row.note(), row.was());
    }

    private static Table table(List<TextRow> rows) {
        return new Table(COLUMNS, rows.stream().map(TextTable::cells).toList());
    }

    public static String csv(List<TextRow> rows) {
        return table(rows).csv();
    }

    /** @param progress is told of each row that is written, and may end the work */
    public static byte[] xlsx(List<TextRow> rows, ProgressListener progress) {
        return table(rows).xlsx("texts", progress);
    }

    /** @throws UnreadableTexts where a column is missing or a row cannot be read */
    public static List<TextRow> readCsv(String text) throws UnreadableTexts {
        try {
            return rows(TableReader.csv(text));
        } catch (UnreadableTable e) {
            throw new UnreadableTexts(e.getMessage());
        }
    }

    /**
     * The texts of the first sheet of a workbook.
     *
     * @param progress is told of each row that is read, and may end the work
     * @throws UnreadableTexts where it is no such workbook, or a column is missing
     */
    public static List<TextRow> readXlsx(byte[] bytes, ProgressListener progress) throws UnreadableTexts {
        try {
            return rows(TableReader.xlsx(bytes, progress));
        } catch (UnreadableTable e) {
            throw new UnreadableTexts(e.getMessage());
        }
    }

    private static List<TextRow> rows(List<List<String>> table) throws UnreadableTexts {
        if (table.isEmpty()) {
            throw new UnreadableTexts("The file is empty.");
        }
        Map<String, Integer> at = new HashMap<>();
        for (int i = 0; i < table.getFirst().size(); i++) {
            at.putIfAbsent(table.getFirst().get(i).strip().toLowerCase(java.util.Locale.ROOT), i);
        }
        for (String needed : List.of("language", "unit", "text")) {
            if (!at.containsKey(needed)) {
                throw new UnreadableTexts("The first row names no column “" + needed + "”; it must be there.");
            }
        }
        List<TextRow> rows = new ArrayList<>();
        for (List<String> cells : table.subList(1, table.size())) {
            String[] row = COLUMNS.stream().map(c -> at.containsKey(c) && at.get(c) < cells.size() ? cells.get(at.get(c)) : "")
                    .toArray(String[]::new);
            if (!row[1].isBlank()) {
                rows.add(new TextRow(row[0].strip(), row[1].strip(), row[2], row[3], row[4], row[5].strip(), row[6], row[7].strip()));
            }
        }
        return rows;
    }
}
