package orthogon.formats.responses;

import java.io.IOException;
import java.io.OutputStream;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.List;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.formats.dictionary.Dictionary;
import orthogon.formats.progress.ProgressListener;
import orthogon.formats.responses.ResponseTables.ResponseTable;
import orthogon.formats.table.Table;
import org.apache.poi.ss.usermodel.Cell;
import org.apache.poi.ss.usermodel.CellStyle;
import org.apache.poi.ss.usermodel.Row;
import org.apache.poi.ss.usermodel.Sheet;
import org.apache.poi.xssf.streaming.SXSSFWorkbook;

/** Responses as a workbook (Office Open XML): a sheet for each table with typed cells, and a sheet with the data dictionary. */
public final class ResponsesXlsx {

    /** Rows that are held in memory while a sheet is written. */
    private static final int ROWS_HELD = 100;
    /** Most characters that a cell can hold. */
    private static final int LONGEST_CELL = 32_767;
    /** Most rows that a sheet can hold, the heads included. */
    public static final int MOST_ROWS = 1_048_576;
    private static final int WIDTH = 18 * 256;

    private final SXSSFWorkbook book;
    private final CellStyle day;
    private final CellStyle time;
    private final CellStyle moment;

    private ResponsesXlsx(SXSSFWorkbook book) {
        this.book = book;
        this.day = style("yyyy-mm-dd");
        this.time = style("hh:mm");
        this.moment = style("yyyy-mm-dd hh:mm");
    }

    private CellStyle style(String format) {
        CellStyle style = book.createCellStyle();
        style.setDataFormat(book.createDataFormat().getFormat(format));
        return style;
    }

    /**
     * Writes the workbook.
     *
     * @param lines gone through once
     * @param count how many lines there are
     * @param progress is told of each line, and may end the work
     * @throws IOException if the file cannot be written
     */
    public static void write(Questionnaire document, ResponseTables tables, Iterable<ResponseLine> lines, int count, OutputStream to,
            ProgressListener progress) throws IOException {
        try (SXSSFWorkbook book = new SXSSFWorkbook(ROWS_HELD)) {
            book.setCompressTempFiles(true);
            new ResponsesXlsx(book).fill(document, tables, lines, count, progress);
            book.write(to);
        }
    }

    private void fill(Questionnaire document, ResponseTables tables, Iterable<ResponseLine> lines, int count, ProgressListener progress) {
        List<Sheet> sheets = new ArrayList<>();
        tables.tables().forEach(t -> sheets.add(sheet(t.name(), t.heads())));
        int[] next = new int[sheets.size()];
        int written = 0;
        for (ResponseLine line : lines) {
            progress.at("Writing the sheets", written++, count);
            for (int i = 0; i < sheets.size(); i++) {
                ResponseTable table = tables.tables().get(i);
                for (List<Object> row : table.rows().apply(line)) {
                    row(sheets.get(i), ++next[i], row);
                }
            }
        }
        Table variables = Dictionary.table(document);
        Sheet dictionary = sheet("dictionary", variables.columns());
        for (int i = 0; i < variables.rows().size(); i++) {
            row(dictionary, i + 1, new ArrayList<>(variables.rows().get(i)));
        }
    }

    private Sheet sheet(String name, List<String> heads) {
        Sheet sheet = book.createSheet(name);
        sheet.createFreezePane(0, 1);
        for (int i = 0; i < heads.size(); i++) {
            sheet.setColumnWidth(i, WIDTH);
        }
        row(sheet, 0, new ArrayList<>(heads));
        return sheet;
    }

    private void row(Sheet sheet, int number, List<Object> values) {
        Row row = sheet.createRow(number);
        for (int i = 0; i < values.size(); i++) {
            if (values.get(i) != null && !"".equals(values.get(i))) {
                fill(row.createCell(i), values.get(i));
            }
        }
    }

    private void fill(Cell cell, Object value) {
        switch (value) {
            case BigDecimal d -> cell.setCellValue(d.doubleValue());
            case Boolean b -> cell.setCellValue(b);
            case LocalDate d -> dated(cell, day, () -> cell.setCellValue(d));
            case LocalTime t -> dated(cell, time, () -> cell.setCellValue(t.toSecondOfDay() / 86_400.0));
            case OffsetDateTime at -> dated(cell, moment, () -> cell.setCellValue(at.toLocalDateTime()));
            case String text -> cell.setCellValue(cut(text));
            // A text cell is never taken for a formula, so nothing stands before it.
            default -> cell.setCellValue(cut(plain(value)));
        }
    }

    private static void dated(Cell cell, CellStyle style, Runnable fill) {
        fill.run();
        cell.setCellStyle(style);
    }

    private static String plain(Object value) {
        return value instanceof List<?> list
                ? String.join(";", list.stream().map(v -> v instanceof String s ? s : ResponsesCsv.cell(v)).toList())
                : ResponsesCsv.cell(value);
    }

    private static String cut(String text) {
        return text.length() <= LONGEST_CELL ? text : text.substring(0, LONGEST_CELL);
    }
}
