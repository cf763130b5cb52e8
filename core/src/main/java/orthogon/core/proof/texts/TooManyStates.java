package orthogon.core.proof.texts;

/** An automaton would need more states than {@link Automaton#MOST_STATES}. */
public final class TooManyStates extends Exception {

    private static final long serialVersionUID = 1;

    TooManyStates() {
        super("more than " + Automaton.MOST_STATES + " states would be needed", null, false, false);
    }
}
