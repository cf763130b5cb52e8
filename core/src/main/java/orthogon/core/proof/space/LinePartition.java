package orthogon.core.proof.space;

import orthogon.core.expression.Evaluator;
import orthogon.core.expression.Expr;
import orthogon.core.expression.Expr.*;
import orthogon.core.expression.Operations;
import orthogon.core.proof.message.Message;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.Duration;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.Period;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Function;

/**
 * Divides numbers or dates into stretches in which every given expression is constant, one representative of each. A grid of few
 * values is listed whole. On a large grid each comparison of a monotone form with a constant is bisected. Where any number of
 * decimal places is allowed, only comparisons of the answer itself with a constant are exact.
 */
final class LinePartition {

    /** Grids of at most this many values are listed value by value. */
    static final int LISTED = 5_000;
    private static final long FAR = 1_000_000_000_000_000L;

    private final String code;
    private final LocalDate today;
    private final long first;
    private final long last;
    private final Function<Long, Object> at;

    private LinePartition(String code, LocalDate today, long first, long last, Function<Long, Object> at) {
        this.code = code;
        this.today = today;
        this.first = first;
        this.last = last;
        this.at = at;
    }

    static List<Object> dates(String code, LocalDate today, LocalDate earliest, LocalDate latest, List<Expr> features) throws Inexact {
        return new LinePartition(code, today, earliest.toEpochDay(), latest.toEpochDay(), LocalDate::ofEpochDay).representatives(features);
    }

    /** Times of day by the minute. */
    static List<Object> times(String code, LocalDate today, LocalTime earliest, LocalTime latest, List<Expr> features) throws Inexact {
        int from = earliest == null ? 0 : Math.ceilDiv(earliest.toSecondOfDay(), 60);
        int to = latest == null ? 24 * 60 - 1 : latest.toSecondOfDay() / 60;
        return new LinePartition(code, today, from, to, minute -> LocalTime.ofSecondOfDay(minute * 60)).representatives(features);
    }

    static List<Object> grid(String code, LocalDate today, BigDecimal least, BigDecimal most, int decimals, List<Expr> features)
            throws Inexact {
        long first = least == null ? -FAR : index(least, decimals, RoundingMode.CEILING);
        long last = most == null ? FAR : index(most, decimals, RoundingMode.FLOOR);
        return new LinePartition(code, today, first, last, i -> BigDecimal.valueOf(i, decimals)).representatives(features);
    }

    /**
     * The lengths of a text at which expressions about the length, which they call by the code, may change: each is the first of a
     * stretch in which they are constant.
     *
     * @param most the most characters
     */
    static Set<Long> lengths(String code, LocalDate today, long most, Expr about) throws Inexact {
        LinePartition lengths = new LinePartition(code, today, 0, Math.min(most, FAR), BigDecimal::valueOf);
        TreeSet<Long> starts = new TreeSet<>();
        try {
            lengths.breaks(about, starts);
        } catch (Inexact e) {
            if (most > LISTED) {
                throw e;
            }
            starts.clear();
            for (long n = 1; n <= most; n++) {
                if (!Guarded.key(lengths.value(about, n)).equals(Guarded.key(lengths.value(about, n - 1)))) {
                    starts.add(n);
                }
            }
        }
        starts.remove(0L);
        return starts;
    }

    private Object value(Expr expr, long index) {
        return Evaluator.value(expr, new Alone(code, at.apply(index), null, today));
    }

    private static long index(BigDecimal limit, int decimals, RoundingMode rounding) throws Inexact {
        try {
            return limit.movePointRight(decimals).setScale(0, rounding).longValueExact();
        } catch (ArithmeticException e) {
            throw new Inexact(Message.of("inexact.far-apart"));
        }
    }

    private List<Object> representatives(List<Expr> features) throws Inexact {
        List<Object> values = new ArrayList<>();
        if (last < first) {
            return values;
        }
        if (last - first < LISTED) {
            // The ordinary first, since the first value of a cell stands for it: small positive numbers, the latest dates.
            boolean dates = at.apply(first) instanceof LocalDate;
            for (long i = dates ? last : Math.max(first, 1); dates ? i >= first : i <= last; i += dates ? -1 : 1) {
                values.add(at.apply(i));
            }
            for (long i = Math.min(last, 0); !dates && i >= first; i--) {
                values.add(at.apply(i));
            }
            return values;
        }
        TreeSet<Long> starts = new TreeSet<>(List.of(first));
        for (Expr feature : features) {
            breaks(feature, starts);
        }
        for (long start : starts) {
            Long next = starts.higher(start);
            long end = next == null ? last : next - 1;
            long ordinary = start <= 0 && end >= 1 && start != 0 ? 1 : start == first && start == -FAR ? end : start;
            values.add(at.apply(ordinary));
        }
        return values;
    }

    /** Adds where stretches begin in which the expression is constant. */
    private void breaks(Expr written, TreeSet<Long> starts) throws Inexact {
        Expr feature = Lifted.of(written).orElse(written);
        try {
            if (!compares(feature, starts)) {
                throw tooMany();
            }
        } catch (Inexact whole) {
            if (feature instanceof Name || feature instanceof Quantified) {
                throw whole;
            }
            // It is constant where all that it is made of is.
            for (Expr child : feature.children()) {
                if (!child.references().isEmpty()) {
                    breaks(child, starts);
                }
            }
        }
    }

    /** Adds the breaks of a comparison with constants; false where it is none. */
    private boolean compares(Expr feature, TreeSet<Long> starts) throws Inexact {
        switch (feature) {
            case Compare c when c.right() instanceof Literal l && l.value() == null -> {}
            case Call c when c.function().equals("answered") -> {}
            case Compare c when c.left().references().isEmpty() -> around(c.right(), c.left(), starts);
            case Compare c when c.right().references().isEmpty() -> around(c.left(), c.right(), starts);
            case InRange r when r.low().references().isEmpty() && r.high().references().isEmpty() -> {
                around(r.of(), r.low(), starts);
                around(r.of(), r.high(), starts);
            }
            case InList l when l.list() instanceof ListOf list && list.references().isEmpty() -> {
                for (Expr item : list.items()) {
                    around(l.of(), item, starts);
                }
            }
            default -> {
                return false;
            }
        }
        return true;
    }

    private static Inexact tooMany() {
        return new Inexact(Message.of("inexact.many-values").text("most", String.valueOf(LISTED)));
    }

    /** Where the monotone form comes to equal the constant, and where it leaves it. */
    private void around(Expr form, Expr constant, TreeSet<Long> starts) throws Inexact {
        int direction = direction(form);
        Object value = Evaluator.value(constant, new Alone(code, null, null, today));
        if (value == null) {
            return;
        }
        for (boolean strictly : new boolean[]{false, true}) {
            long lo = first;
            long hi = last + 1;
            while (lo < hi) {
                long mid = lo + (hi - lo) / 2;
                if (reached(form, mid, value, direction, strictly)) {
                    hi = mid;
                } else {
                    lo = mid + 1;
                }
            }
            if (lo <= last) {
                starts.add(lo);
            }
        }
    }

    private boolean reached(Expr form, long index, Object constant, int direction, boolean strictly) throws Inexact {
        Object here = value(form, index);
        String op = (direction > 0 ? ">" : "<") + (strictly ? "" : "=");
        Object result = here == null
                ? null
                : Operations.apply(new Compare(op, form, form, Span.NONE), java.util.Arrays.asList(here, constant));
        if (!(result instanceof Boolean b)) {
            throw new Inexact(Message.of("inexact.no-value"));
        }
        return b;
    }

    /** 1 where the form never falls as the answer grows, -1 where it never rises. */
    private int direction(Expr form) throws Inexact {
        return switch (form) {
            case Name n -> 1;
            case Negate n -> -direction(n.of());
            case Arithmetic a when a.right().references().isEmpty() && !a.op().equals("**") -> direction(a.left())
                    * (a.op().equals("*") || a.op().equals("/") ? sign(a.right()) : 1);
            case Arithmetic a when a.left().references().isEmpty() && "+-*".contains(a.op()) -> direction(a.right())
                    * (a.op().equals("*") ? sign(a.left()) : a.op().equals("-") ? -1 : 1);
            case Call c when List.of("floor", "ceiling").contains(c.function()) && c.args().size() == 1 -> direction(c.args().getFirst());
            case Call c when c.function().equals("round half up") && c.args().get(1).references().isEmpty() ->
                direction(c.args().getFirst());
            case Call c when c.function().equals("years and months duration") && c.args().get(1).references().isEmpty() -> -direction(
                    c.args().getFirst());
            case Call c when c.function().equals("years and months duration") && c.args().get(0).references().isEmpty() -> direction(
                    c.args().get(1));
            default -> throw tooMany();
        };
    }

    private int sign(Expr constant) throws Inexact {
        int sign = switch (Evaluator.value(constant, new Alone(code, null, null, today))) {
            case BigDecimal d -> d.signum();
            case Duration d -> 1;
            case Period p -> 1;
            case null, default -> 0;
        };
        if (sign == 0) {
            throw new Inexact(Message.of("inexact.zero"));
        }
        return sign;
    }

    /** Representatives where any number of decimal places is allowed. */
    static List<Object> dense(String code, LocalDate today, BigDecimal least, BigDecimal most, List<Expr> features) throws Inexact {
        TreeSet<BigDecimal> cuts = new TreeSet<>();
        for (Expr feature : features) {
            denseCuts(code, today, feature, cuts);
        }
        if (least != null && most != null && least.compareTo(most) > 0) {
            return List.of();
        }
        cuts.removeIf(c -> least != null && c.compareTo(least) < 0 || most != null && c.compareTo(most) > 0);
        if (least != null) {
            cuts.add(least);
        }
        if (most != null) {
            cuts.add(most);
        }
        if (cuts.isEmpty()) {
            return List.of(BigDecimal.ONE);
        }
        List<Object> values = new ArrayList<>();
        if (least == null) {
            values.add(cuts.first().subtract(BigDecimal.ONE));
        }
        for (BigDecimal cut : cuts) {
            values.add(cut);
            BigDecimal next = cuts.higher(cut);
            if (next != null) {
                BigDecimal whole = cut.setScale(0, RoundingMode.FLOOR).add(BigDecimal.ONE);
                values.add(whole.compareTo(next) < 0 ? whole : cut.add(next).divide(BigDecimal.valueOf(2)));
            } else if (most == null) {
                values.add(cut.setScale(0, RoundingMode.FLOOR).add(BigDecimal.ONE));
            }
        }
        return values;
    }

    private static void denseCuts(String code, LocalDate today, Expr feature, TreeSet<BigDecimal> cuts) throws Inexact {
        List<Expr> constants = switch (feature) {
            case Compare c when c.right() instanceof Literal l && l.value() == null -> List.of();
            case Call c when c.function().equals("answered") -> List.of();
            case Compare c when c.left() instanceof Name && c.right().references().isEmpty() -> List.of(c.right());
            case Compare c when c.right() instanceof Name && c.left().references().isEmpty() -> List.of(c.left());
            case InRange r when r.of() instanceof Name && r.low().references().isEmpty() && r.high().references().isEmpty() -> List
                    .of(r.low(), r.high());
            case InList l when l.of() instanceof Name && l.list() instanceof ListOf list && list.references().isEmpty() -> list.items();
            default -> throw new Inexact(Message.of("inexact.decimals"));
        };
        for (Expr constant : constants) {
            if (Evaluator.value(constant, new Alone(code, null, null, today)) instanceof BigDecimal d) {
                cuts.add(d);
            }
        }
    }
}
