package orthogon.formats.responses;

import java.io.IOException;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.io.Writer;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.time.OffsetDateTime;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.stream.Collectors;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import orthogon.core.answer.file.Attachment;
import orthogon.formats.progress.ProgressListener;
import orthogon.formats.responses.ResponseTables.ResponseTable;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;

/** Responses as comma separated values (RFC 4180) in UTF-8, written row by row. */
public final class ResponsesCsv {

    private static final String BYTE_ORDER_MARK = "\uFEFF";

    private ResponsesCsv() {}

    /**
     * Writes one table, or several as files of a ZIP.
     *
     * @param lines gone through once for each table
     * @param count how many lines there are
     * @param mark whether each file begins with a byte order mark
     * @param progress is told of each line, and may end the work
     * @throws IOException if the file cannot be written
     */
    public static void write(ResponseTables tables, Iterable<ResponseLine> lines, int count, boolean mark, OutputStream to,
            ProgressListener progress) throws IOException {
        if (tables.tables().size() == 1) {
            Writer writer = new OutputStreamWriter(to, StandardCharsets.UTF_8);
            write(tables.tables().getFirst(), lines, count, mark, writer, progress);
            writer.flush();
            return;
        }
        try (ZipOutputStream zip = new ZipOutputStream(to, StandardCharsets.UTF_8)) {
            for (ResponseTable table : tables.tables()) {
                zip.putNextEntry(new ZipEntry(table.name() + ".csv"));
                Writer writer = new OutputStreamWriter(zip, StandardCharsets.UTF_8);
                write(table, lines, count, mark, writer, progress);
                writer.flush();
                zip.closeEntry();
            }
        }
    }

    private static void write(ResponseTable table, Iterable<ResponseLine> lines, int count, boolean mark, Writer writer,
            ProgressListener progress) throws IOException {
        writer.write(mark ? BYTE_ORDER_MARK : "");
        // Not closed, since more may follow in the same stream.
        CSVPrinter printer = new CSVPrinter(writer, CSVFormat.RFC4180);
        printer.printRecord(table.heads());
        int written = 0;
        for (ResponseLine line : lines) {
            progress.at("Writing the table “" + table.name() + "”", written++, count);
            for (List<Object> row : table.rows().apply(line)) {
                printer.printRecord(row.stream().map(ResponsesCsv::cell).toList());
            }
        }
        printer.flush();
    }

    /** A value as it stands in the file. A text that a spreadsheet would take for a formula gets a straight quote before it. */
    public static String cell(Object value) {
        return switch (value) {
            case null -> "";
            case String s -> !s.isEmpty() && "=+-@\t\r".indexOf(s.charAt(0)) >= 0 ? "'" + s : s;
            case List<?> l -> l.stream().map(ResponsesCsv::cell).collect(Collectors.joining(";"));
            case Attachment f -> cell(f.name());
            case Boolean b -> b ? "yes" : "no";
            case BigDecimal d -> d.toPlainString();
            case OffsetDateTime at -> DateTimeFormatter.ISO_OFFSET_DATE_TIME.format(at);
            default -> value.toString();
        };
    }
}
