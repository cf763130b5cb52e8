package orthogon.core.proof.space;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import orthogon.core.proof.diagram.Diagrams;

/** A value that depends on the state: each value with the set of states that have it. The sets are disjoint and cover all states. */
record Guarded(Map<Object, Integer> parts) {

    private static final Object BLANK = Optional.empty();

    static Guarded constant(Object value) {
        Map<Object, Integer> parts = new LinkedHashMap<>();
        parts.put(key(value), Diagrams.ALL);
        return new Guarded(parts);
    }

    /** Equal values get equal keys: blank is a key of its own, decimals lose trailing zeros. */
    static Object key(Object value) {
        return switch (value) {
            case null -> BLANK;
            case BigDecimal d -> d.signum() == 0 ? BigDecimal.ZERO : d.stripTrailingZeros();
            case List<?> l -> l.stream().map(Guarded::key).toList();
            default -> value;
        };
    }

    static Object value(Object key) {
        if (key.equals(BLANK)) {
            return null;
        }
        if (key instanceof List<?> l) {
            List<Object> values = new ArrayList<>();
            l.forEach(e -> values.add(value(e)));
            return values;
        }
        return key;
    }

    void put(Diagrams diagrams, Object value, int set) {
        if (set != Diagrams.NONE) {
            parts.merge(key(value), set, diagrams::or);
        }
    }

    /** This number, plus the amount wherever the set holds. */
    Guarded plus(Diagrams diagrams, int set, BigDecimal amount) {
        Guarded sum = new Guarded(new LinkedHashMap<>());
        parts.forEach((number, states) -> {
            sum.put(diagrams, ((BigDecimal) number).add(amount), diagrams.and(states, set));
            sum.put(diagrams, number, diagrams.minus(states, set));
        });
        return sum;
    }
}
