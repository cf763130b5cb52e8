package orthogon.core.proof.diagram;

/** Somebody who follows a long proof and may call it off. */
public interface Watch {

    Watch NOBODY = new Watch() {
    };

    /** Told whenever a part of the proof begins. */
    default void reached(String part) {}

    /** Whether nobody waits for the proof any more; asked all the time, and so to be answered at once. */
    default boolean isCalledOff() {
        return false;
    }
}
