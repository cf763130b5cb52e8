package orthogon.core.proof.space;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.List;
import orthogon.core.expression.Expr;
import orthogon.core.questionnaire.Answer;

/** The values that an answer can have within its own limits, one for each part in which the given expressions are constant. */
final class Domains {

    private Domains() {}

    /** Of a value that comes with the link. */
    static List<Object> ofLink(String code, List<String> allowed, LocalDate today, List<Expr> about, Runnable goOn) throws Inexact {
        return allowed.isEmpty() ? TextPartition.representatives(code, today, null, null, about, goOn) : List.copyOf(allowed);
    }

    /** @param goOn called where it may take long; throws where nobody waits any more */
    static List<Object> of(String code, Answer answer, LocalDate today, List<Expr> about, Runnable goOn) throws Inexact {
        return switch (answer) {
            case Answer.YesNo y -> List.of(true, false);
            case Answer.Agreement a -> List.of(true);
            case Answer.OneChoice c -> List.copyOf(c.options().stream().map(Answer.Option::code).toList());
            case Answer.IsoCode c -> List.copyOf(c.options().stream().map(Answer.Option::code).toList());
            case Answer.ManyChoices m -> List.of();
            case Answer.TextAnswer t -> TextPartition.representatives(code, today, t, about, goOn);
            case Answer.Numeric n -> numbers(code, n, today, about);
            case Answer.Scale s -> LinePartition.grid(code, today, BigDecimal.valueOf(s.first()), BigDecimal.valueOf(s.last()), 0, about);
            case Answer.TimeAnswer t -> LinePartition.times(code, today, t.earliest(), t.latest(), about);
            case Answer.Parts p -> PartsPartition.representatives(code, today, p.parts(), p.required(), about, goOn);
            case Answer.Signature s -> PartsPartition.representatives(code, today, List.of("name"), List.of(), about, goOn);
            case Answer.Ranking r -> Orderings.representatives(r, about);
            case Answer.FileAnswer f -> Plain.files(f, about);
            case Answer.Contact c -> Plain.contact(c, about);
            case Answer.Lookup l -> Plain.only("1", "which records there are", about);
            case Answer.Grid g -> throw new IllegalStateException("a grid is spelled out before it comes here");
            case Answer.Hidden h -> throw new IllegalStateException("a hidden question is a value of the link");
            case Answer.DateAnswer d -> {
                LocalDate from = d.earliest() == null ? LocalDate.of(1, 1, 1) : d.earliest().on(today);
                LocalDate to = d.latest() == null ? LocalDate.of(9999, 12, 31) : d.latest().on(today);
                yield LinePartition.dates(code, today, from, to, about);
            }
        };
    }

    /** Whether each value is a class of its own, whatever the comparisons. */
    static boolean isEachAClass(Answer answer) {
        return answer instanceof Answer.YesNo || answer instanceof Answer.Agreement || answer instanceof Answer.OneChoice
                || answer instanceof Answer.ManyChoices || answer instanceof Answer.IsoCode;
    }

    private static List<Object> numbers(String code, Answer.Numeric n, LocalDate today, List<Expr> about) throws Inexact {
        if (n.decimals() == null) {
            return LinePartition.dense(code, today, n.least(), n.most(), about);
        }
        return LinePartition.grid(code, today, n.least(), n.most(), n.decimals(), about);
    }

    static boolean isWithinLimits(Answer answer, Object value, LocalDate today) {
        return switch (answer) {
            case Answer.TextAnswer t -> value instanceof String s && TextPartition.isAllowed(t, s);
            case Answer.Numeric n -> value instanceof BigDecimal b && (n.least() == null || b.compareTo(n.least()) >= 0)
                    && (n.most() == null || b.compareTo(n.most()) <= 0)
                    && (n.decimals() == null || b.stripTrailingZeros().scale() <= n.decimals());
            case Answer.Scale s -> value instanceof BigDecimal b && b.stripTrailingZeros().scale() <= 0
                    && b.compareTo(BigDecimal.valueOf(s.first())) >= 0 && b.compareTo(BigDecimal.valueOf(s.last())) <= 0;
            case Answer.TimeAnswer t -> value instanceof LocalTime time && (t.earliest() == null || !time.isBefore(t.earliest()))
                    && (t.latest() == null || !time.isAfter(t.latest()));
            case Answer.DateAnswer a -> value instanceof LocalDate day && (a.earliest() == null || !day.isBefore(a.earliest().on(today)))
                    && (a.latest() == null || !day.isAfter(a.latest().on(today)));
            default -> true;
        };
    }
}
