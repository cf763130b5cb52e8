package orthogon.formats.paper;

import com.ibm.icu.text.MeasureFormat;
import com.ibm.icu.util.Measure;
import com.ibm.icu.util.MeasureUnit;
import java.time.DateTimeException;
import java.time.Duration;
import java.time.LocalDate;
import java.time.Period;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Predicate;
import orthogon.core.expression.Expr;
import orthogon.core.expression.Expr.Arithmetic;
import orthogon.core.expression.Expr.Call;
import orthogon.core.expression.Expr.Literal;
import orthogon.core.expression.Expr.Name;
import orthogon.core.language.OwnWords;

/** What functions and reckoning with days mean, in the words of a language. */
final class FunctionWords {

    private static final Set<String> LITERAL = Set.of("date", "time", "duration");

    private final OwnWords words;
    private final Function<Expr, String> subject;
    private final Predicate<String> days;

    /**
     * @param subject what anything else is called on paper
     * @param days whether a question asks for a day or a time of day
     */
    FunctionWords(OwnWords words, Function<Expr, String> subject, Predicate<String> days) {
        this.words = words;
        this.subject = subject;
        this.days = days;
    }

    /** A condition that a function is by itself; empty for any other expression. */
    Optional<String> condition(Expr expr) {
        if (!(expr instanceof Call c)) {
            return Optional.empty();
        }
        return switch (c.function()) {
            case "contains" -> Optional.of(said("rule.contains", c));
            case "starts with" -> Optional.of(said("rule.begins", c));
            case "ends with" -> Optional.of(said("rule.ends", c));
            case "matches" -> Optional.of(said("rule.pattern", c));
            default -> Optional.empty();
        };
    }

    /** A number, text, day or time that a function gives; empty for any other expression. */
    Optional<String> term(Expr expr) {
        return switch (expr) {
            case Call c -> Optional.ofNullable(term(c));
            case Arithmetic a when isDay(a.left()) && !isDay(a.right()) ->
                Optional.of(words.say(a.op().equals("-") ? "rule.before_by" : "rule.after_by", subject.apply(a.left()), time(a.right())));
            default -> Optional.empty();
        };
    }

    private String term(Call c) {
        return switch (c.function()) {
            case "today" -> words.say("rule.today");
            case "date" -> c.args().getFirst() instanceof Literal l ? day(String.valueOf(l.value())) : null;
            case "time" ->
                c.args().getFirst() instanceof Literal l ? String.valueOf(l.value()).replaceFirst("^(\\d+:\\d+):00$", "$1") : null;
            case "duration" -> time(c);
            case "years and months duration" -> said("rule.time_between", c);
            case "string length" -> said("rule.length", c);
            case "upper case" -> said("rule.upper", c);
            case "lower case" -> said("rule.lower", c);
            case "string join" -> said("rule.joined", c);
            case "round half up" -> c.args().get(1) instanceof Literal l
                    ? words.say("rule.rounded", subject.apply(c.args().getFirst()), l.value())
                    : null;
            case "floor" -> said("rule.down", c);
            case "ceiling" -> said("rule.up", c);
            case "abs" -> said("rule.abs", c);
            default -> null;
        };
    }

    private String said(String key, Call c) {
        return words.say(key, c.args().stream().map(subject).toArray());
    }

    /** How two things are compared; days are earlier or later, not more or less. */
    String comparison(String operator, Expr left, Expr right) {
        boolean ofDays = isDay(left) || isDay(right);
        return switch (operator) {
            case "=" -> isWritten(right) ? "rule.is" : "rule.same";
            case "!=" -> isWritten(right) ? "rule.is_not" : "rule.differs";
            case "<" -> ofDays ? "rule.before" : "rule.under";
            case "<=" -> ofDays ? "rule.until" : "rule.most";
            case ">" -> ofDays ? "rule.after" : "rule.over";
            default -> ofDays ? "rule.from" : "rule.least";
        };
    }

    private static boolean isWritten(Expr expr) {
        return expr instanceof Literal || expr instanceof Call c && LITERAL.contains(c.function());
    }

    private boolean isDay(Expr expr) {
        return switch (expr) {
            case Call c -> c.function().equals("today") || c.function().equals("date") || c.function().equals("time");
            case Name n -> days.test(n.name());
            case Arithmetic a -> isDay(a.left()) && !isDay(a.right());
            default -> false;
        };
    }

    private String day(String iso) {
        try {
            return words.day(LocalDate.parse(iso));
        } catch (DateTimeException e) {
            return iso;
        }
    }

    /** A length of time. */
    private String time(Expr expr) {
        if (!(expr instanceof Call c && c.function().equals("duration") && c.args().getFirst() instanceof Literal iso)) {
            return subject.apply(expr);
        }
        String text = String.valueOf(iso.value());
        List<Measure> parts = new ArrayList<>();
        try {
            if (text.matches("-?P(\\d+Y)?(\\d+M)?(\\d+D)?")) {
                Period period = Period.parse(text);
                add(parts, period.getYears(), MeasureUnit.YEAR);
                add(parts, period.getMonths(), MeasureUnit.MONTH);
                add(parts, period.getDays(), MeasureUnit.DAY);
            } else {
                Duration duration = Duration.parse(text);
                add(parts, duration.toDays(), MeasureUnit.DAY);
                add(parts, duration.toHoursPart(), MeasureUnit.HOUR);
                add(parts, duration.toMinutesPart(), MeasureUnit.MINUTE);
            }
        } catch (DateTimeException e) {
            return text;
        }
        return parts.isEmpty() ? text : measured(parts);
    }

    private static void add(List<Measure> parts, long number, MeasureUnit unit) {
        if (number != 0) {
            parts.add(new Measure(number, unit));
        }
    }

    private String measured(List<Measure> parts) {
        return MeasureFormat.getInstance(words.locale(), MeasureFormat.FormatWidth.WIDE).formatMeasures(parts.toArray(Measure[]::new));
    }
}
