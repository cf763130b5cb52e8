package orthogon.core.proof.space;

/** An answer domain cannot be divided exactly for some expression; the message says why, for the analyst. */
final class Inexact extends Exception {
    Inexact(String why) {
        super(why, null, false, false);
    }
}
