package orthogon.core.proof.space;

import java.math.BigDecimal;
import java.time.LocalDate;
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
        return name.equals(code) ? question.answer().score(value) : BigDecimal.ZERO;
    }
}
