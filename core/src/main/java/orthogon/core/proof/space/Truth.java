package orthogon.core.proof.space;

import orthogon.core.proof.diagram.Diagrams;

/** A condition as sets of states: where it is true and where it is false; elsewhere it is null. */
public record Truth(int holds, int fails) {

    public static final Truth ALWAYS = new Truth(Diagrams.ALL, Diagrams.NONE);
    public static final Truth NEVER = new Truth(Diagrams.NONE, Diagrams.ALL);
}
