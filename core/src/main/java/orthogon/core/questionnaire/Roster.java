package orthogon.core.questionnaire;

import java.util.List;

/**
 * A section that is answered once per entry.
 *
 * @param least fewest entries, from 0
 * @param most most entries, 1 to {@link #MOST_ENTRIES}
 * @param entryTitle what one entry is called, as in {@code Animal}, or {@code Person {number} at {home}}; may be empty
 */
public record Roster(String code, String title, String entryTitle, String askWhen, int least, int most, List<Item> items)
        implements
            Group {

    public static final int MOST_ENTRIES = 50;
    /** What texts of an entry call its number, where nothing else is called so. */
    public static final String NUMBER = "number";

    public Roster {
        items = List.copyOf(items);
    }

    @Override
    public long ruleCount() {
        return askWhen.isEmpty() ? 0 : 1;
    }

    @Override
    public Roster withCode(String changed) {
        return new Roster(changed, title, entryTitle, askWhen, least, most, items);
    }

    @Override
    public Roster withItems(List<Item> changed) {
        return new Roster(code, title, entryTitle, askWhen, least, most, changed);
    }
}
