package orthogon.core.proof.space;

import orthogon.core.answer.AllowedCharacters;
import orthogon.core.answer.Domain;
import orthogon.core.expression.Expr;
import orthogon.core.expression.Expr.*;
import orthogon.core.expression.Printer;
import orthogon.core.expression.Wiring;
import orthogon.core.place.RuleFamily;
import orthogon.core.proof.message.Message;
import orthogon.core.questionnaire.Question;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Start values that are made of texts, days or long ranges of numbers, whose values cannot be listed. The proof only needs to know in
 * which cell of the question's own answers such a value lies. So whatever is said of the question is said of the start value instead,
 * and divides the answers that the value is made of.
 */
final class Starts {

    private static final Span NONE = Span.NONE;
    /** Lengths of texts that are joined are told apart up to this many characters. */
    private static final int LONGEST_JOINED = 200;

    /**
     * One of them.
     *
     * @param value the start expression, in terms of questions and link parameters alone
     * @param asks what must be constant in each cell of the answers that the value is made of
     */
    private record Start(Expr value, List<Expr> asks) {}

    private final Map<String, Question> questions;
    private final Map<String, List<String>> arriving;
    private final LocalDate today;
    private final Map<String, Start> starts = new LinkedHashMap<>();
    private final Map<String, Message> inexact = new HashMap<>();

    /** @param arriving what each link parameter may be; empty for any text */
    Starts(Map<String, Question> questions, Map<String, List<String>> arriving, LocalDate today) {
        this.questions = questions;
        this.arriving = arriving;
        this.today = today;
    }

    /** Whether the expression is a start value that is told by cells. */
    boolean takes(Wiring.Wire wire, Expr unfolded) {
        return wire.family() == RuleFamily.START_WITH && Analysis.mentioned(unfolded).stream().anyMatch(this::isLong)
                && !Analysis.usesAsked(unfolded);
    }

    private boolean isLong(String name) {
        if (!questions.containsKey(name) || questions.get(name).isHidden()) {
            return arriving.getOrDefault(name, List.of()).isEmpty();
        }
        return switch (questions.get(name).answer().domain()) {
            case Domain.FreeTexts t -> true;
            case Domain.TextParts p -> true;
            case Domain.Opaque o -> true;
            case Domain.Files f -> true;
            case Domain.Dates d -> d.earliest() == null || d.latest() == null
                    || d.latest().on(today).toEpochDay() - d.earliest().on(today).toEpochDay() >= LinePartition.LISTED;
            case Domain.Numbers n -> n.decimals() == null || n.least() == null || n.most() == null
                    || n.most().subtract(n.least()).movePointRight(n.decimals()).compareTo(BigDecimal.valueOf(LinePartition.LISTED)) >= 0;
            case Domain.Truths t -> false;
            case Domain.OneOf o -> false;
            case Domain.Subset m -> false;
            case Domain.Orders o -> false;
            case Domain.Steps l -> false;
            case Domain.TimesOfDay t -> false;
            case Domain.EachRow r -> false;
            case Domain.OneRecord r -> false;
            case Domain.Arriving l -> false;
        };
    }

    /**
     * Adds what a start value asks of the answers that it is made of. Questions are added from the last to the first, since a question
     * that others start with must tell apart what they tell apart.
     *
     * @param counts whether what cannot be divided leaves the document uncertain: where the answer is locked, the value is the answer
     */
    void add(String place, Question question, Expr value, boolean counts, Features features) {
        List<Expr> asks = new ArrayList<>();
        try {
            for (Expr said : features.of(question.code())) {
                asks.addAll(about(with(said, question.code(), value), value));
            }
            for (Expr limit : limits(question.answer().domain(), value)) {
                asks.addAll(about(limit, value));
            }
        } catch (Inexact e) {
            inexact.put(place, e.why());
            if (counts) {
                features.giveUp(question.code(), value, e.why());
            }
        }
        for (Expr ask : asks) {
            String name = Analysis.mentioned(ask).iterator().next();
            features.addForStart(new Analysis.AnalysisPart(name, Printer.print(ask), ask, false), counts);
        }
        starts.put(place, new Start(value, asks));
    }

    /** The expressions that all start values ask of the answers they are made of. */
    List<Expr> asks() {
        return starts.values().stream().flatMap(s -> s.asks().stream()).toList();
    }

    /** The start value at the place if it is told by cells. */
    Optional<Expr> value(String place) {
        return Optional.ofNullable(starts.get(place)).map(Start::value);
    }

    /** Why the cell of the start value is not known; empty if it is. */
    Optional<Message> whyNot(String place, Features features) {
        if (inexact.containsKey(place)) {
            return Optional.of(inexact.get(place));
        }
        return starts.get(place).asks().stream().filter(features::isInexact).findFirst().map(features::reason);
    }

    private static Inexact inexact(String key, Expr formula) {
        return new Inexact(Message.of("inexact." + key).words("formula", Printer.print(formula)));
    }

    private static Expr with(Expr said, String name, Expr value) {
        return said instanceof Name n && n.name().equals(name)
                ? value
                : said.over(said.children().stream().map(c -> with(c, name, value)).toList());
    }

    /** The expressions that must be constant in the cells of single answers, so that a statement about the start value is. */
    private List<Expr> about(Expr statement, Expr value) throws Inexact {
        Set<String> names = Analysis.mentioned(statement);
        if (names.size() <= 1) {
            return names.isEmpty() ? List.of() : List.of(statement);
        }
        List<Expr> parts = new ArrayList<>();
        if (!(statement instanceof Compare c && c.left() instanceof Call length && length.function().equals("string length")
                && length.args().getFirst().equals(value) && c.right() instanceof Literal l && l.value() instanceof BigDecimal limit
                && joined(value, parts))) {
            throw inexact("joined", value);
        }
        long shortest = 0;
        long longest = 0;
        for (Expr part : parts) {
            shortest += length(part, false);
            longest = Math.addExact(longest, length(part, true));
        }
        boolean always = c.op().equals(">=") && limit.longValue() <= shortest || c.op().equals("<=") && limit.longValue() >= longest;
        if (always) {
            return List.of();
        }
        if (limit.compareTo(BigDecimal.valueOf(LONGEST_JOINED)) > 0) {
            throw new Inexact(
                    Message.of("inexact.joined-long").words("formula", Printer.print(value)).text("most", String.valueOf(LONGEST_JOINED)));
        }
        List<Expr> asks = new ArrayList<>();
        for (Expr part : parts) {
            for (int n = 1; n <= limit.intValue() && !part.references().isEmpty(); n++) {
                asks.add(new Compare(">", DomainLimits.length(part), number(n), NONE));
            }
        }
        return asks;
    }

    /** Whether the value is texts one after the other, each made of one answer or of none; they are collected. */
    private boolean joined(Expr value, List<Expr> parts) {
        if (value instanceof Arithmetic a && a.op().equals("+") && a.references().size() > 1) {
            return joined(a.left(), parts) && joined(a.right(), parts);
        }
        parts.add(value);
        return value.references().size() <= 1;
    }

    private long length(Expr part, boolean most) throws Inexact {
        return switch (part) {
            case Literal l when l.value() instanceof String s -> s.codePointCount(0, s.length());
            case Name n when questions.containsKey(n.name()) && questions.get(n.name()).answer().domain() instanceof Domain.FreeTexts t ->
                most
                        ? t.most() == null ? Integer.MAX_VALUE : t.most()
                        : t.least() == null ? 1 : Math.max(1, t.least());
            case Arithmetic a -> length(a.left(), most) + length(a.right(), most);
            // Capitals may take more room than small letters, never more than three times as much.
            case Call c when c.function().equals("upper case") -> length(c.args().getFirst(), most) * (most ? 3 : 1);
            case Call c when c.function().equals("lower case") -> length(c.args().getFirst(), most);
            default -> most ? Integer.MAX_VALUE : 1;
        };
    }

    private static Literal number(long n) {
        return new Literal(BigDecimal.valueOf(n), NONE);
    }

    /** The limits of the question itself, as statements about its start value. */
    private List<Expr> limits(Domain domain, Expr value) throws Inexact {
        List<Expr> limits = new ArrayList<>(DomainLimits.of(domain, value, today));
        if (domain instanceof Domain.Numbers n && n.decimals() != null) {
            keepPlaces(value, n.decimals());
        } else if (domain instanceof Domain.Steps) {
            keepPlaces(value, 0);
        } else if (domain instanceof Domain.FreeTexts t) {
            // A text that is there has a character.
            limits.removeIf(limit -> limit instanceof Compare c && c.op().equals(">=") && t.least() <= 1);
            text(t, value, limits);
        }
        return limits;
    }

    private void keepPlaces(Expr value, int places) throws Inexact {
        if (decimals(value) > places) {
            throw new Inexact(Message.of("inexact.places").words("formula", Printer.print(value)).text("most", String.valueOf(places)));
        }
    }

    private void text(Domain.FreeTexts t, Expr value, List<Expr> limits) throws Inexact {
        String pattern = t.content() == AllowedCharacters.DIGITS ? "[0-9]*" : t.pattern();
        if (!pattern.isEmpty()) {
            limits.add(new Call("matches", List.of(value, new Literal("^(" + bare(pattern) + ")$", NONE)), NONE));
        }
        if (t.content() == AllowedCharacters.LETTERS && !isOfLetters(value)) {
            throw inexact("letters", value);
        }
    }

    private static String bare(String pattern) {
        String inner = pattern.startsWith("^") ? pattern.substring(1) : pattern;
        return inner.endsWith("$") && !inner.endsWith("\\$") ? inner.substring(0, inner.length() - 1) : inner;
    }

    private boolean isOfLetters(Expr value) {
        return switch (value) {
            case Literal l -> l.value() instanceof String s && s.codePoints().allMatch(orthogon.core.expression.TextPattern::isLetterLike);
            case Name n -> questions.containsKey(n.name()) && questions.get(n.name()).answer().domain() instanceof Domain.FreeTexts t
                    && t.content() == AllowedCharacters.LETTERS;
            case Call c when c.function().endsWith(" case") -> isOfLetters(c.args().getFirst());
            case Arithmetic a when a.op().equals("+") -> isOfLetters(a.left()) && isOfLetters(a.right());
            default -> false;
        };
    }

    /** The most decimal places that the value may have. */
    private int decimals(Expr value) {
        int any = Integer.MAX_VALUE;
        return switch (value) {
            case Literal l when l.value() instanceof BigDecimal d -> Math.max(0, d.stripTrailingZeros().scale());
            case Name n when questions.containsKey(n.name()) && questions.get(n.name()).answer().domain() instanceof Domain.Numbers q ->
                q.decimals() == null ? any : q.decimals();
            case Name n -> questions.containsKey(n.name()) && questions.get(n.name()).answer().domain() instanceof Domain.Steps ? 0 : any;
            case Negate n -> decimals(n.of());
            case Arithmetic a when a.op().equals("+") || a.op().equals("-") -> Math.max(decimals(a.left()), decimals(a.right()));
            case Arithmetic a when a.op().equals("*") && decimals(a.left()) < 100 && decimals(a.right()) < 100 ->
                decimals(a.left()) + decimals(a.right());
            case Call c when Set.of("floor", "ceiling", "string length", "count").contains(c.function()) && c.args().size() == 1 -> 0;
            case Call c when c.function().equals("round half up") && c.args().get(1) instanceof Literal l
                    && l.value() instanceof BigDecimal d ->
                Math.max(0, d.intValue());
            default -> any;
        };
    }
}
