package orthogon.formats.translation;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import orthogon.formats.table.Table;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVRecord;
import org.apache.poi.openxml4j.util.ZipSecureFile;
import org.apache.poi.ss.usermodel.Cell;
import org.apache.poi.ss.usermodel.DataFormatter;
import org.apache.poi.ss.usermodel.Row;
import org.apache.poi.ss.usermodel.Workbook;
import org.apache.poi.xssf.usermodel.XSSFWorkbook;

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

    public static byte[] xlsx(List<TextRow> rows) {
        return table(rows).xlsx("texts");
    }

    /** @throws UnreadableTexts where a column is missing or a row cannot be read */
    public static List<TextRow> readCsv(String text) throws UnreadableTexts {
        List<List<String>> table = new ArrayList<>();
        try (var records = CSVFormat.RFC4180.parse(new StringReader(text.startsWith("\uFEFF") ? text.substring(1) : text))) {
            for (CSVRecord each : records) {
                table.add(each.toList().stream().map(Table::plain).toList());
            }
        } catch (IOException | IllegalArgumentException | IllegalStateException | UncheckedIOException e) {
            throw new UnreadableTexts("The file cannot be read as CSV: " + e.getMessage());
        }
        return rows(table);
    }

    /** @throws UnreadableTexts where it is no such workbook, or a column is missing */
    public static List<TextRow> readXlsx(byte[] bytes) throws UnreadableTexts {
        ZipSecureFile.setMinInflateRatio(0.005);
        List<List<String>> table = new ArrayList<>();
        DataFormatter formatter = new DataFormatter();
        try (Workbook book = new XSSFWorkbook(new ByteArrayInputStream(bytes))) {
            for (Row row : book.getSheetAt(0)) {
                List<String> cells = new ArrayList<>();
                for (int i = 0; i < Math.max(0, row.getLastCellNum()); i++) {
                    Cell cell = row.getCell(i);
                    cells.add(cell == null ? "" : formatter.formatCellValue(cell));
                }
                table.add(cells);
            }
        } catch (IOException | RuntimeException e) {
            throw new UnreadableTexts("The file cannot be read as an XLSX workbook. Save it again from your spreadsheet program.");
        }
        return rows(table);
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
