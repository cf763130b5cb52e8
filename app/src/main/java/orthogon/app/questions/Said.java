package orthogon.app.questions;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import orthogon.core.interview.Unreadable;
import orthogon.core.questionnaire.Answer;
import orthogon.core.questionnaire.Attachment;
import orthogon.core.questionnaire.Question;

/** Answers and limits in words. */
public final class Said {

    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMMM yyyy", Locale.ENGLISH);

    private Said() {}

    /** An answer in words; empty where it is blank. */
    public static Optional<String> of(Question q, Object value) {
        return value == null ? Optional.empty() : Optional.of(value(q.answer(), value)).filter(s -> !s.isEmpty());
    }

    private static String value(Answer answer, Object value) {
        return switch (value) {
            case Unreadable u -> u.typed();
            case Boolean b when answer instanceof Answer.YesNo y -> b
                    ? (y.yes().isEmpty() ? "Yes" : y.yes())
                    : (y.no().isEmpty() ? "No" : y.no());
            case Boolean b -> b ? "Agreed" : "Not agreed";
            case List<?> l when answer instanceof Answer.Ranking -> java.util.stream.IntStream.range(0, l.size())
                    .mapToObj(i -> (i + 1) + ". " + value(answer, l.get(i))).collect(Collectors.joining(", "));
            case List<?> l -> l.stream().map(o -> value(answer, o)).collect(Collectors.joining(", "));
            case Map<?, ?> m when answer instanceof Answer.Grid g -> g.rows().stream().filter(r -> m.containsKey(r.code()))
                    .map(r -> r.label() + ": " + value(g.row(), m.get(r.code()))).collect(Collectors.joining("; "));
            case Map<?, ?> m when answer instanceof Answer.Signature -> String.valueOf(m.containsKey("name") ? m.get("name") : "drawn");
            case Map<?, ?> m when answer instanceof Answer.Parts p -> p.parts().stream().filter(m::containsKey).map(m::get)
                    .map(String::valueOf).collect(Collectors.joining(p.isAddress() ? ", " : " "));
            case Attachment f -> f.name();
            case LocalDate d -> DAY.format(d);
            case BigDecimal d -> d.toPlainString() + (answer instanceof Answer.Numeric n && !n.unit().isEmpty() ? " " + n.unit() : "");
            default -> answer.option(value.toString()).map(Answer.Option::label).orElse(value.toString());
        };
    }

    /** What stands in a box for a value. */
    static String typed(Object value) {
        return switch (value) {
            case null -> "";
            case Unreadable u -> u.typed();
            case BigDecimal d -> d.stripTrailingZeros().scale() < 0 ? d.setScale(0).toPlainString() : d.toPlainString();
            default -> value.toString();
        };
    }

    /** The name of a part for a respondent. */
    static String part(String part) {
        return switch (part) {
            case "title" -> "Title";
            case "given" -> "Given name";
            case "middle" -> "Middle name";
            case "family" -> "Family name";
            case "line_1" -> "Street and house";
            case "line_2" -> "Second line";
            case "town" -> "Town";
            case "region" -> "Region";
            case "postcode" -> "Postcode";
            default -> "Country";
        };
    }

    /** Limits in a sentence; empty where there is nothing to say. */
    static String hint(Answer answer, LocalDate today) {
        return switch (answer) {
            case Answer.Numeric n when n.least() != null && n.most() != null -> "From " + n.least().toPlainString() + " to "
                    + n.most().toPlainString() + ".";
            case Answer.Numeric n when n.least() != null -> "At least " + n.least().toPlainString() + ".";
            case Answer.Numeric n when n.most() != null -> "At most " + n.most().toPlainString() + ".";
            case Answer.ManyChoices c when c.most() != null && c.most() < c.options().size() -> "Choose at most " + c.most() + ".";
            case Answer.ManyChoices c -> "Choose all that apply.";
            case Answer.Text t when !t.example().isEmpty() -> "For example " + t.example() + ".";
            case Answer.Text t when t.most() != null -> "At most " + t.most() + " characters.";
            case Answer.DateAnswer d when d.earliest() != null && d.latest() != null ->
                "From " + DAY.format(d.earliest().on(today)) + " to " + DAY.format(d.latest().on(today)) + ".";
            case Answer.TimeAnswer t when t.earliest() != null && t.latest() != null -> "From " + t.earliest() + " to " + t.latest() + ".";
            case Answer.FileAnswer f -> (f.most() == 1 ? "One file" : "At most " + f.most() + " files") + ", each of at most "
                    + new BigDecimal(f.largest()).divide(new BigDecimal(1_000_000)).stripTrailingZeros().toPlainString() + " MB.";
            case Answer.Ranking r -> "Put " + r.ranked() + " in order, the first one first.";
            case Answer.Contact c when c.kind() == Answer.Contact.Kind.PHONE && c.region().isEmpty() ->
                "With the country's code, as in +44 1632 960961.";
            case Answer.Contact c when c.kind() == Answer.Contact.Kind.EMAIL -> "Like name@example.org.";
            default -> "";
        };
    }
}
