package orthogon.core.interview;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.Map;
import orthogon.core.expression.Situation;

/**
 * An interview as it stands, in which more names mean something.
 *
 * @param more name to value; of a follow-up null where it is not opened
 */
record WithMoreNames(Situation interview, Map<String, Object> more) implements Situation {

    @Override
    public Object value(String name) {
        return more.containsKey(name) ? more.get(name) : interview.value(name);
    }

    @Override
    public BigDecimal score(String question) {
        return interview.score(question);
    }

    @Override
    public LocalDate today() {
        return interview.today();
    }

    @Override
    public boolean asked(String item) {
        return interview.asked(item);
    }

    @Override
    public boolean sends(String message) {
        return interview.sends(message);
    }

    @Override
    public boolean opens(String followUp) {
        return more.get(followUp) != null;
    }
}
