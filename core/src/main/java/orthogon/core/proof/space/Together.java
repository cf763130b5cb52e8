package orthogon.core.proof.space;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.Map;
import orthogon.core.expression.Situation;
import orthogon.core.questionnaire.Question;

/** The situation in which some questions have values and everything else is blank. */
record Together(Map<String, Object> values, Map<String, Question> questions, LocalDate today) implements Situation {

    @Override
    public Object value(String name) {
        return values.get(name);
    }

    @Override
    public BigDecimal score(String name) {
        return questions.get(name).answer().score(values.get(name));
    }
}
