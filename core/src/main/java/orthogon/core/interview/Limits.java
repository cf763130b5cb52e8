package orthogon.core.interview;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.format.DateTimeFormatter;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import orthogon.core.expression.TextPattern;
import orthogon.core.questionnaire.Answer;
import orthogon.core.questionnaire.Attachment;

/** Whether one value keeps the limits of its answer type. Blank always does. */
final class Limits {

    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMMM yyyy", Locale.ENGLISH);

    private static final String CHOOSE = "Choose from the options shown.";

    private Limits() {}

    /** The message for the respondent, or empty where the value is within the limits. */
    static Optional<String> refusal(Answer answer, Object value, LocalDate today) {
        return switch (answer) {
            case Answer.Text t -> value instanceof String s ? text(t, s) : Optional.of("Write a text.");
            case Answer.Parts p -> value instanceof Map<?, ?> parts ? parts(p, parts) : Optional.of("Write a text.");
            case Answer.Numeric n -> value instanceof BigDecimal d ? number(n, d) : Optional.of("Write a number.");
            case Answer.Scale s -> value instanceof BigDecimal d
                    ? number(new Answer.Numeric(BigDecimal.valueOf(s.first()), BigDecimal.valueOf(s.last()), 0, ""), d)
                    : Optional.of("Choose a number.");
            case Answer.DateAnswer d -> value instanceof LocalDate day ? date(d, day, today) : Optional.of("Give a date.");
            case Answer.TimeAnswer t -> value instanceof LocalTime time ? time(t, time) : Optional.of("Give a time.");
            case Answer.ManyChoices c -> value instanceof List<?> l ? many(c, l) : Optional.of(CHOOSE);
            case Answer.Grid g -> value instanceof Map<?, ?> rows
                    ? rows.values().stream().map(v -> refusal(g.row(), v, today)).flatMap(Optional::stream).findFirst()
                    : Optional.of(CHOOSE);
            case Answer.Ranking r -> value instanceof List<?> l && l.size() == r.ranked() && new HashSet<>(l).size() == l.size()
                    ? Optional.empty()
                    : Optional.of("Put " + r.ranked() + " of them in order, each once.");
            case Answer.FileAnswer f -> value instanceof List<?> l ? files(f, l) : Optional.of("Give a file.");
            case Answer.YesNo y -> value instanceof Boolean ? Optional.empty() : Optional.of("Choose yes or no.");
            case Answer.Agreement a -> Boolean.TRUE.equals(value) ? Optional.empty() : Optional.of("Tick the box.");
            case Answer.OneChoice c -> value instanceof String s && c.option(s).isPresent() ? Optional.empty() : Optional.of(CHOOSE);
            case Answer.IsoCode c -> value instanceof String s && c.option(s).isPresent() ? Optional.empty() : Optional.of(CHOOSE);
            case Answer.Contact c -> Optional.empty();
            case Answer.Lookup l -> Optional.empty();
            case Answer.Signature s -> Optional.empty();
            case Answer.Hidden h -> Optional.empty();
        };
    }

    private static Optional<String> parts(Answer.Parts p, Map<?, ?> parts) {
        List<String> missing = p.required().stream().filter(r -> p.parts().contains(r) && !parts.containsKey(r)).toList();
        return missing.isEmpty()
                ? Optional.empty()
                : Optional.of("Still missing: " + String.join(", ", missing.stream().map(m -> m.replace('_', ' ')).toList()) + ".");
    }

    private static Optional<String> time(Answer.TimeAnswer t, LocalTime time) {
        if (t.earliest() != null && time.isBefore(t.earliest())) {
            return Optional.of("Give a time not before " + t.earliest() + ".");
        }
        if (t.latest() != null && time.isAfter(t.latest())) {
            return Optional.of("Give a time not after " + t.latest() + ".");
        }
        return Optional.empty();
    }

    private static Optional<String> files(Answer.FileAnswer f, List<?> files) {
        if (files.size() > f.most()) {
            return Optional.of(f.most() == 1 ? "Give one file only." : "Give at most " + f.most() + " files.");
        }
        for (Object each : files) {
            Attachment file = (Attachment) each;
            if (file.bytes() > f.largest()) {
                return Optional.of("“" + file.name() + "” is larger than " + f.largest() / 1_000_000.0 + " MB.");
            }
            boolean accepted = f.mediaTypes().isEmpty() || f.mediaTypes().stream().anyMatch(m -> m.equals(file.mediaType())
                    || m.endsWith("/*") && file.mediaType().startsWith(m.substring(0, m.length() - 1)));
            if (!accepted) {
                return Optional.of("“" + file.name() + "” is not a file of the kind asked for.");
            }
        }
        return Optional.empty();
    }

    private static Optional<String> text(Answer.Text t, String s) {
        int length = s.codePointCount(0, s.length());
        if (t.least() != null && length < t.least()) {
            return Optional.of("Write at least " + t.least() + " characters; there are " + length + ".");
        }
        if (t.most() != null && length > t.most()) {
            return Optional.of("Write at most " + t.most() + " characters; there are " + length + ".");
        }
        if (t.content() == Answer.Content.DIGITS && !s.chars().allMatch(c -> c >= '0' && c <= '9')) {
            return Optional.of("Write digits only.");
        }
        if (t.content() == Answer.Content.LETTERS && !s.codePoints().allMatch(TextPattern::isLetterLike)) {
            return Optional.of("Write letters only.");
        }
        if (!t.pattern().isEmpty() && !TextPattern.whole(t.pattern()).isFoundIn(s)) {
            return Optional.of(t.example().isEmpty() ? "This is not of the form asked for." : "Write it like " + t.example() + ".");
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
            return Optional.of(CHOOSE);
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
