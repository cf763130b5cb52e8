package orthogon.core.responses;

import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import orthogon.core.answer.Domain;
import orthogon.core.answer.Option;
import orthogon.core.questionnaire.Derived;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Roster;
import orthogon.core.questionnaire.Section;
import orthogon.core.responses.AnswerFigure.FigureBar;
import orthogon.core.responses.AnswerFigure.FigureSpread;
import orthogon.core.responses.AnswerFigure.SpreadOf;
import orthogon.core.responses.KeptValue.ValueKind;

/** What was answered to every question of a questionnaire. */
public final class AnswerFigures {

    /** Most ranges that numbers are divided into. */
    static final int MOST_RANGES = 12;
    private static final int MOST_VALUES = 12;
    private static final int SECONDS_AN_HOUR = 3_600;

    /**
     * One group of responses.
     *
     * @param asked code to how many were asked the question
     * @param answered code to how many answered it; parts of answers have their own
     * @param values by code; those of texts that anybody may write are not needed
     */
    public record AnsweredGroup(Map<String, Integer> asked, Map<String, Integer> answered, Map<String, List<CountedValue>> values) {

        List<CountedValue> of(String code, ValueKind kind) {
            return values.getOrDefault(code, List.of()).stream().filter(v -> v.kind() == kind).toList();
        }
    }

    /** Names of which each text is counted: derived values, and questions and rows with options. */
    public static List<String> counted(Questionnaire document) {
        return document.items().flatMap(i -> switch (i) {
            case Derived d -> Stream.of(d.code());
            case Question q when q.answer().options().isEmpty() -> Stream.<String>empty();
            case Question q when q.answer().rows().isEmpty() -> Stream.of(q.code());
            case Question q -> q.answer().rows().stream().map(row -> q.code() + "." + row.code());
            default -> Stream.<String>empty();
        }).toList();
    }

    private final List<AnsweredGroup> groups;
    private final List<AnswerFigure> figures = new ArrayList<>();

    private AnswerFigures(List<AnsweredGroup> groups) {
        this.groups = groups;
    }

    /** A figure for each question, each row of a grid, each roster and each derived value, in document order. */
    public static List<AnswerFigure> of(Questionnaire document, List<AnsweredGroup> groups) {
        AnswerFigures figures = new AnswerFigures(groups);
        for (Page page : document.pages()) {
            page.items().forEach(i -> figures.item(i, page.title()));
        }
        return List.copyOf(figures.figures);
    }

    private void item(Item item, String page) {
        switch (item) {
            case Section s -> s.items().forEach(i -> item(i, page));
            case Roster r -> figures.add(new AnswerFigure(r.code(), r.wording(), page, counts(r.code(), true), counts(r.code(), false),
                    List.of(), spread(r.code(), ValueKind.WHOLE, SpreadOf.NUMBERS)));
            case Derived d -> derived(d.code(), page);
            case Question q -> question(q, page);
            default -> {}
        }
    }

    private List<Integer> counts(String code, boolean asked) {
        return groups.stream().map(g -> (asked ? g.asked() : g.answered()).getOrDefault(code, 0)).toList();
    }

    private void question(Question q, String page) {
        if (q.answer().domain() instanceof Domain.EachRow each) {
            each.rows().forEach(row -> figures.add(figure(q.code() + "." + row.code(), q.wording() + " – " + row.label(), page,
                    counts(q.code(), true), each.row())));
        } else {
            figures.add(figure(q.code(), q.wording(), page, counts(q.code(), true), q.answer().domain()));
        }
    }

    private AnswerFigure figure(String code, String wording, String page, List<Integer> asked, Domain domain) {
        List<FigureBar> bars = switch (domain) {
            case Domain.Truths t -> truths(code);
            case Domain.OneOf o -> options(code, o.options(), ValueKind.TEXT);
            case Domain.Subset s -> options(code, s.options(), ValueKind.ELEMENT);
            case Domain.Orders o -> options(code, o.options(), ValueKind.ELEMENT);
            case Domain.Steps s -> steps(code, s);
            case Domain.Arriving a -> texts(code);
            case Domain.Numbers n -> List.of();
            case Domain.Dates d -> List.of();
            case Domain.TimesOfDay t -> List.of();
            case Domain.FreeTexts t -> List.of();
            case Domain.TextParts p -> List.of();
            case Domain.Files f -> List.of();
            case Domain.Opaque o -> List.of();
            case Domain.EachRow r -> List.of();
            case Domain.OneRecord r -> List.of();
        };
        FigureSpread spread = switch (domain) {
            case Domain.Numbers n -> spread(code, ValueKind.NUMBER, SpreadOf.NUMBERS);
            case Domain.Dates d -> spread(code, ValueKind.DAY, SpreadOf.DAYS);
            case Domain.TimesOfDay t -> spread(code, ValueKind.TIME, SpreadOf.TIMES);
            default -> null;
        };
        return new AnswerFigure(code, wording, page, asked, counts(code, false), bars, spread);
    }

    private void derived(String code, String page) {
        ValueKind kind = groups.stream().flatMap(g -> g.values().getOrDefault(code, List.of()).stream()).map(CountedValue::kind).findFirst()
                .orElse(ValueKind.TEXT);
        List<Integer> all = counts(code, false);
        figures.add(switch (kind) {
            case TRUTH -> new AnswerFigure(code, "", page, all, all, truths(code), null);
            case NUMBER -> new AnswerFigure(code, "", page, all, all, List.of(), spread(code, kind, SpreadOf.NUMBERS));
            case DAY -> new AnswerFigure(code, "", page, all, all, List.of(), spread(code, kind, SpreadOf.DAYS));
            case TIME -> new AnswerFigure(code, "", page, all, all, List.of(), spread(code, kind, SpreadOf.TIMES));
            case TEXT, ELEMENT, WHOLE -> new AnswerFigure(code, "", page, all, all, texts(code), null);
        });
    }

    private List<FigureBar> truths(String code) {
        return List.of(new FigureBar("true", "yes", with(code, ValueKind.TRUTH, v -> v.number().signum() != 0)),
                new FigureBar("false", "no", with(code, ValueKind.TRUTH, v -> v.number().signum() == 0)));
    }

    private List<FigureBar> options(String code, List<Option> options, ValueKind kind) {
        return options.stream().map(o -> new FigureBar(o.code(), o.label().isEmpty() ? o.code() : o.label(),
                with(code, kind, v -> v.text().equals(o.code())))).toList();
    }

    private List<FigureBar> steps(String code, Domain.Steps steps) {
        return IntStream.rangeClosed(steps.first(), steps.last()).mapToObj(n -> new FigureBar(String.valueOf(n), String.valueOf(n),
                with(code, ValueKind.NUMBER, v -> v.number().compareTo(BigDecimal.valueOf(n)) == 0))).toList();
    }

    /** The commonest texts. */
    private List<FigureBar> texts(String code) {
        Map<String, Integer> counts = new LinkedHashMap<>();
        groups.forEach(g -> g.of(code, ValueKind.TEXT).forEach(v -> counts.merge(v.text(), v.count(), Integer::sum)));
        return counts.entrySet().stream().sorted(Map.Entry.<String, Integer>comparingByValue().reversed()).limit(MOST_VALUES)
                .map(e -> new FigureBar(e.getKey(), e.getKey(), with(code, ValueKind.TEXT, v -> v.text().equals(e.getKey())))).toList();
    }

    private List<Integer> with(String code, ValueKind kind, java.util.function.Predicate<CountedValue> which) {
        return groups.stream().map(g -> g.of(code, kind).stream().filter(which).mapToInt(CountedValue::count).sum()).toList();
    }

    /** How numbers are spread; null where there are none. */
    private FigureSpread spread(String code, ValueKind kind, SpreadOf of) {
        TreeMap<BigDecimal, Integer> all = new TreeMap<>();
        groups.forEach(g -> g.of(code, kind).forEach(v -> all.merge(v.number().stripTrailingZeros(), v.count(), Integer::sum)));
        if (all.isEmpty()) {
            return null;
        }
        BigDecimal width = width(of, all.firstKey(), all.lastKey());
        BigDecimal first = all.firstKey().divide(width, 0, RoundingMode.FLOOR).multiply(width);
        List<FigureBar> ranges = new ArrayList<>();
        for (BigDecimal from = first; from.compareTo(all.lastKey()) <= 0; from = from.add(width)) {
            BigDecimal low = from;
            BigDecimal high = from.add(width);
            ranges.add(new FigureBar(low.toPlainString(), label(of, low, high, width),
                    with(code, kind, v -> v.number().compareTo(low) >= 0 && v.number().compareTo(high) < 0)));
        }
        return new FigureSpread(of, ranges, all.firstKey(), middle(all), mean(all), all.lastKey());
    }

    /** Width of the ranges: 1, 2 or 5 with noughts, a day, a week, thirty days and so on, or whole hours. */
    private static BigDecimal width(SpreadOf of, BigDecimal least, BigDecimal most) {
        BigDecimal finest = of == SpreadOf.TIMES ? BigDecimal.valueOf(SECONDS_AN_HOUR) : smallest(least, most);
        BigDecimal[] steps = switch (of) {
            case NUMBERS -> new BigDecimal[]{BigDecimal.ONE, BigDecimal.TWO, BigDecimal.valueOf(5)};
            case DAYS -> new BigDecimal[]{BigDecimal.ONE, BigDecimal.valueOf(7), BigDecimal.valueOf(30)};
            case TIMES -> new BigDecimal[]{BigDecimal.ONE, BigDecimal.TWO, BigDecimal.valueOf(4)};
        };
        BigDecimal unit = of == SpreadOf.DAYS ? BigDecimal.ONE : finest;
        while (true) {
            for (BigDecimal step : steps) {
                BigDecimal width = unit.multiply(step);
                BigDecimal from = least.divide(width, 0, RoundingMode.FLOOR);
                if (most.divide(width, 0, RoundingMode.FLOOR).subtract(from).intValue() < MOST_RANGES) {
                    return width;
                }
            }
            unit = unit.multiply(BigDecimal.TEN);
        }
    }

    /** One where all numbers are whole, or else a tenth, a hundredth and so on that is about a hundredth of the range. */
    private static BigDecimal smallest(BigDecimal least, BigDecimal most) {
        boolean whole = least.scale() <= 0 && most.scale() <= 0;
        BigDecimal range = most.subtract(least);
        return whole || range.signum() == 0
                ? BigDecimal.ONE
                : BigDecimal.ONE.scaleByPowerOfTen(Math.min(0, range.precision() - range.scale() - 3));
    }

    private static String label(SpreadOf of, BigDecimal low, BigDecimal high, BigDecimal width) {
        return switch (of) {
            case DAYS -> width.compareTo(BigDecimal.ONE) == 0
                    ? LocalDate.ofEpochDay(low.longValue()).toString()
                    : LocalDate.ofEpochDay(low.longValue()) + " to " + LocalDate.ofEpochDay(high.longValue() - 1);
            case TIMES ->
                LocalTime.ofSecondOfDay(low.longValue()) + " to " + LocalTime.ofSecondOfDay(Math.min(86_399, high.longValue() - 60));
            case NUMBERS -> width.compareTo(BigDecimal.ONE) == 0 && low.scale() <= 0
                    ? low.toPlainString()
                    : width.scale() <= 0
                            ? low.toPlainString() + " to " + high.subtract(BigDecimal.ONE).toPlainString()
                            : low.toPlainString() + " to under " + high.toPlainString();
        };
    }

    private static BigDecimal middle(TreeMap<BigDecimal, Integer> counts) {
        long half = (counts.values().stream().mapToLong(Integer::longValue).sum() + 1) / 2;
        for (Map.Entry<BigDecimal, Integer> each : counts.entrySet()) {
            half -= each.getValue();
            if (half <= 0) {
                return each.getKey();
            }
        }
        return counts.lastKey();
    }

    private static BigDecimal mean(TreeMap<BigDecimal, Integer> counts) {
        BigDecimal sum = BigDecimal.ZERO;
        long all = 0;
        for (Map.Entry<BigDecimal, Integer> each : counts.entrySet()) {
            sum = sum.add(each.getKey().multiply(BigDecimal.valueOf(each.getValue())));
            all += each.getValue();
        }
        return sum.divide(BigDecimal.valueOf(all), MathContext.DECIMAL32);
    }
}
