package orthogon.formats.translation;

/** A file of texts that cannot be read at all; the message says where and what to do. */
public class UnreadableTexts extends Exception {
    public UnreadableTexts(String message) {
        super(message);
    }
}
