package orthogon.formats.table;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.math.BigDecimal;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.CancellationException;
import java.util.stream.Collectors;
import javax.xml.parsers.ParserConfigurationException;
import orthogon.formats.progress.ProgressListener;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVRecord;
import org.apache.poi.openxml4j.exceptions.OpenXML4JException;
import org.apache.poi.openxml4j.opc.OPCPackage;
import org.apache.poi.openxml4j.util.ZipSecureFile;
import org.apache.poi.ss.usermodel.DataFormatter;
import org.apache.poi.ss.usermodel.DateUtil;
import org.apache.poi.ss.util.CellReference;
import org.apache.poi.util.XMLHelper;
import org.apache.poi.xssf.eventusermodel.ReadOnlySharedStringsTable;
import org.apache.poi.xssf.eventusermodel.XSSFReader;
import org.apache.poi.xssf.eventusermodel.XSSFSheetXMLHandler;
import org.apache.poi.xssf.usermodel.XSSFComment;
import org.xml.sax.InputSource;
import org.xml.sax.SAXException;
import org.xml.sax.XMLReader;

/** Reads the cells of tables: CSV (RFC 4180, also with semicolons or tabs), and the first sheet of an XLSX workbook. */
public final class TableReader {

    private static final List<Character> SEPARATORS = List.of(',', ';', '\t');

    /** Most rows that are read. */
    static final int MOST_ROWS = 200_000;
    /** Most columns that are read. */
    static final int MOST_COLUMNS = 1_000;

    private TableReader() {}

    /** The table is larger than any that is of use. */
    private static final class TooLarge extends RuntimeException {

        TooLarge() {
            super(null, null, false, false);
        }
    }

    private static UnreadableTable tooLarge() {
        return new UnreadableTable("The table has more than " + MOST_ROWS + " rows or " + MOST_COLUMNS + " columns. Take a part of it.");
    }

    /** A file that cannot be read as a table; the message says why, and what to do. */
    public static final class UnreadableTable extends Exception {

        UnreadableTable(String message) {
            super(message);
        }
    }

    /** Whether a file of this name is read as a table. */
    public static boolean isTable(String name) {
        return isXlsx(name) || name.toLowerCase(Locale.ROOT).endsWith(".csv");
    }

    private static boolean isXlsx(String name) {
        return name.toLowerCase(Locale.ROOT).endsWith(".xlsx");
    }

    /**
     * The cells of a table; numbers with a decimal point, dates as 2026-05-31.
     *
     * @param name of the file, which tells its format
     * @param progress is told of each row that is read, and may end the work
     */
    public static List<List<String>> read(String name, byte[] bytes, ProgressListener progress) throws UnreadableTable {
        if (isXlsx(name)) {
            return xlsx(bytes, new PlainCells(), progress);
        }
        try {
            return csv(StandardCharsets.UTF_8.newDecoder().decode(ByteBuffer.wrap(bytes)).toString());
        } catch (CharacterCodingException e) {
            throw new UnreadableTable("The file is not in UTF-8. Save it again as CSV in UTF-8, or as XLSX.");
        }
    }

    /** The cells of a CSV file, without the apostrophes that keep spreadsheet programs from taking them for formulas. */
    public static List<List<String>> csv(String text) throws UnreadableTable {
        String clean = text.startsWith("\uFEFF") ? text.substring(1) : text;
        CSVFormat format = CSVFormat.RFC4180.builder().setDelimiter(separator(clean)).get();
        List<List<String>> table = new ArrayList<>();
        try (var records = format.parse(new StringReader(clean))) {
            for (CSVRecord each : records) {
                refuseTooLarge(table.size(), each.size());
                table.add(each.toList().stream().map(Table::plain).toList());
            }
        } catch (TooLarge e) {
            throw tooLarge();
        } catch (IOException | IllegalArgumentException | IllegalStateException | UncheckedIOException e) {
            throw new UnreadableTable("The file cannot be read as CSV: " + e.getMessage());
        }
        return table;
    }

    private static void refuseTooLarge(int rows, int columns) {
        if (rows >= MOST_ROWS || columns > MOST_COLUMNS) {
            throw new TooLarge();
        }
    }

    /** The sign that stands most often between the names of the first line. */
    private static char separator(String text) {
        String first = text.lines().findFirst().orElse("").replaceAll("\"[^\"]*\"", "");
        Map<Character, Long> counts = SEPARATORS.stream().collect(Collectors.toMap(s -> s, s -> first.chars().filter(c -> c == s).count()));
        return SEPARATORS.stream().reduce((a, b) -> counts.get(b) > counts.get(a) ? b : a).orElseThrow();
    }

    /**
     * The cells of the first sheet of a workbook, as the workbook shows them.
     *
     * @param progress is told of each row that is read, and may end the work
     */
    public static List<List<String>> xlsx(byte[] bytes, ProgressListener progress) throws UnreadableTable {
        return xlsx(bytes, new DataFormatter(), progress);
    }

    private static List<List<String>> xlsx(byte[] bytes, DataFormatter cells, ProgressListener progress) throws UnreadableTable {
        ZipSecureFile.setMinInflateRatio(0.005);
        List<List<String>> table = new ArrayList<>();
        try (OPCPackage file = OPCPackage.open(new ByteArrayInputStream(bytes))) {
            XSSFReader reader = new XSSFReader(file);
            XMLReader parser = XMLHelper.newXMLReader();
            parser.setContentHandler(new XSSFSheetXMLHandler(reader.getStylesTable(), null, new ReadOnlySharedStringsTable(file),
                    new Rows(table, progress), cells, false));
            try (InputStream sheet = reader.getSheetsData().next()) {
                parser.parse(new InputSource(sheet));
            }
        } catch (CancellationException e) {
            throw e;
        } catch (TooLarge e) {
            throw tooLarge();
        } catch (IOException | OpenXML4JException | SAXException | ParserConfigurationException | RuntimeException e) {
            throw new UnreadableTable("The file cannot be read as an XLSX workbook. Save it again from your spreadsheet program.");
        }
        return table;
    }

    /** Dates and numbers as they are, whatever the workbook makes of them. */
    private static final class PlainCells extends DataFormatter {

        @Override
        public String formatRawCellContents(double value, int formatIndex, String formatString, boolean from1904) {
            if (DateUtil.isADateFormat(formatIndex, formatString) && DateUtil.isValidExcelDate(value)) {
                return DateUtil.getLocalDateTime(value, from1904).toLocalDate().toString();
            }
            return BigDecimal.valueOf(value).stripTrailingZeros().toPlainString();
        }
    }

    /** Takes the cells of a sheet, an empty text for each that the file leaves out. */
    private record Rows(List<List<String>> table, ProgressListener progress) implements XSSFSheetXMLHandler.SheetContentsHandler {

        @Override
        public void startRow(int number) {
            refuseTooLarge(table.size(), 0);
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
            refuseTooLarge(0, column + 1);
            while (row.size() < column) {
                row.add("");
            }
            row.add(text == null ? "" : text);
        }
    }
}
