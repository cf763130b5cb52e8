package orthogon.core.proof.texts;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * A set of texts as an automaton that takes one step for each kind of character. No state in it is one from which nothing is accepted.
 */
final class DeterministicAutomaton {

    private static final int NOWHERE = -1;
    /** Up to here an automaton is faster used as it is than made smaller. */
    private static final int MOST_UNREDUCED = 200;
    private static final int MOST_ROUNDS = 64;

    private final Alphabet alphabet;
    /** For each state a row with the next state for each kind. The first state is where texts begin. */
    private final int[] next;
    private final BitSet accepting;
    private final int states;

    private DeterministicAutomaton(Alphabet alphabet, int[] next, BitSet accepting, int states) {
        this.alphabet = alphabet;
        this.next = next;
        this.accepting = accepting;
        this.states = states;
    }

    /**
     * @param goOn called at every step; throws where nobody waits any more
     * @throws TooManyStates where more than {@link Automaton#MOST_STATES} are needed
     */
    static DeterministicAutomaton of(Automaton automaton, Alphabet alphabet, Runnable goOn) throws TooManyStates {
        Building building = new Building(alphabet);
        Map<BitSet, Integer> known = new HashMap<>();
        List<BitSet> todo = new ArrayList<>();
        BitSet first = new BitSet();
        first.set(automaton.start());
        automaton.settle(first);
        known.put(first, building.state(first.stream().anyMatch(automaton::isAccepting)));
        todo.add(first);
        for (int at = 0; at < todo.size(); at++) {
            goOn.run();
            BitSet here = todo.get(at);
            for (int kind = 0; kind < alphabet.kinds(); kind++) {
                char letter = alphabet.letter(kind);
                BitSet to = new BitSet();
                here.stream().forEach(s -> automaton.steps(s).stream().filter(step -> step.signs().get(letter))
                        .forEach(step -> to.set(step.to())));
                automaton.settle(to);
                if (!to.isEmpty()) {
                    Integer state = known.get(to);
                    if (state == null) {
                        state = building.state(to.stream().anyMatch(automaton::isAccepting));
                        known.put(to, state);
                        todo.add(to);
                    }
                    building.step(at, kind, state);
                }
            }
        }
        return building.finished(goOn);
    }

    /**
     * Trimmed texts.
     *
     * @param least fewest characters, at least 1
     * @param most most characters; null for no limit
     */
    static DeterministicAutomaton trimmed(Alphabet alphabet, int least, Integer most, Runnable goOn) throws TooManyStates {
        Building building = new Building(alphabet);
        int counted = most == null ? least : most;
        if (counted >= Automaton.MOST_STATES / 2) {
            throw new TooManyStates();
        }
        // State 0 is the beginning; then two for each length, by whether the last character is visible.
        building.state(false);
        for (int length = 1; length <= counted; length++) {
            building.state(false);
            building.state(length >= least);
        }
        for (int state = 0; state <= 2 * counted; state++) {
            goOn.run();
            int length = (state + 1) / 2;
            int longer = length < counted ? length + 1 : most == null ? length : NOWHERE;
            for (int kind = 0; kind < alphabet.kinds() && longer != NOWHERE; kind++) {
                boolean visible = alphabet.letter(kind) >= '!';
                if (visible || state > 0) {
                    building.step(state, kind, 2 * longer - (visible ? 0 : 1));
                }
            }
        }
        return building.finished(goOn);
    }

    /** The texts that are in both, or in this one and not in the other. */
    DeterministicAutomaton and(DeterministicAutomaton other, boolean in, Runnable goOn) throws TooManyStates {
        Building building = new Building(alphabet);
        Map<Long, Integer> known = new HashMap<>();
        List<int[]> todo = new ArrayList<>();
        if (states == 0) {
            return this;
        }
        meet(0, other.states == 0 ? NOWHERE : 0, other, in, building, known, todo);
        for (int at = 0; at < todo.size(); at++) {
            goOn.run();
            int[] here = todo.get(at);
            for (int kind = 0; kind < alphabet.kinds(); kind++) {
                int mine = next[here[0] * alphabet.kinds() + kind];
                int its = here[1] == NOWHERE ? NOWHERE : other.next[here[1] * alphabet.kinds() + kind];
                if (mine != NOWHERE && (its != NOWHERE || !in)) {
                    building.step(at, kind, meet(mine, its, other, in, building, known, todo));
                }
            }
        }
        return building.finished(goOn);
    }

    private int meet(int mine, int its, DeterministicAutomaton other, boolean in, Building building, Map<Long, Integer> known,
            List<int[]> todo)
            throws TooManyStates {
        long key = (long) mine << 32 | its + 1;
        Integer state = known.get(key);
        if (state == null) {
            boolean there = its != NOWHERE && other.accepting.get(its);
            state = building.state(accepting.get(mine) && there == in);
            known.put(key, state);
            todo.add(new int[]{mine, its});
        }
        return state;
    }

    boolean isEmpty() {
        return states == 0;
    }

    int states() {
        return states;
    }

    boolean holds(String text) {
        int state = states == 0 ? NOWHERE : 0;
        for (int i = 0; i < text.length() && state != NOWHERE; i++) {
            int kind = alphabet.kindOf(text.charAt(i));
            state = kind < 0 ? NOWHERE : next[state * alphabet.kinds() + kind];
        }
        return state != NOWHERE && accepting.get(state);
    }

    /** A text of the fewest characters, of plain ones where it can be; the first of several in the order of the alphabet. */
    Optional<String> shortest() {
        return shortest(true).or(() -> shortest(false));
    }

    private Optional<String> shortest(boolean plainly) {
        int[] from = new int[states];
        char[] by = new char[states];
        Arrays.fill(from, NOWHERE);
        ArrayDeque<Integer> todo = new ArrayDeque<>();
        if (states > 0) {
            from[0] = 0;
            todo.add(0);
        }
        while (!todo.isEmpty()) {
            int here = todo.remove();
            if (accepting.get(here)) {
                StringBuilder text = new StringBuilder();
                for (int s = here; s != 0; s = from[s]) {
                    text.append(by[s]);
                }
                return Optional.of(text.reverse().toString());
            }
            for (int kind = 0; kind < alphabet.kinds(); kind++) {
                int to = next[here * alphabet.kinds() + kind];
                if (to != NOWHERE && from[to] == NOWHERE && (!plainly || alphabet.isPlain(kind))) {
                    from[to] = here;
                    by[to] = alphabet.letter(kind);
                    todo.add(to);
                }
            }
        }
        return Optional.empty();
    }

    /** An automaton in the making. */
    private static final class Building {

        private final Alphabet alphabet;
        private final BitSet accepting = new BitSet();
        private int[] next;
        private int states;

        Building(Alphabet alphabet) {
            this.alphabet = alphabet;
            this.next = new int[16 * alphabet.kinds()];
        }

        int state(boolean accepts) throws TooManyStates {
            if (states >= Automaton.MOST_STATES) {
                throw new TooManyStates();
            }
            int row = states * alphabet.kinds();
            if (row + alphabet.kinds() > next.length) {
                next = Arrays.copyOf(next, 2 * next.length);
            }
            Arrays.fill(next, row, row + alphabet.kinds(), NOWHERE);
            accepting.set(states, accepts);
            return states++;
        }

        void step(int from, int kind, int to) {
            next[from * alphabet.kinds() + kind] = to;
        }

        /** Without the states from which nothing is accepted, and made smaller where it is large. */
        DeterministicAutomaton finished(Runnable goOn) {
            BitSet alive = alive();
            if (states == 0 || !alive.get(0)) {
                return new DeterministicAutomaton(alphabet, new int[0], new BitSet(), 0);
            }
            int[] part = new int[states];
            for (int s = 0, n = 0; s < states; s++) {
                part[s] = alive.get(s) ? n++ : NOWHERE;
            }
            DeterministicAutomaton trimmed = merged(part, alive.cardinality());
            return trimmed.states > MOST_UNREDUCED ? trimmed.reduced(goOn) : trimmed;
        }

        private BitSet alive() {
            List<List<Integer>> before = new ArrayList<>();
            for (int s = 0; s < states; s++) {
                before.add(new ArrayList<>());
            }
            for (int s = 0; s < states; s++) {
                for (int kind = 0; kind < alphabet.kinds(); kind++) {
                    int to = next[s * alphabet.kinds() + kind];
                    if (to != NOWHERE && (before.get(to).isEmpty() || before.get(to).getLast() != s)) {
                        before.get(to).add(s);
                    }
                }
            }
            BitSet alive = (BitSet) accepting.clone();
            List<Integer> todo = new ArrayList<>(alive.stream().boxed().toList());
            while (!todo.isEmpty()) {
                for (int from : before.get(todo.removeLast())) {
                    if (!alive.get(from)) {
                        alive.set(from);
                        todo.add(from);
                    }
                }
            }
            return alive;
        }

        /** One state for each part; those in none are left out. */
        private DeterministicAutomaton merged(int[] part, int parts) {
            int[] merged = new int[parts * alphabet.kinds()];
            BitSet accepts = new BitSet();
            for (int s = 0; s < states; s++) {
                if (part[s] != NOWHERE) {
                    for (int kind = 0; kind < alphabet.kinds(); kind++) {
                        int to = next[s * alphabet.kinds() + kind];
                        merged[part[s] * alphabet.kinds() + kind] = to == NOWHERE ? NOWHERE : part[to];
                    }
                    accepts.set(part[s], accepting.get(s));
                }
            }
            return new DeterministicAutomaton(alphabet, merged, accepts, parts);
        }
    }

    /** The same texts with one state for all from which the same is accepted (Moore 1956); itself where that takes long. */
    private DeterministicAutomaton reduced(Runnable goOn) {
        int[] part = new int[states];
        for (int s = 0; s < states; s++) {
            part[s] = accepting.get(s) == accepting.get(0) ? 0 : 1;
        }
        int parts = 0;
        int rounds = 0;
        for (int known = -1; known != parts;) {
            if (rounds++ > MOST_ROUNDS) {
                return this;
            }
            known = parts;
            Map<List<Integer>, Integer> finer = new HashMap<>();
            int[] now = new int[states];
            for (int s = 0; s < states; s++) {
                goOn.run();
                Integer[] told = new Integer[alphabet.kinds() + 1];
                told[alphabet.kinds()] = part[s];
                for (int kind = 0; kind < alphabet.kinds(); kind++) {
                    int to = next[s * alphabet.kinds() + kind];
                    told[kind] = to == NOWHERE ? NOWHERE : part[to];
                }
                now[s] = finer.computeIfAbsent(Arrays.asList(told), t -> finer.size());
            }
            part = now;
            parts = finer.size();
        }
        Building whole = new Building(alphabet);
        whole.next = next;
        whole.accepting.or(accepting);
        whole.states = states;
        return whole.merged(part, parts);
    }
}
