package orthogon.core.proof.texts;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import orthogon.core.expression.TextPattern;

/**
 * A set of texts as an automaton that may take several steps at a time (Thompson 1968). Its size is linear in what it is made of, and
 * what leads into it by a change of letters, or by a word before or after, is one again.
 */
public final class Automaton {

    /** Beyond this nothing is made or told apart. */
    public static final int MOST_STATES = 20_000;

    record Edge(BitSet signs, int to) {}

    private final List<List<Edge>> steps = new ArrayList<>();
    private final List<List<Integer>> free = new ArrayList<>();
    private final BitSet accepting = new BitSet();
    /** What parts of a pattern stand for, made once however often they are written out. */
    private final Map<TextPattern.PatternPart.Chars, BitSet> known = new IdentityHashMap<>();
    private final Map<Character, BitSet> single = new HashMap<>();
    private int start;

    private Automaton() {}

    private int state() throws TooManyStates {
        if (steps.size() >= MOST_STATES) {
            throw new TooManyStates();
        }
        steps.add(new ArrayList<>());
        free.add(new ArrayList<>());
        return steps.size() - 1;
    }

    int states() {
        return steps.size();
    }

    int start() {
        return start;
    }

    List<Edge> steps(int state) {
        return steps.get(state);
    }

    boolean isAccepting(int state) {
        return accepting.get(state);
    }

    /** One of several ways to write the parts of an automaton, each between two states. */
    private interface TextContent {
        void write(Automaton automaton, int from, int to) throws TooManyStates;
    }

    private static Automaton of(TextContent content) throws TooManyStates {
        Automaton automaton = new Automaton();
        automaton.start = automaton.state();
        int end = automaton.state();
        automaton.accepting.set(end);
        content.write(automaton, automaton.start, end);
        return automaton;
    }

    /** This text alone. */
    public static Automaton text(String text) throws TooManyStates {
        return of((m, from, to) -> m.word(text, from, to));
    }

    /** Any of these texts. */
    public static Automaton texts(Iterable<String> texts) throws TooManyStates {
        return of((m, from, to) -> {
            for (String text : texts) {
                m.word(text, from, to);
            }
        });
    }

    /** Texts of only these characters, the empty one among them. */
    public static Automaton only(BitSet signs) throws TooManyStates {
        return of((m, from, to) -> {
            m.free.get(from).add(to);
            m.steps.get(to).add(new Edge(signs, to));
        });
    }

    /** Texts that begin with one. */
    public static Automaton beginning(String with) throws TooManyStates {
        return of((m, from, to) -> {
            m.word(with, from, to);
            m.steps.get(to).add(new Edge(Characters.any(), to));
        });
    }

    /** Texts that end with one. */
    public static Automaton ending(String with) throws TooManyStates {
        return of((m, from, to) -> {
            m.steps.get(from).add(new Edge(Characters.any(), from));
            m.word(with, from, to);
        });
    }

    /** Texts that hold one. */
    public static Automaton holding(String text) throws TooManyStates {
        return of((m, from, to) -> {
            m.steps.get(from).add(new Edge(Characters.any(), from));
            m.word(text, from, to);
            m.steps.get(to).add(new Edge(Characters.any(), to));
        });
    }

    /** Texts of at least so many characters. */
    public static Automaton longAs(long least) throws TooManyStates {
        if (least > MOST_STATES) {
            throw new TooManyStates();
        }
        return of((m, from, to) -> {
            int at = from;
            for (long n = 0; n < least; n++) {
                int next = m.state();
                m.steps.get(at).add(new Edge(Characters.any(), next));
                at = next;
            }
            m.free.get(at).add(to);
            m.steps.get(to).add(new Edge(Characters.any(), to));
        });
    }

    /** Texts in which the pattern is found. */
    public static Automaton pattern(TextPattern pattern) throws TooManyStates {
        return of((m, from, to) -> {
            if (!pattern.fromStart()) {
                m.steps.get(from).add(new Edge(Characters.any(), from));
            }
            int begun = m.state();
            m.free.get(from).add(begun);
            m.part(pattern.tree(), begun, to);
            if (!pattern.toEnd()) {
                int rest = m.state();
                m.free.get(to).add(rest);
                m.steps.get(rest).add(new Edge(Characters.any(), rest));
                m.accepting.set(rest);
            }
        });
    }

    private void word(String text, int from, int to) throws TooManyStates {
        int at = from;
        for (int i = 0; i < text.length(); i++) {
            int next = i == text.length() - 1 ? to : state();
            steps.get(at).add(new Edge(single.computeIfAbsent(text.charAt(i), Characters::one), next));
            at = next;
        }
        if (text.isEmpty()) {
            free.get(from).add(to);
        }
    }

    private void part(TextPattern.PatternPart part, int from, int to) throws TooManyStates {
        switch (part) {
            case TextPattern.PatternPart.Chars c when c.not() -> steps.get(from).add(new Edge(Characters.anyInLine(), to));
            case TextPattern.PatternPart.Chars c -> {
                steps.get(from).add(new Edge(known.computeIfAbsent(c, Automaton::signs), to));
            }
            case TextPattern.PatternPart.Sequence s -> {
                int at = from;
                for (TextPattern.PatternPart p : s.parts()) {
                    int next = state();
                    part(p, at, next);
                    at = next;
                }
                free.get(at).add(to);
            }
            case TextPattern.PatternPart.Either e -> {
                for (TextPattern.PatternPart p : e.parts()) {
                    int in = state();
                    free.get(from).add(in);
                    part(p, in, to);
                }
            }
            case TextPattern.PatternPart.Repeat r -> repeat(r, from, to);
        }
    }

    private static BitSet signs(TextPattern.PatternPart.Chars chars) {
        BitSet signs = new BitSet(Characters.COUNT);
        chars.ranges().forEach(r -> signs.or(Characters.range(r[0], r[1])));
        return signs;
    }

    private void repeat(TextPattern.PatternPart.Repeat r, int from, int to) throws TooManyStates {
        int at = from;
        for (int n = 0; n < r.least(); n++) {
            int next = state();
            part(r.part(), at, next);
            at = next;
        }
        if (r.most() < 0) {
            int loop = state();
            int back = state();
            free.get(at).add(loop);
            part(r.part(), loop, back);
            free.get(back).add(loop);
            free.get(loop).add(to);
            return;
        }
        for (int n = r.least(); n < r.most(); n++) {
            free.get(at).add(to);
            int in = state();
            int next = state();
            free.get(at).add(in);
            part(r.part(), in, next);
            at = next;
        }
        free.get(at).add(to);
    }

    /** Adds all states that can be come to without a character. */
    void settle(BitSet states) {
        List<Integer> todo = new ArrayList<>(states.stream().boxed().toList());
        while (!todo.isEmpty()) {
            for (int next : free.get(todo.removeLast())) {
                if (!states.get(next)) {
                    states.set(next);
                    todo.add(next);
                }
            }
        }
    }

    private BitSet after(BitSet from, String text) {
        BitSet at = (BitSet) from.clone();
        settle(at);
        for (int i = 0; i < text.length(); i++) {
            BitSet next = new BitSet();
            char sign = text.charAt(i);
            at.stream().forEach(s -> steps.get(s).stream().filter(step -> step.signs().get(sign)).forEach(step -> next.set(step.to())));
            settle(next);
            at = next;
        }
        return at;
    }

    private BitSet after(int from, String text) {
        BitSet one = new BitSet();
        one.set(from);
        return after(one, text);
    }

    private Automaton copy() {
        Automaton copy = new Automaton();
        steps.forEach(s -> copy.steps.add(new ArrayList<>(s)));
        free.forEach(f -> copy.free.add(new ArrayList<>(f)));
        copy.accepting.or(accepting);
        copy.start = start;
        return copy;
    }

    /** The texts that are in this set once a word is put before them. */
    public Automaton withoutStart(String word) throws TooManyStates {
        Automaton rest = copy();
        BitSet begun = after(start, word);
        rest.start = rest.state();
        begun.stream().forEach(rest.free.get(rest.start)::add);
        return rest;
    }

    /**
     * The texts that are in this set once a word is put after them.
     *
     * @param goOn called all the time; throws where nobody waits any more
     */
    public Automaton withoutEnd(String word, Runnable goOn) {
        Automaton rest = copy();
        BitSet leading = leadingFreely(accepting);
        for (int i = word.length() - 1; i >= 0; i--) {
            goOn.run();
            BitSet next = leading;
            char sign = word.charAt(i);
            BitSet before = new BitSet();
            for (int s = 0; s < states(); s++) {
                before.set(s, steps.get(s).stream().anyMatch(step -> step.signs().get(sign) && next.get(step.to())));
            }
            leading = leadingFreely(before);
        }
        rest.accepting.clear();
        rest.accepting.or(leading);
        return rest;
    }

    /** The states from which one of these can be come to without a character, themselves among them. */
    private BitSet leadingFreely(BitSet to) {
        Map<Integer, List<Integer>> from = new HashMap<>();
        for (int s = 0; s < states(); s++) {
            for (int next : free.get(s)) {
                from.computeIfAbsent(next, n -> new ArrayList<>()).add(s);
            }
        }
        BitSet leading = (BitSet) to.clone();
        List<Integer> todo = new ArrayList<>(to.stream().boxed().toList());
        while (!todo.isEmpty()) {
            for (int before : from.getOrDefault(todo.removeLast(), List.of())) {
                if (!leading.get(before)) {
                    leading.set(before);
                    todo.add(before);
                }
            }
        }
        return leading;
    }

    /**
     * The texts that are in this set once their case is changed.
     *
     * @param goOn called all the time; throws where nobody waits any more
     */
    public Automaton before(LetterCase change, Runnable goOn) {
        Automaton before = copy();
        Map<BitSet, BitSet> changed = new IdentityHashMap<>();
        for (int s = 0; s < states(); s++) {
            goOn.run();
            List<Edge> into = before.steps.get(s);
            into.clear();
            for (Edge step : steps.get(s)) {
                into.add(new Edge(changed.computeIfAbsent(step.signs(), change::before), step.to()));
            }
            for (LetterCase.Longer longer : change.longer()) {
                after(s, longer.changed()).stream().forEach(to -> into.add(new Edge(Characters.one(longer.sign()), to)));
            }
        }
        return before;
    }

    /** The texts that a change of case leaves as they are. */
    public static Automaton unchangedBy(LetterCase change) throws TooManyStates {
        return only(change.same());
    }
}
