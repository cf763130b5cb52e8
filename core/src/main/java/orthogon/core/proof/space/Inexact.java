package orthogon.core.proof.space;

import orthogon.core.proof.message.Message;

/** An answer domain cannot be divided exactly for some expression; with the reason. */
final class Inexact extends Exception {
    private final transient Message why;

    Inexact(Message why) {
        super(why.toString(), null, false, false);
        this.why = why;
    }

    Message why() {
        return why;
    }
}
