package orthogon.core.answer;

/** Settings that an answer cannot have, with what is wrong and what to do. */
public final class AnswerFault extends RuntimeException {

    private final String setting;

    /**
     * @param setting name of the setting in the document file
     * @param message begins small and has no full stop
     */
    public AnswerFault(String setting, String message) {
        super(message, null, false, false);
        this.setting = setting;
    }

    public String setting() {
        return setting;
    }

    /** The message as a sentence. */
    public String sentence() {
        String message = getMessage();
        return Character.toUpperCase(message.charAt(0)) + message.substring(1) + ".";
    }

    /** Throws where a whole number is out of its range; null is in every range. */
    public static void unlessBetween(Integer value, int least, int most, String setting, String words) {
        if (value != null && (value < least || value > most)) {
            throw new AnswerFault(setting, words + " from " + least + " to " + most + ", not " + value);
        }
    }
}
