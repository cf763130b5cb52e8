package orthogon.core.proof.fault;

/** Why a proof does not know something. */
public sealed interface Unknown {

    /** The reason in words, without a full stop. */
    String words();

    /**
     * It rests on something unsound.
     *
     * @param place the expression or item, as the proof report writes it
     */
    record Unsound(Fault.SoundClaim kind, String place) implements Unknown {
        @Override
        public String words() {
            return place + " has a fault; fix that first";
        }
    }

    /** It is beyond what is decided exactly. */
    record Beyond(String words) implements Unknown {}
}
