package orthogon.core.proof.space;

import dk.brics.automaton.Automaton;
import dk.brics.automaton.State;
import dk.brics.automaton.Transition;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import orthogon.core.expression.Expr;
import orthogon.core.expression.Expr.*;
import orthogon.core.expression.Operations;

/**
 * A text made from one answer: the answer itself, in upper or lower case, with constant texts before and after it. The texts that lead
 * into a regular language form a regular language again (the inverse of a homomorphism, and quotients by a word), so conditions on
 * such forms divide answers exactly.
 */
final class TextForm {

    private final Function<Automaton, Automaton> back;

    private TextForm(Function<Automaton, Automaton> back) {
        this.back = back;
    }

    /**
     * Reads an expression as a form; empty if it is something else.
     *
     * @param constant the value of an expression without names
     */
    static Optional<TextForm> of(Expr expr, Function<Expr, Object> constant) {
        return switch (expr) {
            case Name n -> Optional.of(new TextForm(a -> a));
            case Call c when isCase(c) -> of(c.args().getFirst(), constant)
                    .map(inner -> new TextForm(a -> inner.back.apply(beforeCase(a, c))));
            case Arithmetic a when a.op().equals("+") && a.right().references().isEmpty()
                    && constant.apply(a.right()) instanceof String s ->
                of(a.left(), constant).map(inner -> new TextForm(l -> inner.back.apply(withoutEnd(l, s))));
            case Arithmetic a when a.op().equals("+") && a.left().references().isEmpty() && constant.apply(a.left()) instanceof String s ->
                of(a.right(), constant).map(inner -> new TextForm(l -> inner.back.apply(withoutStart(l, s))));
            default -> Optional.empty();
        };
    }

    private static boolean isCase(Call c) {
        return c.args().size() == 1 && (c.function().equals("upper case") || c.function().equals("lower case"));
    }

    /** The answers whose form lies in the language. */
    Automaton before(Automaton language) {
        return back.apply(language);
    }

    private static Automaton withoutStart(Automaton language, String start) {
        Automaton rest = language.clone();
        rest.determinize();
        State state = step(rest.getInitialState(), start);
        if (state == null) {
            return Automaton.makeEmpty();
        }
        rest.setInitialState(state);
        return rest;
    }

    private static Automaton withoutEnd(Automaton language, String end) {
        Automaton rest = language.clone();
        rest.determinize();
        Map<State, Boolean> accepts = new HashMap<>();
        for (State state : rest.getStates()) {
            State last = step(state, end);
            accepts.put(state, last != null && last.isAccept());
        }
        accepts.forEach(State::setAccept);
        return rest;
    }

    private static State step(State from, String text) {
        State state = from;
        for (int i = 0; i < text.length() && state != null; i++) {
            state = state.step(text.charAt(i));
        }
        return state;
    }

    /** The texts whose upper or lower case lies in the language. Each character changes by itself, so each has one step. */
    private static Automaton beforeCase(Automaton language, Call change) {
        Automaton there = language.clone();
        there.determinize();
        Map<State, State> copies = new HashMap<>();
        there.getStates().forEach(s -> copies.put(s, new State()));
        for (Map.Entry<State, State> copy : copies.entrySet()) {
            copy.getValue().setAccept(copy.getKey().isAccept());
            steps(copy.getKey(), change, (c, target) -> copy.getValue().addTransition(new Transition(c[0], c[1], copies.get(target))));
        }
        Automaton before = new Automaton();
        before.setInitialState(copies.get(there.getInitialState()));
        before.setDeterministic(true);
        return before;
    }

    private interface Steps {
        void range(char[] range, State target);
    }

    private static void steps(State from, Call change, Steps each) {
        int start = 0;
        State target = null;
        for (int c = 0; c <= 0x10000; c++) {
            State next = c > 0xffff || Character.isSurrogate((char) c) ? null : step(from, changed((char) c, change));
            if (next != target) {
                if (target != null) {
                    each.range(new char[]{(char) start, (char) (c - 1)}, target);
                }
                start = c;
                target = next;
            }
        }
    }

    private static final Map<String, String[]> CHANGED = Map.of("upper case", new String[0x10000], "lower case", new String[0x10000]);

    private static String changed(char c, Call change) {
        String[] known = CHANGED.get(change.function());
        if (known[c] == null) {
            known[c] = (String) Operations.apply(change, List.of(String.valueOf(c)));
        }
        return known[c];
    }
}
