package orthogon.core.proof.space;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import orthogon.core.expression.Situation;
import orthogon.core.questionnaire.Question;

/** The situation in which one question has a value and everything else is blank. */
record Alone(String code, Object value, Question question, LocalDate today) implements Situation {

    @Override
    public Object value(String name) {
        return name.equals(code) ? value : null;
    }

    @Override
    public BigDecimal score(String name) {
        if (!name.equals(code) || value == null) {
            return BigDecimal.ZERO;
        }
        List<?> chosen = value instanceof List<?> l ? l : List.of(value);
        return chosen.stream().map(c -> question.answer().option((String) c).orElseThrow().scoreOrZero()).reduce(BigDecimal.ZERO,
                BigDecimal::add);
    }
}
