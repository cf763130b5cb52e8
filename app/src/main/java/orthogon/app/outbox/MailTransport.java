package orthogon.app.outbox;

/** Takes a message to the server of whoever it is for. */
public interface MailTransport {

    /** Thrown where a message was not taken; another try may succeed unless it is final. */
    final class NotTaken extends Exception {

        private final boolean isFinal;

        NotTaken(String why, boolean isFinal, Throwable cause) {
            super(why, cause);
            this.isFinal = isFinal;
        }

        /** Whether no other try can succeed, as where there is no such address. */
        boolean isFinal() {
            return isFinal;
        }
    }

    /** Returns once the server has the message. */
    void deliver(KeptMessage message) throws NotTaken;

    /** Whether messages leave this machine. */
    boolean leaves();

    /** What messages say they are from. */
    String from();
}
