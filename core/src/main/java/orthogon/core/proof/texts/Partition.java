package orthogon.core.proof.texts;

import java.util.ArrayList;
import java.util.List;

/** Texts told apart by a few automata, one text for each way in which they can turn out. */
public final class Partition {

    private static final int MOST_CLASSES = 200;
    /** Texts that stand for others where they can, since a person would write them; the most usual first. */
    public static final List<String> ORDINARY = List.of("Quillmere", "alder brook", "fen", "a", "12",
            "seven grey herons by the mill pond");

    private Partition() {}

    /**
     * Of the trimmed texts that all limits hold, one for each way in which the automata can turn out.
     *
     * @param least fewest characters, at least 1
     * @param most most characters; null for no limit
     * @param limits automata that every text must be in
     * @param by what tells texts apart
     * @param goOn called at every step; throws where nobody waits any more
     * @throws TooManyStates where more than {@link Automaton#MOST_STATES} are needed, or more than 200 ways are possible
     */
    public static List<String> of(int least, Integer most, List<Automaton> limits, List<Automaton> by, Runnable goOn) throws TooManyStates {
        List<Automaton> all = new ArrayList<>(limits);
        all.addAll(by);
        Alphabet alphabet = new Alphabet(all, goOn);
        DeterministicAutomaton allowed = DeterministicAutomaton.trimmed(alphabet, least, most, goOn);
        for (Automaton limit : limits) {
            allowed = allowed.and(DeterministicAutomaton.of(limit, alphabet, goOn), true, goOn);
        }
        List<DeterministicAutomaton> classes = new ArrayList<>();
        keep(allowed, classes);
        for (Automaton automaton : by) {
            DeterministicAutomaton told = DeterministicAutomaton.of(automaton, alphabet, goOn);
            List<DeterministicAutomaton> finer = new ArrayList<>();
            for (DeterministicAutomaton part : classes) {
                keep(part.and(told, true, goOn), finer);
                keep(part.and(told, false, goOn), finer);
            }
            classes = finer;
        }
        List<String> texts = new ArrayList<>();
        for (DeterministicAutomaton part : classes) {
            texts.add(ORDINARY.stream().filter(part::holds).findFirst().or(part::shortest).orElseThrow());
        }
        return texts;
    }

    private static void keep(DeterministicAutomaton part, List<DeterministicAutomaton> parts) throws TooManyStates {
        if (!part.isEmpty()) {
            parts.add(part);
        }
        if (parts.size() > MOST_CLASSES) {
            throw new TooManyStates();
        }
    }
}
