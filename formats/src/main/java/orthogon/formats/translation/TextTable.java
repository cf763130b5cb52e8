package orthogon.formats.translation;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CancellationException;
import javax.xml.parsers.ParserConfigurationException;
import orthogon.formats.progress.ProgressListener;
import orthogon.formats.table.Table;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVRecord;
import org.apache.poi.openxml4j.exceptions.OpenXML4JException;
import org.apache.poi.openxml4j.opc.OPCPackage;
import org.apache.poi.openxml4j.util.ZipSecureFile;
import org.apache.poi.ss.util.CellReference;
import org.apache.poi.util.XMLHelper;
import org.apache.poi.xssf.eventusermodel.ReadOnlySharedStringsTable;
import org.apache.poi.xssf.eventusermodel.XSSFReader;
import org.apache.poi.xssf.eventusermodel.XSSFSheetXMLHandler;
import org.apache.poi.xssf.usermodel.XSSFComment;
import org.xml.sax.InputSource;
import org.xml.sax.SAXException;
import org.xml.sax.XMLReader;

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

    /**
     * The texts of the first sheet of a workbook.
     *
     * @param progress is told of each row that is read, and may end the work
     * @throws UnreadableTexts where it is no such workbook, or a column is missing
     */
    public static List<TextRow> readXlsx(byte[] bytes, ProgressListener progress) throws UnreadableTexts {
        ZipSecureFile.setMinInflateRatio(0.005);
        List<List<String>> table = new ArrayList<>();
        try (OPCPackage file = OPCPackage.open(new ByteArrayInputStream(bytes))) {
            XSSFReader reader = new XSSFReader(file);
            XMLReader parser = XMLHelper.newXMLReader();
            parser.setContentHandler(new XSSFSheetXMLHandler(reader.getStylesTable(), new ReadOnlySharedStringsTable(file),
                    new Rows(table, progress), false));
            try (InputStream sheet = reader.getSheetsData().next()) {
                parser.parse(new InputSource(sheet));
            }
        } catch (CancellationException e) {
            throw e;
        } catch (IOException | OpenXML4JException | SAXException | ParserConfigurationException | RuntimeException e) {
            throw new UnreadableTexts("The file cannot be read as an XLSX workbook. Save it again from your spreadsheet program.");
        }
        return rows(table);
    }

    /** Takes the cells of a sheet, an empty text for each that the file leaves out. */
    private record Rows(List<List<String>> table, ProgressListener progress) implements XSSFSheetXMLHandler.SheetContentsHandler {

        @Override
        public void startRow(int number) {
            table.add(new ArrayList<>());
            progress.at("Reading the rows", table.size(), 0);
        }

        @Override
        public void endRow(int number) {
            // A row has nothing but its cells.
        }

        @Override
        public void cell(String reference, String text, XSSFComment comment) {
            List<String> row = table.getLast();
            int column = reference == null ? row.size() : new CellReference(reference).getCol();
            while (row.size() < column) {
                row.add("");
            }
            row.add(text == null ? "" : text);
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
