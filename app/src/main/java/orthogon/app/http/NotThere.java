package orthogon.app.http;

/** What was asked for does not exist; the message is shown. */
public class NotThere extends RuntimeException {
    public NotThere(String message) {
        super(message, null, false, false);
    }
}
