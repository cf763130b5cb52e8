package orthogon.formats.table;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.util.List;
import orthogon.formats.progress.ProgressListener;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.apache.poi.ss.usermodel.Row;
import org.apache.poi.ss.usermodel.Sheet;
import org.apache.poi.xssf.streaming.SXSSFWorkbook;

/**
 * A table with a row of names above it.
 *
 * @param rows each with a cell for every column
 */
public record Table(List<String> columns, List<List<String>> rows) {

    /** Spreadsheets take a cell that begins with one of these for a formula. */
    private static final String FORMULA = "=+-@\t\r";
    private static final int WIDEST = 60;
    /** Rows that are held in memory while a sheet is written. */
    private static final int ROWS_HELD = 100;

    public Table {
        columns = List.copyOf(columns);
        rows = List.copyOf(rows);
    }

    /** A cell that no spreadsheet program takes for a formula: an apostrophe stands before what could be one. */
    public static String harmless(String cell) {
        return !cell.isEmpty() && (FORMULA.indexOf(cell.charAt(0)) >= 0 || cell.startsWith("'")) ? "'" + cell : cell;
    }

    /** What {@link #harmless} was made of. */
    public static String plain(String cell) {
        return cell.length() > 1 && cell.charAt(0) == '\'' && (FORMULA.indexOf(cell.charAt(1)) >= 0 || cell.charAt(1) == '\'')
                ? cell.substring(1)
                : cell;
    }

    /** With a byte order mark, so that spreadsheet programs take it for UTF-8. */
    public String csv() {
        StringWriter text = new StringWriter();
        try (CSVPrinter printer = new CSVPrinter(text, CSVFormat.RFC4180)) {
            printer.printRecord(columns);
            for (List<String> row : rows) {
                printer.printRecord(row.stream().map(Table::harmless).toList());
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return "\uFEFF" + text;
    }

    /**
     * One sheet, its first row standing still; cells are texts.
     *
     * @param progress is told of each row that is written, and may end the work
     */
    public byte[] xlsx(String name, ProgressListener progress) {
        try (SXSSFWorkbook book = new SXSSFWorkbook(ROWS_HELD); ByteArrayOutputStream out = new ByteArrayOutputStream()) {
            Sheet sheet = book.createSheet(name);
            sheet.createFreezePane(0, 1);
            for (int i = 0; i < columns.size(); i++) {
                int column = i;
                int longest = rows.stream().mapToInt(r -> r.get(column).length()).max().orElse(0);
                sheet.setColumnWidth(i, Math.max(10, Math.min(WIDEST, longest + 2)) * 256);
            }
            fill(sheet.createRow(0), columns);
            for (int i = 0; i < rows.size(); i++) {
                fill(sheet.createRow(i + 1), rows.get(i));
                progress.at("Writing the rows", i + 1, rows.size());
            }
            book.write(out);
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static void fill(Row row, List<String> cells) {
        for (int i = 0; i < cells.size(); i++) {
            row.createCell(i).setCellValue(cells.get(i));
        }
    }
}
