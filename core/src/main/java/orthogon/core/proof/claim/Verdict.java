package orthogon.core.proof.claim;

/** What the proof says of a claim. */
public enum Verdict {
    PROVED, REFUTED, UNDECIDED;

    public String word() {
        return name().toLowerCase(java.util.Locale.ROOT);
    }
}
