package orthogon.app.responses;

import java.util.List;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/**
 * How the table of responses is read.
 *
 * @param columns codes of facts, link parameters, questions, rosters and derived values, in order
 * @param filter condition; empty for none
 * @param search words that must stand in the answers; empty for none
 * @param sort code of the column that the rows are sorted by
 * @param down whether the greatest comes first
 * @param wordings whether the heads are wordings, and not codes
 */
record TableReading(List<String> columns, String filter, String search, String sort, boolean down, boolean wordings) {

    private static final JsonMapper JSON = JsonMapper.builder().build();

    TableReading {
        columns = columns == null ? List.of() : List.copyOf(columns);
        filter = filter == null ? "" : filter.strip();
        search = search == null ? "" : search.strip();
        sort = sort == null ? "" : sort;
    }

    /** As text, for the database. */
    String written() {
        return JSON.writeValueAsString(this);
    }

    /** What {@link #written} wrote; the other reading where it cannot be read. */
    static TableReading read(String text, TableReading otherwise) {
        try {
            return text.isEmpty() ? otherwise : JSON.readValue(text, TableReading.class);
        } catch (JacksonException e) {
            return otherwise;
        }
    }

    TableReading asking(String newFilter, String newSearch, String newSort, boolean newDown) {
        return new TableReading(columns, newFilter, newSearch, newSort, newDown, wordings);
    }

    TableReading showing(List<String> newColumns, boolean newWordings) {
        return new TableReading(newColumns, filter, search, sort, down, newWordings);
    }
}
