package orthogon.formats.contact;

import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import orthogon.formats.table.Table;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVRecord;

/** Lists of email addresses: one a line, or a CSV file with a column for them. */
public final class MailList {

    private MailList() {}

    /**
     * The addresses of a list as they are written, in order, not checked. Where the first line of a table names a column email or mail,
     * that column is taken; otherwise the first cell with an at sign of each line, or else its first cell.
     */
    public static List<String> addresses(String text) {
        List<String> addresses = new ArrayList<>();
        String clean = text.replace("\uFEFF", "").replace(';', ',').strip();
        try (var records = CSVFormat.RFC4180.builder().setIgnoreEmptyLines(true).setTrim(true).get().parse(new StringReader(clean))) {
            int column = -1;
            for (CSVRecord row : records) {
                List<String> cells = row.toList();
                int named = named(cells);
                if (named >= 0) {
                    column = named;
                    continue;
                }
                String address = column >= 0 && column < cells.size()
                        ? cells.get(column)
                        : cells.stream().filter(c -> c.contains("@")).findFirst().orElse(cells.getFirst());
                if (!address.isBlank()) {
                    addresses.add(address.strip());
                }
            }
        } catch (IOException | UncheckedIOException | IllegalStateException e) {
            return clean.lines().map(String::strip).filter(l -> !l.isEmpty()).toList();
        }
        return addresses;
    }

    private static int named(List<String> cells) {
        for (int i = 0; i < cells.size(); i++) {
            if (List.of("email", "e-mail", "mail", "address").contains(cells.get(i).toLowerCase(Locale.ROOT))) {
                return i;
            }
        }
        return -1;
    }

    /** A table of address, link and state. */
    public static String csv(List<List<String>> rows) {
        return new Table(List.of("email", "link", "state"), rows).csv();
    }
}
