package orthogon.core.proof.drill;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import orthogon.core.questionnaire.Answer;

/** The outermost answers that a question's limits allow, and the next ones beyond them. */
final class Bounds {

    private Bounds() {}

    /** The least or the most; empty where there is no such limit, or where many answers lie on it. */
    static Optional<Object> inside(Answer answer, boolean most, LocalDate today) {
        return switch (answer) {
            case Answer.Numeric n -> Optional.ofNullable(most ? n.most() : n.least());
            case Answer.Scale s -> Optional.of(BigDecimal.valueOf(most ? s.last() : s.first()));
            case Answer.DateAnswer d -> Optional.ofNullable(most ? d.latest() : d.earliest()).map(l -> l.on(today));
            case Answer.TimeAnswer t -> Optional.ofNullable(most ? t.latest() : t.earliest());
            default -> Optional.empty();
        };
    }

    /** Just beyond the limit; empty where nothing lies there that could be given. */
    static Optional<Object> outside(Answer answer, boolean most, LocalDate today) {
        return switch (answer) {
            case Answer.Numeric n -> inside(answer, most, today).map(v -> {
                BigDecimal step = BigDecimal.ONE.movePointLeft(n.decimals() == null ? 0 : n.decimals());
                return most ? ((BigDecimal) v).add(step) : ((BigDecimal) v).subtract(step);
            });
            case Answer.Scale s -> Optional.empty();
            case Answer.DateAnswer d -> inside(answer, most, today).map(v -> ((LocalDate) v).plusDays(most ? 1 : -1));
            case Answer.TimeAnswer t -> inside(answer, most, today).map(v -> (LocalTime) v)
                    .filter(v -> !v.equals(most ? LocalTime.of(23, 59) : LocalTime.MIDNIGHT)).map(v -> v.plusMinutes(most ? 1 : -1));
            case Answer.TextAnswer t -> Optional.ofNullable(most ? t.most() : t.least()).filter(n -> most || n > 1)
                    .map(n -> (t.content() == Answer.TextAnswer.Content.DIGITS ? "7" : "a").repeat(most ? n + 1 : n - 1));
            case Answer.ManyChoices m -> Optional.ofNullable(most ? m.most() : m.least()).map(n -> most ? n + 1 : n - 1).filter(n -> n > 0)
                    .flatMap(n -> several(m, n));
            default -> Optional.empty();
        };
    }

    private static Optional<Object> several(Answer.ManyChoices answer, int count) {
        List<String> codes = new ArrayList<>(answer.options().stream().filter(o -> !o.exclusive()).map(Answer.Option::code).toList());
        return codes.size() < count ? Optional.empty() : Optional.of(List.copyOf(codes.subList(0, count)));
    }
}
