package orthogon.app.questions;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import orthogon.core.interview.Unreadable;
import orthogon.core.language.OwnWords;
import orthogon.core.questionnaire.Answer;
import orthogon.core.questionnaire.Attachment;
import orthogon.core.questionnaire.IsoNames;
import orthogon.core.questionnaire.Question;

/** Answers and limits in words. */
public final class AnswersInWords {

    private AnswersInWords() {}

    /** An answer in words for an analyst; empty where it is blank. */
    public static Optional<String> of(Question q, Object value) {
        return of(q, value, OwnWords.ENGLISH);
    }

    /** An answer in the words of a language; empty where it is blank. */
    public static Optional<String> of(Question q, Object value, OwnWords words) {
        return value == null ? Optional.empty() : Optional.of(value(q.answer(), value, words)).filter(s -> !s.isEmpty());
    }

    private static String value(Answer answer, Object value, OwnWords words) {
        return switch (value) {
            case Unreadable u -> u.typed();
            case Boolean b when answer instanceof Answer.YesNo y -> b
                    ? words.or(y.yes(), "yes")
                    : words.or(y.no(), "no");
            case Boolean b -> words.say(b ? "agreed" : "not_agreed");
            case List<?> l when answer instanceof Answer.Ranking -> java.util.stream.IntStream.range(0, l.size())
                    .mapToObj(i -> (i + 1) + ". " + value(answer, l.get(i), words)).collect(Collectors.joining(", "));
            case List<?> l -> l.stream().map(o -> value(answer, o, words)).collect(Collectors.joining(", "));
            case Map<?, ?> m when answer instanceof Answer.Grid g -> g.rows().stream().filter(r -> m.containsKey(r.code()))
                    .map(r -> r.label() + ": " + value(g.row(), m.get(r.code()), words)).collect(Collectors.joining("; "));
            case Map<?, ?> m when answer instanceof Answer.Signature ->
                String.valueOf(m.containsKey("name") ? m.get("name") : words.say("drawn"));
            case Map<?, ?> m when answer instanceof Answer.Parts p -> p.parts().stream().filter(m::containsKey).map(m::get)
                    .map(String::valueOf).collect(Collectors.joining(p.isAddress() ? ", " : " "));
            case Attachment f -> f.name();
            case LocalDate d -> words.day(d);
            case BigDecimal d -> words.number(d) + (answer instanceof Answer.Numeric n && !n.unit().isEmpty() ? " " + n.unit() : "");
            case String code when answer instanceof Answer.IsoCode c && c.option(code).isPresent() ->
                IsoNames.name(c.isLanguage(), code, words.locale().toLocale());
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

    /** Limits in a sentence; empty where there is nothing to say. */
    static String hint(Answer answer, LocalDate today, OwnWords words) {
        return switch (answer) {
            case Answer.Numeric n when n.least() != null && n.most() != null ->
                words.say("hint.from_to", words.number(n.least()), words.number(n.most()));
            case Answer.Numeric n when n.least() != null -> words.say("hint.at_least", words.number(n.least()));
            case Answer.Numeric n when n.most() != null -> words.say("hint.at_most", words.number(n.most()));
            case Answer.ManyChoices c when c.most() != null && c.most() < c.options().size() -> words.say("hint.choose_most", c.most());
            case Answer.ManyChoices c -> words.say("hint.choose_all");
            case Answer.TextAnswer t when !t.example().isEmpty() -> words.say("hint.example", t.example());
            case Answer.TextAnswer t when t.most() != null -> words.say("hint.characters", t.most());
            case Answer.DateAnswer d when d.earliest() != null && d.latest() != null ->
                words.say("hint.from_to", words.day(d.earliest().on(today)), words.day(d.latest().on(today)));
            case Answer.TimeAnswer t when t.earliest() != null && t.latest() != null ->
                words.say("hint.from_to", t.earliest(), t.latest());
            case Answer.FileAnswer f -> words.say("hint.files", f.most(),
                    words.number(new BigDecimal(f.largest()).divide(new BigDecimal(1_000_000)).stripTrailingZeros()));
            case Answer.Ranking r -> words.say("hint.ranking", r.ranked());
            case Answer.Contact c when c.kind() == Answer.Contact.Kind.PHONE && c.region().isEmpty() -> words.say("hint.phone");
            case Answer.Contact c when c.kind() == Answer.Contact.Kind.EMAIL -> words.say("hint.email");
            default -> "";
        };
    }
}
