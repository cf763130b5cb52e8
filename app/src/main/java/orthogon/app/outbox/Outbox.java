package orthogon.app.outbox;

/** Where mail is given to be sent. */
public interface Outbox {

    /**
     * Takes a message. It counts as sent once this returns.
     *
     * @param to a checked email address
     * @param subject at most 400 characters
     */
    void send(String to, String subject, String text);
}
