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
record Reading(List<String> columns, String filter, String search, String sort, boolean down, boolean wordings) {

    private static final JsonMapper JSON = JsonMapper.builder().build();

    Reading {
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
    static Reading read(String text, Reading otherwise) {
        try {
            return text.isEmpty() ? otherwise : JSON.readValue(text, Reading.class);
        } catch (JacksonException e) {
            return otherwise;
        }
    }

    Reading asking(String newFilter, String newSearch, String newSort, boolean newDown) {
        return new Reading(columns, newFilter, newSearch, newSort, newDown, wordings);
    }

    Reading showing(List<String> newColumns, boolean newWordings) {
        return new Reading(newColumns, filter, search, sort, down, newWordings);
    }
}
