package orthogon.core.responses;

/** What is known about every response besides its answers. */
public enum ResponseFact {
    /** The receipt that the respondent has, a text. */
    RECEIPT("receipt", "receipt"),
    /** The day on which it was sent. */
    SENT("sent", "day it was sent"),
    /** Code of the outcome; blank where there is none. */
    OUTCOME("outcome", "outcome"),
    /** Number of the release that was answered. */
    RELEASE("release", "number of the release"),
    /** Tag of the language in which it was answered. */
    LANGUAGE("language", "language it was answered in"),
    /** How far the work on it is, the code of a state of the workspace. */
    STATE("state", "state"),
    /** Name of the person in charge; blank for nobody. */
    IN_CHARGE("in_charge", "person in charge");

    private final String code;
    private final String words;

    ResponseFact(String code, String words) {
        this.code = code;
        this.words = words;
    }

    /** The name in conditions, unless an item of the questionnaire has it. */
    String code() {
        return code;
    }

    /** What it is, for people. */
    public String words() {
        return words;
    }
}
