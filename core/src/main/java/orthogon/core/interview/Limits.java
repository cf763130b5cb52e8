package orthogon.core.interview;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import orthogon.core.questionnaire.Answer;

/** Whether one value keeps the limits of its answer type. Blank always does. */
final class Limits {

    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMMM yyyy", Locale.ENGLISH);

    private Limits() {}

    /** The message for the respondent, or empty where the value is within the limits. */
    static Optional<String> refusal(Answer answer, Object value, LocalDate today) {
        return switch (answer) {
            case Answer.Text t -> value instanceof String s ? text(t, s) : Optional.of("Write a text.");
            case Answer.Numeric n -> value instanceof BigDecimal d ? number(n, d) : Optional.of("Write a number.");
            case Answer.YesNo y -> value instanceof Boolean ? Optional.empty() : Optional.of("Choose yes or no.");
            case Answer.DateAnswer d -> value instanceof LocalDate day ? date(d, day, today) : Optional.of("Give a date.");
            case Answer.OneChoice c -> value instanceof String s && c.option(s).isPresent()
                    ? Optional.empty()
                    : Optional.of("Choose one of the options shown.");
            case Answer.ManyChoices c -> value instanceof List<?> l ? many(c, l) : Optional.of("Choose from the options shown.");
        };
    }

    private static Optional<String> text(Answer.Text t, String s) {
        int length = s.codePointCount(0, s.length());
        if (t.least() != null && length < t.least()) {
            return Optional.of("Write at least " + t.least() + " characters; there are " + length + ".");
        }
        if (t.most() != null && length > t.most()) {
            return Optional.of("Write at most " + t.most() + " characters; there are " + length + ".");
        }
        return Optional.empty();
    }

    private static Optional<String> number(Answer.Numeric n, BigDecimal d) {
        String unit = n.unit().isEmpty() ? "" : " " + n.unit();
        if (n.decimals() != null && d.stripTrailingZeros().scale() > n.decimals()) {
            return Optional.of(n.decimals() == 0 ? "Write a whole number." : "Write at most " + n.decimals() + " decimal places.");
        }
        if (n.least() != null && d.compareTo(n.least()) < 0) {
            return Optional.of("Write a number of at least " + n.least().toPlainString() + unit + ".");
        }
        if (n.most() != null && d.compareTo(n.most()) > 0) {
            return Optional.of("Write a number of at most " + n.most().toPlainString() + unit + ".");
        }
        return Optional.empty();
    }

    private static Optional<String> date(Answer.DateAnswer d, LocalDate day, LocalDate today) {
        if (d.earliest() != null && day.isBefore(d.earliest().on(today))) {
            return Optional.of("Give a date on or after " + DAY.format(d.earliest().on(today)) + ".");
        }
        if (d.latest() != null && day.isAfter(d.latest().on(today))) {
            return Optional.of("Give a date on or before " + DAY.format(d.latest().on(today)) + ".");
        }
        return Optional.empty();
    }

    private static Optional<String> many(Answer.ManyChoices c, List<?> chosen) {
        Set<Object> different = new HashSet<>(chosen);
        if (different.size() != chosen.size() || chosen.stream().anyMatch(o -> !(o instanceof String s) || c.option(s).isEmpty())) {
            return Optional.of("Choose from the options shown.");
        }
        List<Answer.Option> options = chosen.stream().map(o -> c.option((String) o).orElseThrow()).toList();
        Optional<Answer.Option> alone = options.stream().filter(Answer.Option::exclusive).findFirst();
        if (alone.isPresent()) {
            return options.size() == 1
                    ? Optional.empty()
                    : Optional.of("\"" + alone.get().label() + "\" cannot stand together with other choices.");
        }
        if (c.least() != null && chosen.size() < c.least()) {
            return Optional.of("Choose at least " + c.least() + ".");
        }
        if (c.most() != null && chosen.size() > c.most()) {
            return Optional.of("Choose at most " + c.most() + ".");
        }
        return Optional.empty();
    }
}
