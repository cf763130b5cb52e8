package orthogon.core.questionnaire;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.List;

/**
 * A section that is answered once per entry.
 *
 * @param least fewest entries, from 0
 * @param most most entries, 1 to {@link #MOST_ENTRIES}
 * @param count how answers settle the number of entries between these
 * @param entryTitle what one entry is called, as in {@code Animal}, or {@code Person {number} at {home}}; may be empty
 */
public record Roster(String code, String title, String entryTitle, String askWhen, int least, int most, EntryCount count, List<Item> items)
        implements
            Group {

    public static final int MOST_ENTRIES = 50;
    /** What texts of an entry call its number, where nothing else is called so. */
    public static final String NUMBER = "number";

    public Roster {
        items = List.copyOf(items);
    }

    /** A roster whose respondents choose how many entries there are. */
    public Roster(String code, String title, String entryTitle, String askWhen, int least, int most, List<Item> items) {
        this(code, title, entryTitle, askWhen, least, most, EntryCount.FREE, items);
    }

    /** The roster with the number of its entries settled in another way. */
    public Roster withCount(EntryCount changed) {
        return new Roster(code, title, entryTitle, askWhen, least, most, changed, items);
    }

    /** How many entries there are where an expression says so: within the limits, the least where it is blank. */
    public int fixedAt(BigDecimal said) {
        return said == null
                ? least
                : said.setScale(0, RoundingMode.FLOOR).max(BigDecimal.valueOf(least)).min(BigDecimal.valueOf(most)).intValue();
    }

    @Override
    public long ruleCount() {
        return (askWhen.isEmpty() ? 0 : 1) + count.ruleCount();
    }

    @Override
    public Roster withCode(String changed) {
        return new Roster(changed, title, entryTitle, askWhen, least, most, count, items);
    }

    @Override
    public Roster withItems(List<Item> changed) {
        return new Roster(code, title, entryTitle, askWhen, least, most, count, changed);
    }
}
