package orthogon.formats.table;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.List;
import orthogon.formats.progress.ProgressListener;
import orthogon.formats.table.TableReader.UnreadableTable;
import org.apache.poi.ss.usermodel.CellStyle;
import org.apache.poi.ss.usermodel.Row;
import org.apache.poi.ss.usermodel.Sheet;
import org.apache.poi.xssf.usermodel.XSSFWorkbook;
import org.junit.jupiter.api.Test;

class TableReaderTest {

    private static final ProgressListener NOBODY = ProgressListener.NONE;

    private static List<List<String>> csv(String text) throws UnreadableTable {
        return TableReader.read("boxes.CSV", text.getBytes(StandardCharsets.UTF_8), NOBODY);
    }

    private static String unreadable(String name, byte[] bytes) {
        return assertThrows(UnreadableTable.class, () -> TableReader.read(name, bytes, NOBODY)).getMessage();
    }

    @Test
    void commasSemicolonsAndTabsAreRead() throws UnreadableTable {
        List<List<String>> cells = List.of(List.of("Box, old", "Wood"), List.of("B 1", "Alder;Birch"));
        assertEquals(cells, csv("\uFEFF\"Box, old\",Wood\r\nB 1,Alder;Birch\r\n"));
        assertEquals(cells, csv("\"Box, old\";Wood\nB 1;\"Alder;Birch\"\n"));
        assertEquals(cells, csv("\"Box, old\"\tWood\nB 1\tAlder;Birch"));
        assertEquals(List.of(List.of("Box"), List.of("=1")), csv("Box\n'=1\n"));
    }

    @Test
    void datesAndNumbersOfAWorkbookAreReadAsTheyAre() throws IOException, UnreadableTable {
        try (XSSFWorkbook book = new XSSFWorkbook(); ByteArrayOutputStream out = new ByteArrayOutputStream()) {
            Sheet sheet = book.createSheet("boxes");
            CellStyle day = book.createCellStyle();
            day.setDataFormat(book.createDataFormat().getFormat("d mmm yy"));
            CellStyle grouped = book.createCellStyle();
            grouped.setDataFormat(book.createDataFormat().getFormat("#,##0.0"));
            Row row = sheet.createRow(0);
            row.createCell(0).setCellValue("Box");
            row.createCell(2).setCellValue(LocalDate.of(2026, 3, 1));
            row.getCell(2).setCellStyle(day);
            row.createCell(3).setCellValue(12345.678);
            row.getCell(3).setCellStyle(grouped);
            row.createCell(4).setCellValue(7);
            row.createCell(5).setCellValue(true);
            book.write(out);
            assertEquals(List.of(List.of("Box", "", "2026-03-01", "12345.678", "7", "TRUE")),
                    TableReader.read("boxes.xlsx", out.toByteArray(), NOBODY));
        }
    }

    @Test
    void whatIsNoTableIsRefused() {
        assertEquals("The file is not in UTF-8. Save it again as CSV in UTF-8, or as XLSX.",
                unreadable("a.csv", new byte[]{'M', (byte) 0xFC}));
        assertTrue(unreadable("a.csv", "a,\"b\nc".getBytes(StandardCharsets.UTF_8)).startsWith("The file cannot be read as CSV: "));
        assertEquals("The file cannot be read as an XLSX workbook. Save it again from your spreadsheet program.",
                unreadable("a.xlsx", "no workbook".getBytes(StandardCharsets.UTF_8)));
        assertTrue(!TableReader.isTable("boxes.orthogon.json"));
    }

    @Test
    void aTableHasAsManyRowsAndColumnsAsAreReadAndNoMore() throws UnreadableTable {
        String tooLarge = "The table has more than 200000 rows or 1000 columns. Take a part of it.";
        String rows = "x\n".repeat(TableReader.MOST_ROWS);
        assertEquals(TableReader.MOST_ROWS, csv(rows).size());
        assertEquals(tooLarge, unreadable("a.csv", (rows + "x\n").getBytes(StandardCharsets.UTF_8)));
        String columns = "x,".repeat(TableReader.MOST_COLUMNS - 1) + "x";
        assertEquals(TableReader.MOST_COLUMNS, csv(columns).getFirst().size());
        assertEquals(tooLarge, unreadable("a.csv", (columns + ",x").getBytes(StandardCharsets.UTF_8)));
    }
}
