package orthogon.core.questionnaire;

/** An edit that cannot be made, with what is wrong and what to do. The document is as it was. */
public final class Refused extends Exception {
    public Refused(String message) {
        super(message, null, false, false);
    }
}
