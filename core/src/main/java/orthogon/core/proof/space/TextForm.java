package orthogon.core.proof.space;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import orthogon.core.expression.Expr;
import orthogon.core.expression.Expr.*;
import orthogon.core.expression.Operations;
import orthogon.core.proof.texts.Automaton;
import orthogon.core.proof.texts.LetterCase;
import orthogon.core.proof.texts.TooManyStates;

/**
 * A text made from one answer: the answer itself, in upper or lower case, with constant texts before and after it. The texts that lead
 * into a regular language form a regular language again (the inverse of a homomorphism, and quotients by a word), so conditions on
 * such forms divide answers exactly.
 */
final class TextForm {

    private interface Back {
        Automaton from(Automaton language, Runnable goOn) throws TooManyStates;
    }

    private static final Map<String, LetterCase> CHANGES = Map.of("upper case", change("upper case"), "lower case", change("lower case"));

    private final Back back;

    private TextForm(Back back) {
        this.back = back;
    }

    /**
     * Reads an expression as a form; empty if it is something else.
     *
     * @param constant the value of an expression without names
     */
    static Optional<TextForm> of(Expr expr, Function<Expr, Object> constant) {
        return switch (expr) {
            case Name n -> Optional.of(new TextForm((m, goOn) -> m));
            case Call c when isCase(c) -> of(c.args().getFirst(), constant)
                    .map(inner -> new TextForm((m, goOn) -> inner.back.from(m.before(CHANGES.get(c.function()), goOn), goOn)));
            case Arithmetic a when a.op().equals("+") && a.right().references().isEmpty()
                    && constant.apply(a.right()) instanceof String s ->
                of(a.left(), constant).map(inner -> new TextForm((m, goOn) -> inner.back.from(m.withoutEnd(s, goOn), goOn)));
            case Arithmetic a when a.op().equals("+") && a.left().references().isEmpty() && constant.apply(a.left()) instanceof String s ->
                of(a.right(), constant).map(inner -> new TextForm((m, goOn) -> inner.back.from(m.withoutStart(s), goOn)));
            default -> Optional.empty();
        };
    }

    static boolean isCase(Call c) {
        return c.args().size() == 1 && (c.function().equals("upper case") || c.function().equals("lower case"));
    }

    /**
     * The answers whose form lies in the language.
     *
     * @param goOn called all the time; throws where nobody waits any more
     */
    Automaton before(Automaton language, Runnable goOn) throws TooManyStates {
        goOn.run();
        return back.from(language, goOn);
    }

    /** The texts that a change to upper or lower case leaves as they are. */
    static Automaton unchangedBy(Call change) throws TooManyStates {
        return Automaton.unchangedBy(CHANGES.get(change.function()));
    }

    private static LetterCase change(String function) {
        return new LetterCase(letter -> (String) Operations.apply(
                new Call(function, List.of(new Literal(letter, Span.NONE)), Span.NONE), List.of(letter)));
    }
}
