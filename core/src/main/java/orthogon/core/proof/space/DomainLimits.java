package orthogon.core.proof.space;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import orthogon.core.answer.Domain;
import orthogon.core.expression.Expr;
import orthogon.core.expression.Expr.*;

/** The limits of a domain as statements about an expression. */
public final class DomainLimits {

    private DomainLimits() {}

    /** What an expression must fulfil to lie between the least and the most; patterns, characters and decimal places are not told. */
    public static List<Expr> of(Domain domain, Expr value, LocalDate today) {
        return switch (domain) {
            case Domain.Numbers n -> between(value, n.least(), n.most());
            case Domain.Steps s -> between(value, BigDecimal.valueOf(s.first()), BigDecimal.valueOf(s.last()));
            case Domain.TimesOfDay t -> between(value, t.earliest(), t.latest());
            case Domain.Dates d -> between(value, d.earliest() == null ? null : d.earliest().on(today),
                    d.latest() == null ? null : d.latest().on(today));
            case Domain.FreeTexts t -> between(length(value), t.least() == null ? null : BigDecimal.valueOf(t.least()),
                    t.most() == null ? null : BigDecimal.valueOf(t.most()));
            case Domain.Truths t -> List.of();
            case Domain.OneOf o -> List.of();
            case Domain.Subset m -> List.of();
            case Domain.Orders o -> List.of();
            case Domain.TextParts p -> List.of();
            case Domain.Files f -> List.of();
            case Domain.Opaque o -> List.of();
            case Domain.EachRow r -> List.of();
            case Domain.OneRecord r -> List.of();
            case Domain.Arriving a -> List.of();
        };
    }

    static Expr length(Expr text) {
        return new Call("string length", List.of(text), Span.NONE);
    }

    private static List<Expr> between(Expr value, Object least, Object most) {
        List<Expr> limits = new ArrayList<>();
        if (least != null) {
            limits.add(new Compare(">=", value, new Literal(least, Span.NONE), Span.NONE));
        }
        if (most != null) {
            limits.add(new Compare("<=", value, new Literal(most, Span.NONE), Span.NONE));
        }
        return limits;
    }
}
