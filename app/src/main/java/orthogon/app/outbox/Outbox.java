package orthogon.app.outbox;

/** Where mail is given to be sent. */
public interface Outbox {

    /**
     * A message to be sent.
     *
     * @param to a checked email address
     * @param subject at most {@value #LONGEST_SUBJECT} characters; line breaks become spaces
     * @param text plain, in paragraphs with an empty line between them; addresses of pages become links;
     *     what is beyond {@value #LONGEST_TEXT} characters is left out
     * @param language tag of the language that it is written in
     * @param interview whose answers it may tell, and with which it is erased; empty for none
     */
    record Mail(String to, String subject, String text, String language, String interview) {

        static final int LONGEST_SUBJECT = 400;
        static final int LONGEST_TEXT = 200_000;

        /** A message that tells no answers. */
        public Mail(String to, String subject, String text, String language) {
            this(to, subject, text, language, "");
        }

        public Mail {
            String line = subject.replaceAll("[\\p{Cntrl}\\s]+", " ").strip();
            subject = line.substring(0, Math.min(line.length(), LONGEST_SUBJECT));
            text = text.substring(0, Math.min(text.length(), LONGEST_TEXT));
        }
    }

    /** Keeps a message within the transaction of the caller; it is delivered once that is committed. */
    void send(Mail mail);
}
