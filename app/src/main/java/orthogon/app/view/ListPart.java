package orthogon.app.view;

import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;

/**
 * What a sheet shows of a list: all of it, or a part of a very long one. Parts overlap, so that what stands around the chosen entry is in
 * sight.
 *
 * @param shown entries that are shown
 * @param first how many entries stand before them
 * @param of how many entries there are
 * @param number of the part, from 0; 0 where all entries are shown
 * @param before the last entry before them; empty where there is none
 * @param after the first entry behind them; empty where there is none
 */
public record ListPart<T>(List<T> shown, int first, int of, int number, Optional<T> before, Optional<T> after) {

    /** Longest list that is shown whole, in entries. */
    static final int MOST_SHOWN = 2_000;
    /** Entries from the middle of one part to the middle of the next. */
    private static final int STEP = MOST_SHOWN / 2;

    /** The part of this number, or the nearest that there is. */
    public static <T> ListPart<T> of(List<T> all, int number) {
        if (all.size() <= MOST_SHOWN) {
            return new ListPart<>(all, 0, all.size(), 0, Optional.empty(), Optional.empty());
        }
        int nearest = Math.clamp(number, 0, (all.size() - 1) / STEP);
        int from = Math.max(0, nearest * STEP - STEP / 2);
        int to = Math.min(all.size(), (nearest + 1) * STEP + STEP / 2);
        return new ListPart<>(all.subList(from, to), from, all.size(), nearest,
                from == 0 ? Optional.empty() : Optional.of(all.get(from - 1)),
                to == all.size() ? Optional.empty() : Optional.of(all.get(to)));
    }

    /** The part in whose middle the first such entry stands; the first part where there is none. */
    public static <T> ListPart<T> around(List<T> all, Predicate<T> chosen) {
        int at = 0;
        while (at < all.size() && !chosen.test(all.get(at))) {
            at++;
        }
        return of(all, at == all.size() ? 0 : at / STEP);
    }

    /** This part, or the one around an entry that this one does not have. */
    public ListPart<T> with(List<T> all, Predicate<T> chosen) {
        return shown.stream().noneMatch(chosen) && all.stream().anyMatch(chosen) ? around(all, chosen) : this;
    }

    /** Whether there are entries that are not shown. */
    public boolean isPart() {
        return shown.size() < of;
    }

    /** Number of the last entry that is shown, from 1. */
    public int last() {
        return first + shown.size();
    }
}
