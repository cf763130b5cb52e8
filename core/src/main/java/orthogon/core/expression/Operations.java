package orthogon.core.expression;

import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;
import java.time.DateTimeException;
import java.time.Duration;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.Period;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import orthogon.core.expression.Expr.*;

/** What operators and functions make of the values of their parts. Anything that has no meaning gives null, as in FEEL. */
public final class Operations {

    private static final MathContext PRECISION = MathContext.DECIMAL128;

    private Operations() {}

    /** The value of a node other than {@code and or not if some every score asked today}, given its parts' values in order. */
    public static Object apply(Expr node, List<Object> values) {
        return switch (node) {
            case Literal l -> l.value();
            case PartOf p -> part(values.getFirst(), p.part());
            case Negate n -> values.getFirst() instanceof BigDecimal d ? d.negate() : null;
            case Arithmetic a -> arithmetic(a.op(), values.get(0), values.get(1));
            case Compare c -> compare(c.op(), values.get(0), values.get(1));
            case InRange r -> both(compare(r.lowClosed() ? ">=" : ">", values.get(0), values.get(1)),
                    compare(r.highClosed() ? "<=" : "<", values.get(0), values.get(2)));
            case InList l -> inList(values.get(0), values.get(1));
            case ListOf l -> new ArrayList<>(values);
            case Call c -> call(c.function(), values);
            default -> throw new IllegalArgumentException(node.getClass().getSimpleName() + " is not computed from its parts alone");
        };
    }

    private static Object part(Object value, String name) {
        return switch (value) {
            case Map<?, ?> parts -> parts.get(name);
            case List<?> list -> {
                List<Object> each = new ArrayList<>();
                list.forEach(element -> each.add(part(element, name)));
                yield each;
            }
            case null, default -> null;
        };
    }

    private static Object both(Boolean left, Boolean right) {
        if (Boolean.FALSE.equals(left) || Boolean.FALSE.equals(right)) {
            return false;
        }
        return left == null || right == null ? null : (Object) true;
    }

    private static Object inList(Object value, Object list) {
        List<?> elements = list == null ? List.of() : list instanceof List<?> l ? l : List.of(list);
        return elements.stream().anyMatch(e -> Boolean.TRUE.equals(same(value, e)));
    }

    static Boolean compare(String op, Object left, Object right) {
        if (op.equals("=")) {
            return same(left, right);
        }
        if (op.equals("!=")) {
            Boolean same = same(left, right);
            return same == null ? null : (Boolean) !same;
        }
        Integer order = order(left, right);
        if (order == null) {
            return null;
        }
        return switch (op) {
            case "<" -> order < 0;
            case "<=" -> order <= 0;
            case ">" -> order > 0;
            default -> order >= 0;
        };
    }

    /** Equality; against blank true or false, between values of different kinds null. */
    static Boolean same(Object left, Object right) {
        if (left == null || right == null) {
            return left == right;
        }
        if (left instanceof List<?> a && right instanceof List<?> b) {
            if (a.size() != b.size()) {
                return false;
            }
            for (int i = 0; i < a.size(); i++) {
                if (!Boolean.TRUE.equals(same(a.get(i), b.get(i)))) {
                    return false;
                }
            }
            return true;
        }
        if (left instanceof Boolean && right instanceof Boolean || left instanceof Map && right instanceof Map) {
            return left.equals(right);
        }
        Integer order = order(left, right);
        return order == null ? null : (Boolean) (order == 0);
    }

    private static Integer order(Object left, Object right) {
        return switch (left) {
            case BigDecimal a when right instanceof BigDecimal b -> a.compareTo(b);
            case String a when right instanceof String b -> a.compareTo(b);
            case LocalDate a when right instanceof LocalDate b -> a.compareTo(b);
            case LocalTime a when right instanceof LocalTime b -> a.compareTo(b);
            case Duration a when right instanceof Duration b -> a.compareTo(b);
            case Period a when right instanceof Period b -> Long.compare(a.toTotalMonths(), b.toTotalMonths());
            case null, default -> null;
        };
    }

    private static Object arithmetic(String op, Object left, Object right) {
        try {
            return switch (left) {
                case BigDecimal a when right instanceof BigDecimal b -> numbers(op, a, b);
                case LocalDate a when right instanceof LocalDate b && op.equals("-") -> Duration.ofDays(ChronoUnit.DAYS.between(b, a));
                case LocalDate a when right instanceof Duration d && op.equals("+") -> a.plusDays(Math.floorDiv(d.toSeconds(), 86_400L));
                case LocalDate a when right instanceof Duration d && op.equals("-") -> a.minusDays(Math.ceilDiv(d.toSeconds(), 86_400L));
                case LocalDate a when right instanceof Period p && op.equals("+") -> a.plus(p);
                case LocalDate a when right instanceof Period p && op.equals("-") -> a.minus(p);
                case Duration a when right instanceof Duration b && op.equals("+") -> a.plus(b);
                case Duration a when right instanceof Duration b && op.equals("-") -> a.minus(b);
                case Duration a when right instanceof LocalDate b && op.equals("+") -> arithmetic("+", b, a);
                case Period a when right instanceof LocalDate b && op.equals("+") -> b.plus(a);
                case Period a when right instanceof Period b && op.equals("+") -> months(a.toTotalMonths() + b.toTotalMonths());
                case Period a when right instanceof Period b && op.equals("-") -> months(a.toTotalMonths() - b.toTotalMonths());
                case String a when right instanceof String b && op.equals("+") -> a + b;
                case null, default -> null;
            };
        } catch (ArithmeticException | DateTimeException e) {
            return null;
        }
    }

    private static Period months(long total) {
        return Period.ofMonths(Math.toIntExact(total)).normalized();
    }

    private static Object numbers(String op, BigDecimal a, BigDecimal b) {
        return switch (op) {
            case "+" -> a.add(b, PRECISION);
            case "-" -> a.subtract(b, PRECISION);
            case "*" -> a.multiply(b, PRECISION);
            case "/" -> b.signum() == 0 ? null : a.divide(b, PRECISION);
            default -> power(a, b);
        };
    }

    private static Object power(BigDecimal a, BigDecimal b) {
        BigDecimal exponent = b.stripTrailingZeros();
        if (exponent.scale() <= 0 && exponent.abs().compareTo(BigDecimal.valueOf(9999)) <= 0) {
            int n = exponent.intValueExact();
            if (n < 0 && a.signum() == 0) {
                return null;
            }
            return n >= 0 ? a.pow(n, PRECISION) : BigDecimal.ONE.divide(a.pow(-n, PRECISION), PRECISION);
        }
        double result = Math.pow(a.doubleValue(), b.doubleValue());
        return Double.isFinite(result) ? BigDecimal.valueOf(result) : null;
    }

    private static Object call(String function, List<Object> v) {
        return switch (function) {
            case "answered" -> v.getFirst() != null;
            case "list contains" -> list(v.get(0)).stream().anyMatch(e -> Boolean.TRUE.equals(same(e, v.get(1))));
            case "count" -> BigDecimal.valueOf(list(v.getFirst()).size());
            case "sum", "mean", "min", "max" -> aggregate(function, v.size() == 1 && v.getFirst() instanceof List<?> l ? l : blankless(v));
            case "string length" -> v.getFirst() instanceof String s ? BigDecimal.valueOf(s.codePointCount(0, s.length())) : null;
            case "upper case" -> v.getFirst() instanceof String s ? s.toUpperCase(Locale.ROOT) : null;
            case "lower case" -> v.getFirst() instanceof String s ? lowerCase(s) : null;
            case "contains" -> v.get(0) instanceof String s && v.get(1) instanceof String t ? s.contains(t) : null;
            case "starts with" -> v.get(0) instanceof String s && v.get(1) instanceof String t ? s.startsWith(t) : null;
            case "ends with" -> v.get(0) instanceof String s && v.get(1) instanceof String t ? s.endsWith(t) : null;
            case "matches" -> v.get(0) instanceof String s && v.get(1) instanceof String p ? TextPattern.read(p).isFoundIn(s) : null;
            case "string join" -> joined(list(v.getFirst()), v.size() > 1 && v.get(1) instanceof String s ? s : "");
            case "date" -> date(v);
            case "time" -> time(v.getFirst());
            case "duration" -> v.getFirst() instanceof String s ? duration(s) : null;
            case "years and months duration" -> v.get(0) instanceof LocalDate a && v.get(1) instanceof LocalDate b
                    ? months(Period.between(a, b).toTotalMonths())
                    : null;
            case "round half up" -> round(v, RoundingMode.HALF_UP);
            case "floor" -> round(v, RoundingMode.FLOOR);
            case "ceiling" -> round(v, RoundingMode.CEILING);
            case "abs" -> v.getFirst() instanceof BigDecimal d ? d.abs() : null;
            default -> throw new IllegalArgumentException("unknown function " + function);
        };
    }

    /** Each character by itself, whatever stands around it, so that the proof can go back from the result. */
    private static String lowerCase(String text) {
        return text.codePoints().map(Character::toLowerCase)
                .collect(StringBuilder::new, StringBuilder::appendCodePoint, StringBuilder::append)
                .toString();
    }

    /** A blank answer is the empty list in list functions. */
    /** What is not blank, joined; blank where there is nothing, since a text would speak of nobody. */
    private static String joined(List<?> parts, String between) {
        List<String> there = parts.stream().filter(Objects::nonNull).map(Object::toString).toList();
        return there.isEmpty() ? null : String.join(between, there);
    }

    private static List<?> list(Object value) {
        return value == null ? List.of() : value instanceof List<?> l ? l : List.of(value);
    }

    /** A single blank where a list belongs is the empty list. */
    private static List<?> blankless(List<Object> values) {
        return values.size() == 1 && values.getFirst() == null ? List.of() : values;
    }

    private static Object aggregate(String function, List<?> values) {
        if (values.isEmpty()) {
            return null;
        }
        if (function.equals("min") || function.equals("max")) {
            for (Object value : values) {
                if (order(value, values.getFirst()) == null) {
                    return null;
                }
            }
            Comparator<Object> comparator = (a, b) -> order(a, b);
            return values.stream().map(Object.class::cast)
                    .reduce((a, b) -> (comparator.compare(a, b) <= 0) == function.equals("min") ? a : b)
                    .orElse(null);
        }
        BigDecimal sum = BigDecimal.ZERO;
        for (Object value : values) {
            if (!(value instanceof BigDecimal d)) {
                return null;
            }
            sum = sum.add(d, PRECISION);
        }
        return function.equals("sum") ? sum : sum.divide(BigDecimal.valueOf(values.size()), PRECISION);
    }

    private static Object date(List<Object> v) {
        try {
            if (v.size() == 3) {
                return v.get(0) instanceof BigDecimal y && v.get(1) instanceof BigDecimal m && v.get(2) instanceof BigDecimal d
                        ? LocalDate.of(y.intValueExact(), m.intValueExact(), d.intValueExact())
                        : null;
            }
            return v.getFirst() instanceof String s ? LocalDate.parse(s) : v.getFirst() instanceof LocalDate d ? d : null;
        } catch (DateTimeException | ArithmeticException e) {
            return null;
        }
    }

    private static Object time(Object value) {
        try {
            return value instanceof String s ? LocalTime.parse(s) : value instanceof LocalTime t ? t : null;
        } catch (DateTimeException e) {
            return null;
        }
    }

    static Object duration(String text) {
        try {
            if (text.matches("-?P(\\d+Y)?(\\d+M)?") && !text.endsWith("P")) {
                return months(Period.parse(text).toTotalMonths());
            }
            return Duration.parse(text);
        } catch (DateTimeException | ArithmeticException e) {
            return null;
        }
    }

    private static Object round(List<Object> v, RoundingMode mode) {
        if (!(v.getFirst() instanceof BigDecimal d)) {
            return null;
        }
        BigDecimal places = v.size() > 1 ? (v.get(1) instanceof BigDecimal p ? p : null) : BigDecimal.ZERO;
        return places == null || places.abs().compareTo(BigDecimal.valueOf(6000)) > 0 ? null : d.setScale(places.intValue(), mode);
    }
}
