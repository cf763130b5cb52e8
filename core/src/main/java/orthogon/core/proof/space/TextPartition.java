package orthogon.core.proof.space;

import dk.brics.automaton.Automaton;
import dk.brics.automaton.BasicAutomata;
import dk.brics.automaton.State;
import dk.brics.automaton.Transition;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import orthogon.core.expression.Evaluator;
import orthogon.core.expression.Expr;
import orthogon.core.expression.Expr.*;
import orthogon.core.expression.TextPattern;
import orthogon.core.questionnaire.Answer;

/** Divides texts into regular languages in which every given expression is constant, one representative of each. */
final class TextPartition {

    private static final int MOST_CLASSES = 200;
    private static final int MOST_STATES = 20_000;
    /** Up to here an automaton with as many letters as Unicode has is faster used as it is than made smaller. */
    private static final int MOST_UNREDUCED = 200;
    private static final List<String> ORDINARY = List.of("Quillmere", "alder brook", "fen", "a", "12",
            "seven grey herons by the mill pond");

    private final String code;
    private final LocalDate today;

    private TextPartition(String code, LocalDate today) {
        this.code = code;
        this.today = today;
    }

    /** @param least fewest characters or null */
    static List<Object> representatives(String code, LocalDate today, Integer least, Integer most, List<Expr> features) throws Inexact {
        int from = Math.max(1, least == null ? 1 : least);
        if (most != null && most < from) {
            return List.of();
        }
        return new TextPartition(code, today).divide(from, most, features);
    }

    static List<Object> representatives(String code, LocalDate today, Answer.Text answer, List<Expr> features) throws Inexact {
        int from = Math.max(1, answer.least() == null ? 1 : answer.least());
        if (features.stream().allMatch(TextPartition::isBlankness)) {
            // Nothing divides the texts, so that one of them stands for all; most often an ordinary one will do.
            Optional<String> any = Stream.concat(Stream.of(answer.example()), ORDINARY.stream())
                    .filter(text -> !text.isEmpty() && isAllowed(answer, text)).findFirst();
            if (any.isPresent()) {
                return List.of(any.get());
            }
        }
        TextPartition partition = new TextPartition(code, today);
        List<Automaton> forms = new ArrayList<>();
        if (answer.content() == Answer.Content.DIGITS) {
            forms.add(BasicAutomata.makeCharRange('0', '9').repeat());
        } else if (answer.content() == Answer.Content.LETTERS) {
            forms.add(LETTERS);
        }
        if (!answer.pattern().isEmpty()) {
            forms.add(partition.pattern(TextPattern.whole(answer.pattern())));
        }
        if (forms.isEmpty()) {
            return representatives(code, today, answer.least(), answer.most(), features);
        }
        if (answer.most() != null && answer.most() < from) {
            return List.of();
        }
        Automaton allowed = allowed(from, answer.most());
        for (Automaton form : forms) {
            allowed = allowed.intersection(form);
        }
        List<Automaton> first = new ArrayList<>();
        keep(allowed, first);
        return partition.divide(first, features);
    }

    /** Whether a text is within the limits of its answer. */
    static boolean isAllowed(Answer.Text t, String s) {
        int length = s.codePointCount(0, s.length());
        return (t.least() == null || length >= t.least()) && (t.most() == null || length <= t.most())
                && (t.content() != Answer.Content.DIGITS || s.matches("[0-9]*"))
                && (t.content() != Answer.Content.LETTERS || s.codePoints().allMatch(TextPattern::isLetterLike))
                && (t.pattern().isEmpty() || TextPattern.whole(t.pattern()).isFoundIn(s));
    }

    private static final Automaton LETTERS = letters();

    /** Texts of characters that {@link TextPattern#isLetterLike} takes, of those that one unit of UTF-16 holds. */
    private static Automaton letters() {
        State letter = new State();
        letter.setAccept(true);
        for (int c = 0; c <= 0xffff; c++) {
            int from = c;
            while (c <= 0xffff && !Character.isSurrogate((char) c) && TextPattern.isLetterLike(c)) {
                c++;
            }
            if (c > from) {
                letter.addTransition(new Transition((char) from, (char) (c - 1), letter));
            }
        }
        Automaton letters = new Automaton();
        letters.setInitialState(letter);
        letters.setDeterministic(true);
        return letters;
    }

    private List<Object> divide(int from, Integer most, List<Expr> features) throws Inexact {
        List<Automaton> split = new ArrayList<>();
        for (Expr feature : features) {
            if (!isBlankness(feature)) {
                split.add(language(feature));
            }
        }
        if (split.isEmpty() && (most == null || most > 200)) {
            return List.of(from <= 9 ? "Quillmere" : "a".repeat(from));
        }
        return divided(List.of(allowed(from, most)), split);
    }

    private List<Object> divide(List<Automaton> allowed, List<Expr> features) throws Inexact {
        List<Automaton> split = new ArrayList<>();
        for (Expr feature : features) {
            if (!isBlankness(feature)) {
                split.add(language(feature));
            }
        }
        return divided(allowed, split);
    }

    private static List<Object> divided(List<Automaton> allowed, List<Automaton> split) throws Inexact {
        List<Automaton> classes = new ArrayList<>(allowed);
        for (Automaton language : split) {
            List<Automaton> finer = new ArrayList<>();
            for (Automaton part : classes) {
                keep(part.intersection(language), finer);
                keep(part.minus(language), finer);
            }
            classes = finer;
        }
        return classes.stream().map(TextPartition::representative).toList();
    }

    private static void keep(Automaton part, List<Automaton> parts) throws Inexact {
        part.determinize();
        part.removeDeadTransitions();
        if (part.getNumberOfStates() > MOST_UNREDUCED) {
            part.minimize();
        }
        if (!part.isEmpty()) {
            parts.add(part);
        }
        if (parts.size() > MOST_CLASSES || part.getNumberOfStates() > MOST_STATES) {
            throw new Inexact("its patterns together need more than " + MOST_STATES + " states");
        }
    }

    private static Object representative(Automaton texts) {
        for (String text : ORDINARY) {
            if (texts.run(text)) {
                return text;
            }
        }
        Automaton plain = texts.intersection(BasicAutomata.makeCharRange('0', 'z').repeat());
        return plain.isEmpty() ? texts.getShortestExample(true) : plain.getShortestExample(true);
    }

    private static Automaton anyChar() {
        return BasicAutomata.makeCharRange('\0', '\ud7ff').union(BasicAutomata.makeCharRange('\ue000', '\uffff'));
    }

    /** Trimmed texts of allowed length. */
    private static Automaton allowed(int from, Integer most) {
        Automaton visible = BasicAutomata.makeCharRange('!', '\ud7ff').union(BasicAutomata.makeCharRange('\ue000', '\uffff'));
        Automaton trimmed = visible.union(visible.concatenate(anyChar().repeat()).concatenate(visible));
        Automaton length = most == null ? anyChar().repeat(from) : anyChar().repeat(from, most);
        Automaton result = trimmed.intersection(length);
        result.minimize();
        return result;
    }

    static boolean isBlankness(Expr e) {
        return e instanceof Call call && call.function().equals("answered") || e instanceof Compare c && c.right() instanceof Literal l
                && l.value() == null;
    }

    /** The texts for which the expression is true; it must be false for all others. */
    private Automaton language(Expr e) throws Inexact {
        return switch (e) {
            case Compare c when isEquality(c, "=") -> of(c.left(), BasicAutomata.makeString((String) constant(c.right())));
            case Compare c when isEquality(c, "!=") -> of(c.left(), BasicAutomata.makeString((String) constant(c.right())).complement());
            case Compare c when c.left() instanceof Literal && form(c.right()).isPresent()
                    && (c.op().equals("=") || c.op().equals("!=")) ->
                language(new Compare(c.op(), c.right(), c.left(), c.span()));
            case Compare c when isLength(c.left()) && constant(c.right()) instanceof BigDecimal d ->
                of(measured(c.left()), lengths(c.op(), d));
            case InRange r when isLength(r.of()) && constant(r.low()) instanceof BigDecimal from
                    && constant(r.high()) instanceof BigDecimal to ->
                of(measured(r.of()), lengths(r.lowClosed() ? ">=" : ">", from).intersection(lengths(r.highClosed() ? "<=" : "<", to)));
            case InList l when form(l.of()).isPresent() && l.list() instanceof ListOf list && list.references().isEmpty() -> {
                Automaton any = BasicAutomata.makeEmpty();
                for (Expr item : list.items()) {
                    any = constant(item) instanceof String s ? any.union(BasicAutomata.makeString(s)) : any;
                }
                yield of(l.of(), any);
            }
            case Call c when c.args().size() == 2 && form(c.args().getFirst()).isPresent()
                    && constant(c.args().get(1)) instanceof String s ->
                of(c.args().getFirst(), switch (c.function()) {
                    case "starts with" -> BasicAutomata.makeString(s).concatenate(anyChar().repeat());
                    case "ends with" -> anyChar().repeat().concatenate(BasicAutomata.makeString(s));
                    case "contains" -> anyChar().repeat().concatenate(BasicAutomata.makeString(s)).concatenate(anyChar().repeat());
                    case "matches" -> pattern(TextPattern.read(s));
                    default -> throw unknown(c);
                });
            default -> throw unknown(e);
        };
    }

    private static Inexact unknown(Expr e) {
        return new Inexact("\"" + orthogon.core.expression.Printer.print(e) + "\" is about all texts, which cannot be divided for it");
    }

    private Object constant(Expr e) {
        return e.references().isEmpty() ? Evaluator.value(e, new Alone(code, null, null, today)) : null;
    }

    private boolean isEquality(Compare c, String op) {
        return c.op().equals(op) && form(c.left()).isPresent() && c.right().references().isEmpty()
                && constant(c.right()) instanceof String;
    }

    private boolean isLength(Expr e) {
        return e instanceof Call c && c.function().equals("string length") && form(c.args().getFirst()).isPresent();
    }

    private static Expr measured(Expr length) {
        return ((Call) length).args().getFirst();
    }

    private Optional<TextForm> form(Expr e) {
        return TextForm.of(e, this::constant);
    }

    /** The answers whose form lies in the language. */
    private Automaton of(Expr form, Automaton language) {
        return form(form).orElseThrow().before(language);
    }

    private static Automaton lengths(String op, BigDecimal limit) throws Inexact {
        if (limit.abs().compareTo(BigDecimal.valueOf(MOST_STATES)) > 0) {
            throw new Inexact("a length of " + limit.toPlainString() + " characters is beyond what is divided");
        }
        int floor = limit.setScale(0, java.math.RoundingMode.FLOOR).intValue();
        boolean whole = limit.stripTrailingZeros().scale() <= 0;
        return switch (op) {
            case "=" -> whole && floor >= 0 ? anyChar().repeat(floor, floor) : BasicAutomata.makeEmpty();
            case "!=" -> lengths("=", limit).complement();
            case ">" -> anyChar().repeat(Math.max(0, floor + 1));
            case ">=" -> anyChar().repeat(Math.max(0, whole ? floor : floor + 1));
            case "<" -> lengths(">=", limit).complement();
            default -> lengths(">", limit).complement();
        };
    }

    private static Automaton pattern(TextPattern pattern) {
        Automaton found = part(pattern.tree());
        found = pattern.fromStart() ? found : anyChar().repeat().concatenate(found);
        return pattern.toEnd() ? found : found.concatenate(anyChar().repeat());
    }

    private static Automaton part(TextPattern.Part part) {
        return switch (part) {
            case TextPattern.Part.Chars c when c.not() -> {
                Automaton breaks = BasicAutomata.makeCharSet("\n\r\u0085\u2028\u2029");
                yield anyChar().minus(breaks);
            }
            case TextPattern.Part.Chars c -> {
                Automaton any = BasicAutomata.makeEmpty();
                for (char[] range : c.ranges()) {
                    any = any.union(BasicAutomata.makeCharRange(range[0], range[1]));
                }
                yield any;
            }
            case TextPattern.Part.Sequence s -> {
                Automaton all = BasicAutomata.makeEmptyString();
                for (TextPattern.Part p : s.parts()) {
                    all = all.concatenate(part(p));
                }
                yield all;
            }
            case TextPattern.Part.Either e -> {
                Automaton any = BasicAutomata.makeEmpty();
                for (TextPattern.Part p : e.parts()) {
                    any = any.union(part(p));
                }
                yield any;
            }
            case TextPattern.Part.Repeat r -> r.most() < 0 ? part(r.part()).repeat(r.least()) : part(r.part()).repeat(r.least(), r.most());
        };
    }
}
