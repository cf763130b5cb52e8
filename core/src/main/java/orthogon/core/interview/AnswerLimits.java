package orthogon.core.interview;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import orthogon.core.expression.TextPattern;
import orthogon.core.language.OwnWords;
import orthogon.core.questionnaire.Answer;
import orthogon.core.questionnaire.Attachment;

/** Whether one value keeps the limits of its answer type, and what is said where it does not. Blank always does. */
final class AnswerLimits {

    private final OwnWords words;

    AnswerLimits(OwnWords words) {
        this.words = words;
    }

    private Optional<String> say(String key, Object... arguments) {
        return Optional.of(words.say("limit." + key, arguments));
    }

    /** The message for the respondent, or empty where the value is within the limits. */
    Optional<String> refusal(Answer answer, Object value, LocalDate today) {
        return switch (answer) {
            case Answer.TextAnswer t -> value instanceof String s ? text(t, s) : say("text");
            case Answer.Parts p -> value instanceof Map<?, ?> parts ? parts(p, parts) : say("text");
            case Answer.Numeric n -> value instanceof BigDecimal d ? number(n, d) : say("number");
            case Answer.Scale s -> value instanceof BigDecimal d
                    ? number(new Answer.Numeric(BigDecimal.valueOf(s.first()), BigDecimal.valueOf(s.last()), 0, ""), d)
                    : say("choose_number");
            case Answer.DateAnswer d -> value instanceof LocalDate day ? date(d, day, today) : say("date");
            case Answer.TimeAnswer t -> value instanceof LocalTime time ? time(t, time) : say("time");
            case Answer.ManyChoices c -> value instanceof List<?> l ? many(c, l) : say("choose");
            case Answer.Grid g -> value instanceof Map<?, ?> rows
                    ? rows.values().stream().map(v -> refusal(g.row(), v, today)).flatMap(Optional::stream).findFirst()
                    : say("choose");
            case Answer.Ranking r -> value instanceof List<?> l && l.size() == r.ranked() && new HashSet<>(l).size() == l.size()
                    ? Optional.empty()
                    : say("ranking", r.ranked());
            case Answer.FileAnswer f -> value instanceof List<?> l ? files(f, l) : say("file");
            case Answer.YesNo y -> value instanceof Boolean ? Optional.empty() : say("yes_no");
            case Answer.Agreement a -> Boolean.TRUE.equals(value) ? Optional.empty() : say("tick");
            case Answer.OneChoice c -> value instanceof String s && c.option(s).isPresent() ? Optional.empty() : say("choose");
            case Answer.IsoCode c -> value instanceof String s && c.option(s).isPresent() ? Optional.empty() : say("choose");
            case Answer.Contact c -> Optional.empty();
            case Answer.Lookup l -> Optional.empty();
            case Answer.Signature s -> Optional.empty();
            case Answer.Hidden h -> Optional.empty();
        };
    }

    private Optional<String> parts(Answer.Parts p, Map<?, ?> parts) {
        List<String> missing = p.required().stream().filter(r -> p.parts().contains(r) && !parts.containsKey(r)).toList();
        return missing.isEmpty()
                ? Optional.empty()
                : Optional
                        .of(words.say("message.incomplete", String.join(", ", missing.stream().map(m -> words.say("part." + m)).toList())));
    }

    private Optional<String> time(Answer.TimeAnswer t, LocalTime time) {
        if (t.earliest() != null && time.isBefore(t.earliest())) {
            return say("not_before", t.earliest());
        }
        if (t.latest() != null && time.isAfter(t.latest())) {
            return say("not_after", t.latest());
        }
        return Optional.empty();
    }

    private static BigDecimal megabytes(long bytes) {
        return new BigDecimal(bytes).divide(new BigDecimal(1_000_000)).stripTrailingZeros();
    }

    private Optional<String> files(Answer.FileAnswer f, List<?> files) {
        if (files.size() > f.most()) {
            return say("files", f.most());
        }
        for (Object each : files) {
            Attachment file = (Attachment) each;
            if (file.bytes() > f.largest()) {
                return say("large", file.name(), words.number(megabytes(f.largest())));
            }
            if (!file.isOfAKindFor(f)) {
                return say("kind", file.name());
            }
        }
        return Optional.empty();
    }

    private Optional<String> text(Answer.TextAnswer t, String s) {
        int length = s.codePointCount(0, s.length());
        if (t.least() != null && length < t.least()) {
            return say("short", t.least(), length);
        }
        if (t.most() != null && length > t.most()) {
            return say("long", t.most(), length);
        }
        if (t.content() == Answer.Content.DIGITS && !s.chars().allMatch(c -> c >= '0' && c <= '9')) {
            return say("digits");
        }
        if (t.content() == Answer.Content.LETTERS && !s.codePoints().allMatch(TextPattern::isLetterLike)) {
            return say("letters");
        }
        if (!t.pattern().isEmpty() && !TextPattern.whole(t.pattern()).isFoundIn(s)) {
            return say("like", t.example().isEmpty() ? TextPattern.whole(t.pattern()).example() : t.example());
        }
        return Optional.empty();
    }

    private Optional<String> number(Answer.Numeric n, BigDecimal d) {
        String unit = n.unit().isEmpty() ? "" : " " + n.unit();
        if (n.decimals() != null && d.stripTrailingZeros().scale() > n.decimals()) {
            return n.decimals() == 0 ? say("whole") : say("decimals", n.decimals());
        }
        if (n.least() != null && d.compareTo(n.least()) < 0) {
            return say("least", words.number(n.least()) + unit);
        }
        if (n.most() != null && d.compareTo(n.most()) > 0) {
            return say("most", words.number(n.most()) + unit);
        }
        return Optional.empty();
    }

    private Optional<String> date(Answer.DateAnswer d, LocalDate day, LocalDate today) {
        if (d.earliest() != null && day.isBefore(d.earliest().on(today))) {
            return say("from", words.day(d.earliest().on(today)));
        }
        if (d.latest() != null && day.isAfter(d.latest().on(today))) {
            return say("until", words.day(d.latest().on(today)));
        }
        return Optional.empty();
    }

    private Optional<String> many(Answer.ManyChoices c, List<?> chosen) {
        Set<Object> different = new HashSet<>(chosen);
        if (different.size() != chosen.size() || chosen.stream().anyMatch(o -> !(o instanceof String s) || c.option(s).isEmpty())) {
            return say("choose");
        }
        List<Answer.Option> options = chosen.stream().map(o -> c.option((String) o).orElseThrow()).toList();
        Optional<Answer.Option> alone = options.stream().filter(Answer.Option::exclusive).findFirst();
        if (alone.isPresent()) {
            return options.size() == 1
                    ? Optional.empty()
                    : say("alone", alone.get().label());
        }
        if (c.least() != null && chosen.size() < c.least()) {
            return say("choose_least", c.least());
        }
        if (c.most() != null && chosen.size() > c.most()) {
            return say("choose_most", c.most());
        }
        return Optional.empty();
    }
}
