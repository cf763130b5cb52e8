package orthogon.app.answer;

import java.util.List;
import java.util.Locale;
import java.util.Map;

/**
 * What came of looking for records.
 *
 * @param words that were sought
 * @param found records with what is shown of them, as many as are told at once
 */
public record SoughtRecords(String words, List<Map<String, Object>> found, SearchEnd end) {

    /** How a search ends. */
    public enum SearchEnd {
        /** All that there are were found. */
        FOUND,
        /** There are more. */
        MORE, NONE,
        /** The words have too few letters to look for. */
        SHORT,
        /** Somebody looks for too much in too short a time. */
        BUSY;

        /** The key of what Orthogon says of it. */
        public String key() {
            return "lookup_" + name().toLowerCase(Locale.ROOT);
        }
    }

    /** Fewest letters that are looked for. */
    public static final int FEWEST_LETTERS = 2;
    /** Most letters that are sought; what comes after is cut off. */
    public static final int MOST_LETTERS = 100;
    /** Most records that are told at once. */
    public static final int MOST = 20;

    public static SoughtRecords nothing(String words, SearchEnd why) {
        return new SoughtRecords(words, List.of(), why);
    }

    /** @param found one more than is told, where there are more */
    public static SoughtRecords of(String words, List<Map<String, Object>> found) {
        boolean more = found.size() > MOST;
        return found.isEmpty()
                ? nothing(words, SearchEnd.NONE)
                : new SoughtRecords(words, List.copyOf(more ? found.subList(0, MOST) : found), more ? SearchEnd.MORE : SearchEnd.FOUND);
    }
}
