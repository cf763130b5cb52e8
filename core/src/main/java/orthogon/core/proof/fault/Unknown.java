package orthogon.core.proof.fault;

import orthogon.core.proof.message.Message;

/** Why a proof does not know something. */
public sealed interface Unknown {

    /** The reason, without a full stop. */
    Message why();

    /**
     * It rests on something unsound.
     *
     * @param place the expression or item, as the proof report writes it
     */
    record Unsound(Fault.SoundClaim kind, String place) implements Unknown {
        @Override
        public Message why() {
            return Message.of("unknown.fault").code("place", place);
        }
    }

    /** It is beyond what is decided exactly. */
    record Beyond(Message why) implements Unknown {}
}
