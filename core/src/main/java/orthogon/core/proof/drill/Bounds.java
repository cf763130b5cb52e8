package orthogon.core.proof.drill;

import orthogon.core.answer.AllowedCharacters;
import orthogon.core.answer.Domain;
import orthogon.core.answer.Option;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** The outermost answers that a question's limits allow, and the next ones beyond them. */
final class Bounds {

    private Bounds() {}

    /** The least or the most; empty where there is no such limit, or where many answers lie on it. */
    static Optional<Object> inside(Domain domain, boolean most, LocalDate today) {
        return switch (domain) {
            case Domain.Numbers n -> Optional.ofNullable(most ? n.most() : n.least());
            case Domain.Steps s -> Optional.of(BigDecimal.valueOf(most ? s.last() : s.first()));
            case Domain.Dates d -> Optional.ofNullable(most ? d.latest() : d.earliest()).map(l -> l.on(today));
            case Domain.TimesOfDay t -> Optional.ofNullable(most ? t.latest() : t.earliest());
            case Domain.Truths t -> Optional.empty();
            case Domain.OneOf o -> Optional.empty();
            case Domain.Subset m -> Optional.empty();
            case Domain.Orders o -> Optional.empty();
            case Domain.FreeTexts t -> Optional.empty();
            case Domain.TextParts t -> Optional.empty();
            case Domain.Files f -> Optional.empty();
            case Domain.Opaque o -> Optional.empty();
            case Domain.EachRow r -> Optional.empty();
            case Domain.OneRecord r -> Optional.empty();
            case Domain.Arriving a -> Optional.empty();
        };
    }

    /** Just beyond the limit; empty where nothing lies there that could be given. */
    static Optional<Object> outside(Domain domain, boolean most, LocalDate today) {
        return switch (domain) {
            case Domain.Numbers n -> inside(domain, most, today).map(v -> {
                BigDecimal step = BigDecimal.ONE.movePointLeft(n.decimals() == null ? 0 : n.decimals());
                return most ? ((BigDecimal) v).add(step) : ((BigDecimal) v).subtract(step);
            });
            case Domain.Steps s -> Optional.empty();
            case Domain.Dates d -> inside(domain, most, today).map(v -> ((LocalDate) v).plusDays(most ? 1 : -1));
            case Domain.TimesOfDay t -> inside(domain, most, today).map(v -> (LocalTime) v)
                    .filter(v -> !v.equals(most ? LocalTime.of(23, 59) : LocalTime.MIDNIGHT)).map(v -> v.plusMinutes(most ? 1 : -1));
            case Domain.FreeTexts t -> Optional.ofNullable(most ? t.most() : t.least()).filter(n -> most || n > 1)
                    .map(n -> (t.content() == AllowedCharacters.DIGITS ? "7" : "a").repeat(most ? n + 1 : n - 1));
            case Domain.Subset m -> Optional.ofNullable(most ? m.most() : m.least()).map(n -> most ? n + 1 : n - 1).filter(n -> n > 0)
                    .flatMap(n -> several(m, n));
            case Domain.Truths t -> Optional.empty();
            case Domain.OneOf o -> Optional.empty();
            case Domain.Orders o -> Optional.empty();
            case Domain.TextParts t -> Optional.empty();
            case Domain.Files f -> Optional.empty();
            case Domain.Opaque o -> Optional.empty();
            case Domain.EachRow r -> Optional.empty();
            case Domain.OneRecord r -> Optional.empty();
            case Domain.Arriving a -> Optional.empty();
        };
    }

    private static Optional<Object> several(Domain.Subset answer, int count) {
        List<String> codes = new ArrayList<>(answer.options().stream().filter(o -> !o.exclusive()).map(Option::code).toList());
        return codes.size() < count ? Optional.empty() : Optional.of(List.copyOf(codes.subList(0, count)));
    }
}
