package orthogon.app.outbox;

import java.util.Set;

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
     * @param html the same as a page for mail programs; empty where it is made of the text
     * @param interview whose answers it may tell, and with which it is erased; empty for none
     * @param replyTo address that answers go to; empty for that of the installation
     * @param attached what of the interview comes with it
     * @param code which message of its questionnaire it is; empty for others
     */
    record Mail(String to, String subject, String text, String html, String language, String interview, String replyTo,
            Set<MailAttachment> attached, String code) {

        /** What can come with a message that an interview sends. */
        public enum MailAttachment {
            /** The response as a PDF file. */
            RESPONSE,
            /** The files that the respondent gave. */
            FILES
        }

        static final int LONGEST_SUBJECT = 400;
        static final int LONGEST_TEXT = 200_000;

        /** A message that tells no answers. */
        public Mail(String to, String subject, String text, String language) {
            this(to, subject, text, language, "");
        }

        /** A message with nothing attached. */
        public Mail(String to, String subject, String text, String language, String interview) {
            this(to, subject, text, "", language, interview, "", Set.of(), "");
        }

        public Mail {
            String line = subject.replaceAll("[\\p{Cntrl}\\s]+", " ").strip();
            subject = line.substring(0, Math.min(line.length(), LONGEST_SUBJECT));
            text = text.substring(0, Math.min(text.length(), LONGEST_TEXT));
            attached = Set.copyOf(attached);
        }
    }

    /** Keeps a message within the transaction of the caller; it is delivered once that is committed. */
    void send(Mail mail);
}
