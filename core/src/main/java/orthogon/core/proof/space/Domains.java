package orthogon.core.proof.space;

import orthogon.core.answer.Domain;
import orthogon.core.expression.Expr;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.List;

/** The values that an answer can have within its own limits, one for each part in which the given expressions are constant. */
final class Domains {

    private static final LocalDate FIRST_DAY = LocalDate.of(1, 1, 1);
    private static final LocalDate LAST_DAY = LocalDate.of(9999, 12, 31);

    private Domains() {}

    /** Of a value that comes with the link. */
    static List<Object> ofLink(String code, List<String> allowed, LocalDate today, List<Expr> about, Runnable goOn) throws Inexact {
        return allowed.isEmpty() ? TextPartition.representatives(code, today, null, null, about, goOn) : List.copyOf(allowed);
    }

    /** @param goOn called where it may take long; throws where nobody waits any more */
    static List<Object> of(String code, Domain domain, LocalDate today, List<Expr> about, Runnable goOn) throws Inexact {
        return switch (domain) {
            case Domain.Truths(boolean onlyTrue) -> onlyTrue ? List.of(true) : List.of(true, false);
            case Domain.OneOf c -> List.copyOf(c.codes());
            case Domain.Subset m -> List.of();
            case Domain.Orders r -> Orderings.representatives(r, about);
            case Domain.Numbers n when n.decimals() == null -> LinePartition.dense(code, today, n.least(), n.most(), about);
            case Domain.Numbers n -> LinePartition.grid(code, today, n.least(), n.most(), n.decimals(), about);
            case Domain.Steps s -> LinePartition.grid(code, today, BigDecimal.valueOf(s.first()), BigDecimal.valueOf(s.last()), 0, about);
            case Domain.Dates d -> LinePartition.dates(code, today, d.earliest() == null ? FIRST_DAY : d.earliest().on(today),
                    d.latest() == null ? LAST_DAY : d.latest().on(today), about);
            case Domain.TimesOfDay t -> LinePartition.times(code, today, t.earliest(), t.latest(), about);
            case Domain.FreeTexts t -> TextPartition.representatives(code, today, t, about, goOn);
            case Domain.TextParts p -> PartsPartition.representatives(code, today, p.parts(), p.required(), about, goOn);
            case Domain.Files f -> OpaqueDomains.files(f, about);
            case Domain.Opaque o -> OpaqueDomains.only(o.example(), o.what(), about);
            case Domain.Arriving a -> ofLink(code, a.allowed(), today, about, goOn);
            case Domain.EachRow r -> throw new IllegalStateException("a grid is spelled out before it comes here");
            case Domain.OneRecord r -> throw new IllegalStateException("a lookup is spelled out before it comes here");
        };
    }

    /** Whether each value is a class of its own, whatever the comparisons. */
    static boolean isEachAClass(Domain domain) {
        return domain instanceof Domain.Truths || domain instanceof Domain.OneOf || domain instanceof Domain.Subset;
    }

    /** Whether a value of the type of the domain is one of its values; options, orders, parts and files are not looked at. */
    static boolean isWithinLimits(Domain domain, Object value, LocalDate today) {
        return switch (domain) {
            case Domain.FreeTexts t -> value instanceof String s && TextPartition.isAllowed(t, s);
            case Domain.Numbers n -> value instanceof BigDecimal b && (n.least() == null || b.compareTo(n.least()) >= 0)
                    && (n.most() == null || b.compareTo(n.most()) <= 0)
                    && (n.decimals() == null || b.stripTrailingZeros().scale() <= n.decimals());
            case Domain.Steps s -> value instanceof BigDecimal b && b.stripTrailingZeros().scale() <= 0
                    && b.compareTo(BigDecimal.valueOf(s.first())) >= 0 && b.compareTo(BigDecimal.valueOf(s.last())) <= 0;
            case Domain.TimesOfDay t -> value instanceof LocalTime time && (t.earliest() == null || !time.isBefore(t.earliest()))
                    && (t.latest() == null || !time.isAfter(t.latest()));
            case Domain.Dates a -> value instanceof LocalDate day && (a.earliest() == null || !day.isBefore(a.earliest().on(today)))
                    && (a.latest() == null || !day.isAfter(a.latest().on(today)));
            case Domain.Truths t -> true;
            case Domain.OneOf o -> true;
            case Domain.Subset s -> true;
            case Domain.Orders o -> true;
            case Domain.TextParts p -> true;
            case Domain.Files f -> true;
            case Domain.Opaque o -> true;
            case Domain.Arriving a -> true;
            case Domain.EachRow r -> true;
            case Domain.OneRecord r -> true;
        };
    }
}
