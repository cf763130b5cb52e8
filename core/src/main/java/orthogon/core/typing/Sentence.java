package orthogon.core.typing;

import orthogon.core.expression.Expr;
import orthogon.core.expression.ExpressionReader;
import orthogon.core.expression.Printer;
import orthogon.core.expression.Type;
import orthogon.core.expression.Wiring;
import orthogon.core.place.RuleFamily;
import orthogon.core.questionnaire.Refused;
import java.math.BigDecimal;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/**
 * A condition made of lines (question, comparison, value) and groups of them, for those who do not type expressions. Every condition
 * has such a form: what no line can say is kept as a line of text. Reading the text of a sentence gives the sentence again.
 */
public sealed interface Sentence {

    /** All or any of several sentences, turned round where {@code negated}. */
    record SentenceGroup(boolean all, boolean negated, List<Sentence> parts) implements Sentence {
        public SentenceGroup {
            parts = List.copyOf(parts);
        }
    }

    /**
     * One comparison.
     *
     * @param subject a name, a part such as {@code owner.family}, or {@code count}, {@code score}, {@code string length}, {@code asked} of
     * one
     * @param comparison one of the keys of {@link #comparisons}
     * @param values as written in the builder: option codes, numbers, dates as 2026-11-30 or {@code today - 30}
     */
    record SentenceLine(String subject, String comparison, List<String> values) implements Sentence {
        public SentenceLine {
            values = List.copyOf(values);
        }
    }

    /** What no line can say, as it is typed. */
    record Typed(String text) implements Sentence {}

    /** How many values a comparison takes: none, one, two, or any number for {@code oneOf}. */
    static int values(String comparison) {
        return switch (comparison) {
            case "yes", "no", "holds", "answered", "blank" -> 0;
            case "between" -> 2;
            default -> 1;
        };
    }

    /** Whether a line speaks of something being asked, not of what was answered. */
    private static boolean isAsked(String subject) {
        return subject.startsWith("asked(");
    }

    /**
     * Comparisons that fit, key to words.
     *
     * @param type of the subject
     */
    static Map<String, String> comparisons(String subject, Type type) {
        Map<String, String> words = new LinkedHashMap<>();
        if (isAsked(subject)) {
            words.put("holds", "is asked");
            words.put("no", "is not asked");
            return words;
        }
        switch (type.kind()) {
            case TRUTH -> {
                words.put("yes", "is yes");
                words.put("no", "is no");
                words.put("holds", "holds");
            }
            case NUMBER, DATE, TIME -> {
                boolean number = type.kind() == Type.TypeKind.NUMBER;
                words.put(">=", number ? "is at least" : type.kind() == Type.TypeKind.DATE ? "is on or after" : "is at or after");
                words.put("<=", number ? "is at most" : type.kind() == Type.TypeKind.DATE ? "is on or before" : "is at or before");
                words.put(">", number ? "is more than" : "is after");
                words.put("<", number ? "is less than" : "is before");
                words.put("=", "is exactly");
                words.put("!=", "is not");
                words.put("between", "is from … to");
            }
            case LIST -> {
                if (type.element().kind() == Type.TypeKind.TEXT) {
                    words.put("includes", "includes");
                    words.put("lacks", "does not include");
                }
            }
            case TEXT -> {
                words.put("=", type.options().isEmpty() ? "is exactly" : "is");
                words.put("!=", "is not");
                if (type.options().isEmpty()) {
                    words.put("contains", "contains");
                    words.put("starts with", "starts with");
                    words.put("ends with", "ends with");
                    words.put("matches", "matches the pattern");
                } else {
                    words.put("oneOf", "is one of");
                }
            }
            default -> {}
        }
        words.put("answered", "is answered");
        words.put("blank", "is blank");
        return words;
    }

    /**
     * The sentence that a condition says; a line of text where it cannot be read, or where no line says it.
     *
     * @param owner where it stands, which settles what names mean
     */
    static Sentence of(String text, Wiring wiring, RuleFamily family, String owner) {
        Predicate<SentenceLine> fits = l -> comparisons(l.subject(), wiring.checked(family, owner, l.subject()).type())
                .containsKey(l.comparison());
        return ExpressionReader.read(text) instanceof ExpressionReader.Reading.Read read ? of(read.expr(), fits) : new Typed(text);
    }

    private static Sentence of(Expr expr, Predicate<SentenceLine> fits) {
        return switch (expr) {
            case Expr.And a -> new SentenceGroup(true, false, a.parts().stream().map(p -> of(p, fits)).toList());
            case Expr.Or o -> new SentenceGroup(false, false, o.parts().stream().map(p -> of(p, fits)).toList());
            case Expr.Not n -> switch (of(n.of(), fits)) {
                case SentenceLine l when l.comparison().equals("answered") -> new SentenceLine(l.subject(), "blank", List.of());
                case SentenceLine l when l.comparison().equals("holds") && n.of() instanceof Expr.Call ->
                    new SentenceLine(l.subject(), "no", List.of());
                case SentenceLine l when l.comparison().equals("includes") -> new SentenceLine(l.subject(), "lacks", l.values());
                case SentenceGroup g when !g.negated() && g.parts().size() > 1 -> new SentenceGroup(g.all(), true, g.parts());
                case Sentence other -> new SentenceGroup(true, true, List.of(other));
            };
            default -> line(expr).filter(fits).<Sentence>map(l -> l).orElseGet(() -> new Typed(Printer.print(expr)));
        };
    }

    private static Optional<SentenceLine> line(Expr expr) {
        return switch (expr) {
            case Expr.Name n -> Optional.of(new SentenceLine(n.name(), "holds", List.of()));
            case Expr.PartOf p when isSubject(p) -> Optional.of(new SentenceLine(Printer.print(p), "holds", List.of()));
            case Expr.Call c when c.function().equals("asked") && isSubject(c) ->
                Optional.of(new SentenceLine(Printer.print(c), "holds", List.of()));
            case Expr.Compare c when isSubject(c.left()) && c.right() instanceof Expr.Literal l -> switch (l.value()) {
                case null -> c.op().equals("=") || c.op().equals("!=")
                        ? Optional.of(new SentenceLine(Printer.print(c.left()), c.op().equals("=") ? "blank" : "answered", List.of()))
                        : Optional.empty();
                case Boolean b when c.op().equals("=") ->
                    Optional.of(new SentenceLine(Printer.print(c.left()), b ? "yes" : "no", List.of()));
                case Boolean b -> Optional.empty();
                default -> value(l).map(v -> new SentenceLine(Printer.print(c.left()), c.op(), List.of(v)));
            };
            case Expr.Compare c when isSubject(c.left()) ->
                value(c.right()).map(v -> new SentenceLine(Printer.print(c.left()), c.op(), List.of(v)));
            case Expr.InRange r when isSubject(r.of()) && r.lowClosed() && r.highClosed() && !r.between() -> value(r.low())
                    .flatMap(low -> value(r.high()).map(high -> new SentenceLine(Printer.print(r.of()), "between", List.of(low, high))));
            case Expr.InList l when isSubject(l.of()) && l.list() instanceof Expr.ListOf list && list.items().size() > 1
                    && list.items().stream().allMatch(i -> i instanceof Expr.Literal x && x.value() instanceof String) ->
                Optional.of(new SentenceLine(Printer.print(l.of()), "oneOf",
                        list.items().stream().map(i -> (String) ((Expr.Literal) i).value()).toList()));
            case Expr.Call c when c.function().equals("answered") && c.args().size() == 1 && isSubject(c.args().getFirst()) ->
                Optional.of(new SentenceLine(Printer.print(c.args().getFirst()), "answered", List.of()));
            case Expr.Call c when Set.of("list contains", "contains", "starts with", "ends with", "matches").contains(c.function())
                    && c.args().size() == 2 && isSubject(c.args().getFirst()) && c.args().get(1) instanceof Expr.Literal l
                    && l.value() instanceof String s ->
                Optional.of(new SentenceLine(Printer.print(c.args().getFirst()),
                        c.function().equals("list contains") ? "includes" : c.function(),
                        List.of(s)));
            default -> Optional.empty();
        };
    }

    private static boolean isSubject(Expr expr) {
        return switch (expr) {
            case Expr.Name n -> true;
            case Expr.PartOf p -> p.of() instanceof Expr.Name;
            case Expr.Call c -> Set.of("count", "score", "string length", "asked").contains(c.function()) && c.args().size() == 1
                    && (c.args().getFirst() instanceof Expr.Name || c.args().getFirst() instanceof Expr.PartOf p && isSubject(p));
            default -> false;
        };
    }

    /** A constant as it is written in the builder; empty for what the builder does not know. */
    private static Optional<String> value(Expr expr) {
        return switch (expr) {
            case Expr.Literal l when l.value() instanceof BigDecimal d -> Optional.of(d.toPlainString());
            case Expr.Literal l when l.value() instanceof String s -> Optional.of(s);
            case Expr.Negate n when n.of() instanceof Expr.Literal l && l.value() instanceof BigDecimal d ->
                Optional.of(d.negate().toPlainString());
            case Expr.Call c when Set.of("date", "time").contains(c.function()) && c.args().size() == 1
                    && c.args().getFirst() instanceof Expr.Literal l && l.value() instanceof String s ->
                Optional.of(s);
            case Expr.Call c when c.function().equals("today") -> Optional.of("today");
            case Expr.Arithmetic a when a.left() instanceof Expr.Call t && t.function().equals("today") && Set.of("+", "-").contains(a.op())
                    && a.right() instanceof Expr.Call d && d.function().equals("duration")
                    && d.args().getFirst() instanceof Expr.Literal l && l.value() instanceof String s && s.matches("P\\d{1,6}D") ->
                Optional.of("today " + a.op() + " " + s.substring(1, s.length() - 1));
            default -> Optional.empty();
        };
    }

    /**
     * The condition that a sentence says.
     *
     * @param owner where it stands, which settles what names mean
     * @throws Refused where a line is not complete, or a value does not fit
     */
    static String text(Sentence sentence, Wiring wiring, RuleFamily family, String owner) throws Refused {
        return switch (sentence) {
            case Typed t -> t.text().strip();
            case SentenceLine l -> line(l, wiring.checked(family, owner, l.subject()).type());
            case SentenceGroup g -> {
                List<String> parts = new ArrayList<>();
                for (Sentence part : g.parts()) {
                    String text = text(part, wiring, family, owner);
                    boolean bracket = g.parts().size() > 1 && needsBrackets(text, g.all());
                    parts.add(bracket ? "(" + text + ")" : text);
                }
                String joined = String.join(g.all() ? " and " : " or ", parts);
                yield g.negated() && !joined.isEmpty() ? "not(" + joined + ")" : joined;
            }
        };
    }

    private static boolean needsBrackets(String text, boolean all) {
        return ExpressionReader.read(text) instanceof ExpressionReader.Reading.Read read
                && (read.expr() instanceof Expr.Or || read.expr() instanceof Expr.If || read.expr() instanceof Expr.Quantified
                        || read.expr() instanceof Expr.And && all);
    }

    private static String line(SentenceLine l, Type type) throws Refused {
        String x = l.subject().strip();
        if (x.isEmpty()) {
            throw new Refused("Choose the question that decides.");
        }
        if (!comparisons(x, type).containsKey(l.comparison())) {
            throw new Refused("Choose a comparison for " + x + ".");
        }
        List<String> values = new ArrayList<>();
        Type of = type.kind() == Type.TypeKind.LIST ? type.element() : type;
        for (String value : l.values()) {
            if (!value.isBlank()) {
                values.add(literal(value.strip(), of, x));
            }
        }
        if (values.size() < values(l.comparison())) {
            throw new Refused("Choose a value for " + x + ".");
        }
        return switch (l.comparison()) {
            case "yes" -> x + " = true";
            case "no" -> isAsked(x) ? "not(" + x + ")" : x + " = false";
            case "holds" -> x;
            case "answered" -> "answered(" + x + ")";
            case "blank" -> "not(answered(" + x + "))";
            case "includes" -> "list contains(" + x + ", " + values.getFirst() + ")";
            case "lacks" -> "not(list contains(" + x + ", " + values.getFirst() + "))";
            case "contains", "starts with", "ends with", "matches" -> l.comparison() + "(" + x + ", " + values.getFirst() + ")";
            case "oneOf" -> values.size() == 1
                    ? x + " = " + values.getFirst()
                    : x + " in (" + values.stream().collect(Collectors.joining(", ")) + ")";
            case "between" -> x + " in [" + values.get(0) + ".." + values.get(1) + "]";
            default -> x + " " + l.comparison() + " " + values.getFirst();
        };
    }

    private static String literal(String value, Type type, String subject) throws Refused {
        try {
            return switch (type.kind()) {
                case NUMBER -> new BigDecimal(value).toPlainString();
                case TIME -> "time(\"" + LocalTime.parse(value) + "\")";
                case DATE -> {
                    Matcher relative = Pattern.compile("today(?: ?([+-]) ?(\\d{1,6}))?").matcher(value);
                    yield !relative.matches()
                            ? "date(\"" + LocalDate.parse(value) + "\")"
                            : relative.group(1) == null
                                    ? "today()"
                                    : "today() " + relative.group(1) + " duration(\"P" + relative.group(2) + "D\")";
                }
                default -> {
                    if (!type.options().isEmpty() && !type.options().contains(value)) {
                        throw new Refused(subject + " has no option “" + value + "”.");
                    }
                    yield Printer.literal(value);
                }
            };
        } catch (NumberFormatException | DateTimeException e) {
            throw new Refused("“" + value + "” does not fit " + subject + ".");
        }
    }

    /** A condition together with a further one. */
    static String joined(String before, String further, boolean all) {
        if (before.isBlank() || before.strip().equals("true") && all) {
            return further;
        }
        String left = needsBrackets(before, all) && !(ExpressionReader.read(before) instanceof ExpressionReader.Reading.Read r
                && r.expr() instanceof Expr.And && all) ? "(" + before + ")" : before;
        String right = needsBrackets(further, all) ? "(" + further + ")" : further;
        return left + (all ? " and " : " or ") + right;
    }
}
