package orthogon.core.responses;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.List;
import java.util.Map;
import orthogon.core.responses.Selection.AllOf;
import orthogon.core.responses.Selection.Answered;
import orthogon.core.responses.Selection.AnyOf;
import orthogon.core.responses.Selection.Compared;
import orthogon.core.responses.Selection.Containing;
import orthogon.core.responses.Selection.EveryResponse;
import orthogon.core.responses.Selection.Holding;
import orthogon.core.responses.Selection.NoResponse;
import orthogon.core.responses.Selection.Outside;

/** What a selection selects, by its definition. */
final class InMemory {

    private InMemory() {}

    static boolean selects(Selection selection, Map<String, Object> values) {
        return switch (selection) {
            case EveryResponse e -> true;
            case NoResponse n -> false;
            case Selection.Numbered n -> throw new IllegalArgumentException("no condition is made of numbers");
            case AllOf a -> a.parts().stream().allMatch(p -> selects(p, values));
            case AnyOf a -> a.parts().stream().anyMatch(p -> selects(p, values));
            case Outside o -> !selects(o.of(), values);
            case Answered a -> value(a.code(), values) != null;
            case Compared c -> compared(c, value(c.code(), values));
            case Holding h -> value(h.code(), values) instanceof List<?> l && l.contains(h.element());
            case Selection.Sized s -> value(s.code(), values) instanceof List<?> l
                    && s.relation().holds(BigDecimal.valueOf(l.size()).compareTo(s.size()));
            case Containing c -> value(c.code(), values) instanceof String s && switch (c.side()) {
                case START -> s.startsWith(c.part());
                case ANYWHERE -> s.contains(c.part());
                case END -> s.endsWith(c.part());
            };
        };
    }

    private static Object value(String code, Map<String, Object> values) {
        int dot = code.indexOf('.');
        return dot < 0
                ? values.get(code)
                : values.get(code.substring(0, dot)) instanceof Map<?, ?> m ? m.get(code.substring(dot + 1)) : null;
    }

    private static boolean compared(Compared c, Object value) {
        Integer order = switch (value) {
            case BigDecimal a when c.value() instanceof BigDecimal b -> a.compareTo(b);
            case LocalDate a when c.value() instanceof LocalDate b -> a.compareTo(b);
            case LocalTime a when c.value() instanceof LocalTime b -> a.compareTo(b);
            case String a when c.value() instanceof String b -> a.equals(b) ? 0 : 1;
            case Boolean a when c.value() instanceof Boolean b -> a.equals(b) ? 0 : 1;
            case null, default -> null;
        };
        return order != null && c.relation().holds(order);
    }
}
