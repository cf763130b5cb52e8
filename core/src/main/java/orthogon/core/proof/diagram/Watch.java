package orthogon.core.proof.diagram;

import java.util.concurrent.CancellationException;

/** Follows a long proof and may call it off. */
public interface Watch {

    Watch NOBODY = new Watch() {
    };

    /** Told whenever a part of the proof begins. */
    default void reached(String part) {}

    /** Whether nobody waits for the proof any more; asked all the time, and so to be answered at once. */
    default boolean isCalledOff() {
        return false;
    }

    /**
     * Goes on unless the proof was called off.
     *
     * @throws CancellationException if it was
     */
    default void goOn() {
        if (isCalledOff()) {
            throw new CancellationException("the proof was called off");
        }
    }
}
