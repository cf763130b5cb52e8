package orthogon.core.proof.space;

import orthogon.core.answer.AllowedCharacters;
import orthogon.core.answer.Domain;
import orthogon.core.expression.Evaluator;
import orthogon.core.expression.Expr;
import orthogon.core.expression.Expr.*;
import orthogon.core.expression.Printer;
import orthogon.core.expression.TextPattern;
import orthogon.core.proof.message.Message;
import orthogon.core.proof.texts.Automaton;
import orthogon.core.proof.texts.Characters;
import orthogon.core.proof.texts.Partition;
import orthogon.core.proof.texts.TooManyStates;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/** Divides texts into regular languages in which every given expression is constant, one representative of each. */
final class TextPartition {

    /** Lengths are listed one by one up to here, where the expression is no simple comparison. */
    private static final int MOST_LISTED_LENGTHS = 150;
    private static final BitSet LETTERS = letters();

    private final String code;
    private final LocalDate today;
    /** Fewest and most characters; the most is null for no limit. */
    private final int least;
    private final Integer most;
    private final Runnable goOn;

    private TextPartition(String code, LocalDate today, Integer least, Integer most, Runnable goOn) {
        this.code = code;
        this.today = today;
        this.least = Math.max(1, least == null ? 1 : least);
        this.most = most;
        this.goOn = goOn;
    }

    /**
     * @param least fewest characters or null
     * @param goOn called all the time; throws where nobody waits any more
     */
    static List<Object> representatives(String code, LocalDate today, Integer least, Integer most, List<Expr> features, Runnable goOn)
            throws Inexact {
        return new TextPartition(code, today, least, most, goOn).divide(List.of(), features);
    }

    static List<Object> representatives(String code, LocalDate today, Domain.FreeTexts answer, List<Expr> features, Runnable goOn)
            throws Inexact {
        if (features.stream().allMatch(TextPartition::isBlankness)) {
            // Nothing divides the texts, so that one of them stands for all; most often an ordinary one will do.
            Optional<String> any = Stream.concat(Stream.of(answer.example()), Partition.ORDINARY.stream())
                    .filter(text -> !text.isEmpty() && isAllowed(answer, text)).findFirst();
            if (any.isPresent()) {
                return List.of(any.get());
            }
        }
        TextPartition partition = new TextPartition(code, today, answer.least(), answer.most(), goOn);
        try {
            List<Automaton> limits = new ArrayList<>();
            if (answer.content() == AllowedCharacters.DIGITS) {
                limits.add(Automaton.only(Characters.range('0', '9')));
            } else if (answer.content() == AllowedCharacters.LETTERS) {
                limits.add(Automaton.only(LETTERS));
            }
            if (!answer.pattern().isEmpty()) {
                limits.add(Automaton.pattern(TextPattern.whole(answer.pattern())));
            }
            return partition.divide(limits, features);
        } catch (TooManyStates e) {
            throw tooMany();
        }
    }

    private static Inexact tooMany() {
        return new Inexact(Message.of("inexact.patterns").text("most", String.valueOf(Automaton.MOST_STATES)));
    }

    /** Whether a text is within the limits of its answer. */
    static boolean isAllowed(Domain.FreeTexts t, String s) {
        int length = s.codePointCount(0, s.length());
        return (t.least() == null || length >= t.least()) && (t.most() == null || length <= t.most())
                && (t.content() != AllowedCharacters.DIGITS || s.matches("[0-9]*"))
                && (t.content() != AllowedCharacters.LETTERS || s.codePoints().allMatch(TextPattern::isLetterLike))
                && (t.pattern().isEmpty() || TextPattern.whole(t.pattern()).isFoundIn(s));
    }

    /** Characters that {@link TextPattern#isLetterLike} takes, of those that one unit of UTF-16 holds. */
    private static BitSet letters() {
        BitSet letters = (BitSet) Characters.any().clone();
        for (int c = letters.nextSetBit(0); c >= 0; c = letters.nextSetBit(c + 1)) {
            letters.set(c, TextPattern.isLetterLike(c));
        }
        return letters;
    }

    private List<Object> divide(List<Automaton> limits, List<Expr> features) throws Inexact {
        if (most != null && most < least) {
            return List.of();
        }
        try {
            List<Automaton> by = new ArrayList<>();
            for (Expr feature : features) {
                split(feature, by);
            }
            if (limits.isEmpty() && by.isEmpty() && (most == null || most > 200)) {
                return List.of(least <= 9 ? Partition.ORDINARY.getFirst() : "a".repeat(least));
            }
            return List.copyOf(Partition.of(least, most, limits, by, goOn));
        } catch (TooManyStates e) {
            throw tooMany();
        }
    }

    static boolean isBlankness(Expr e) {
        return e instanceof Call call && call.function().equals("answered") || e instanceof Compare c && c.right() instanceof Literal l
                && l.value() == null;
    }

    /** Adds languages such that the expression is constant among the texts that lie in the same ones. */
    private void split(Expr written, List<Automaton> into) throws Inexact, TooManyStates {
        Expr e = Lifted.of(written).orElse(written);
        if (isBlankness(e) || e.references().isEmpty()) {
            return;
        }
        Optional<Expr> measured = measured(e);
        if (measured.isPresent()) {
            byLength(e, measured.get(), into);
            return;
        }
        Optional<Automaton> language = language(e);
        if (language.isPresent()) {
            into.add(language.get());
        } else if (e instanceof Name || e instanceof Quantified || form(e).isPresent()) {
            throw unknown(e);
        } else {
            try {
                for (Expr child : e.children()) {
                    split(child, into);
                }
            } catch (Inexact inner) {
                throw unknown(e);
            }
        }
    }

    /** The one form of the answer that the expression speaks of by its length alone; empty where it speaks of anything else. */
    private Optional<Expr> measured(Expr e) {
        Map<String, Expr> forms = new HashMap<>();
        boolean only = measured(e, forms);
        return only && forms.size() == 1 ? Optional.of(forms.values().iterator().next()) : Optional.empty();
    }

    private boolean measured(Expr e, Map<String, Expr> forms) {
        if (e instanceof Call c && c.function().equals("string length") && form(c.args().getFirst()).isPresent()) {
            forms.put(Printer.print(c.args().getFirst()), c.args().getFirst());
            return true;
        }
        return !(e instanceof Name) && e.children().stream().allMatch(child -> measured(child, forms));
    }

    /** Splits texts at the lengths of the form at which the expression may change. */
    private void byLength(Expr e, Expr form, List<Automaton> into) throws Inexact, TooManyStates {
        // A change of case makes a text three times as long at most.
        long longest = most == null ? Long.MAX_VALUE : 3L * most + MOST_LISTED_LENGTHS;
        for (long length : LinePartition.lengths(code, today, longest, inLength(e))) {
            into.add(of(form, Automaton.longAs(length)));
        }
    }

    /** The expression with the answer's code in the place of the length of its form. */
    private Expr inLength(Expr e) {
        return e instanceof Call c && c.function().equals("string length") && !e.references().isEmpty()
                ? new Name(code, Span.NONE)
                : e.over(e.children().stream().map(this::inLength).toList());
    }

    /** The texts for which the expression is true, where it is false for all others; empty where it is none of the known forms. */
    private Optional<Automaton> language(Expr e) throws TooManyStates {
        return switch (e) {
            case Compare c when !isEquality(c) -> Optional.empty();
            case Compare c when form(c.left()).isPresent() && constant(c.right()) instanceof String s ->
                found(c.left(), Automaton.text(s));
            case Compare c when form(c.right()).isPresent() && constant(c.left()) instanceof String s ->
                found(c.right(), Automaton.text(s));
            case Compare c when isOwnCase(c.left(), c.right()) -> found(c.left(), TextForm.unchangedBy((Call) c.right()));
            case Compare c when isOwnCase(c.right(), c.left()) -> found(c.right(), TextForm.unchangedBy((Call) c.left()));
            case InList l when form(l.of()).isPresent() && l.list() instanceof ListOf list && list.references().isEmpty() ->
                found(l.of(), Automaton.texts(list.items().stream().map(this::constant).filter(String.class::isInstance)
                        .map(String.class::cast).toList()));
            case Call c when c.function().equals("list contains") && form(c.args().get(1)).isPresent()
                    && c.args().getFirst() instanceof ListOf list ->
                language(new InList(c.args().get(1), list, c.span()));
            case Call c when c.args().size() == 2 && form(c.args().get(1)).isPresent()
                    && constant(c.args().getFirst()) instanceof String s ->
                partOf(c, s);
            case Call c when c.args().size() == 2 && form(c.args().getFirst()).isPresent()
                    && constant(c.args().get(1)) instanceof String s ->
                has(c, s);
            default -> Optional.empty();
        };
    }

    /** Those of which something is part of a constant text. */
    private Optional<Automaton> partOf(Call c, String text) throws TooManyStates {
        IntStream from = IntStream.range(0, text.length());
        Stream<String> parts = switch (c.function()) {
            case "starts with" -> from.mapToObj(n -> text.substring(0, n + 1));
            case "ends with" -> from.mapToObj(text::substring);
            case "contains" -> from.boxed().flatMap(n -> IntStream.rangeClosed(n + 1, text.length()).mapToObj(to -> text.substring(n, to)));
            default -> Stream.empty();
        };
        List<String> all = parts.distinct().toList();
        return all.isEmpty() && !text.isEmpty() ? Optional.empty() : found(c.args().get(1), Automaton.texts(all));
    }

    /** Those that have a constant text, or what it stands for. */
    private Optional<Automaton> has(Call c, String text) throws TooManyStates {
        Expr form = c.args().getFirst();
        return switch (c.function()) {
            case "starts with" -> found(form, Automaton.beginning(text));
            case "ends with" -> found(form, Automaton.ending(text));
            case "contains" -> found(form, Automaton.holding(text));
            case "matches" -> found(form, Automaton.pattern(TextPattern.read(text)));
            default -> Optional.empty();
        };
    }

    private static boolean isEquality(Compare c) {
        return c.op().equals("=") || c.op().equals("!=");
    }

    /** Whether the second changes the case of the first. */
    private boolean isOwnCase(Expr form, Expr changed) {
        return form(form).isPresent() && changed instanceof Call c && TextForm.isCase(c)
                && Printer.print(c.args().getFirst()).equals(Printer.print(form));
    }

    private Optional<Automaton> found(Expr form, Automaton language) throws TooManyStates {
        return Optional.of(of(form, language));
    }

    private static Inexact unknown(Expr e) {
        return new Inexact(Message.of("inexact.all-texts").words("formula", Printer.print(e)));
    }

    private Object constant(Expr e) {
        return e.references().isEmpty() ? Evaluator.value(e, new Alone(code, null, null, today)) : null;
    }

    private Optional<TextForm> form(Expr e) {
        return TextForm.of(e, this::constant);
    }

    /** The answers whose form lies in the language. */
    private Automaton of(Expr form, Automaton language) throws TooManyStates {
        return form(form).orElseThrow().before(language, goOn);
    }
}
