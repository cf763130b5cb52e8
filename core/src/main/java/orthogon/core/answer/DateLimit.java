package orthogon.core.answer;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** A fixed date, or a number of days from today. */
public sealed interface DateLimit {

    Pattern RELATIVE = Pattern.compile("today(?: ?([+-]) ?(\\d{1,6}))?");

    record Fixed(LocalDate date) implements DateLimit {
        @Override
        public String toString() {
            return date.toString();
        }
    }

    /** Days after today; negative for before. */
    record FromToday(long days) implements DateLimit {
        @Override
        public String toString() {
            return days == 0 ? "today" : "today " + (days < 0 ? "- " : "+ ") + Math.abs(days);
        }
    }

    default LocalDate on(LocalDate today) {
        return switch (this) {
            case Fixed f -> f.date();
            case FromToday f -> today.plusDays(f.days());
        };
    }

    /**
     * @throws IllegalArgumentException when the text is neither an ISO date, nor {@code today}, nor {@code today + n} or
     *             {@code today - n} with n in days
     */
    static DateLimit parse(String text) {
        Matcher relative = RELATIVE.matcher(text.trim());
        if (relative.matches()) {
            long days = relative.group(2) == null ? 0 : Long.parseLong(relative.group(2));
            return new FromToday("-".equals(relative.group(1)) ? -days : days);
        }
        try {
            return new Fixed(LocalDate.parse(text.trim()));
        } catch (DateTimeException e) {
            throw new IllegalArgumentException(
                    "\"" + text + "\" is not a date: write it like 2026-11-30, or as today, today + 7, today - 30");
        }
    }
}
