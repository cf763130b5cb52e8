package orthogon.app.outbox;

import java.time.OffsetDateTime;
import java.util.Locale;
import orthogon.app.outbox.Outbox.Mail;

/**
 * A message as it is kept.
 *
 * @param messageId by which mail programs know that they have it already, without its brackets
 * @param tries how often it was tried to deliver it
 * @param dueAt when it is tried next, or was delivered
 * @param fault what the last try met; empty for nothing
 * @param mail as it was given
 */
public record KeptMessage(long id, String messageId, Mail mail, OffsetDateTime madeAt, MessageState state, int tries,
        OffsetDateTime dueAt, String fault) {

    public String to() {
        return mail.to();
    }

    public String subject() {
        return mail.subject();
    }

    /** How far a message is. */
    public enum MessageState {
        /** To be tried. */
        WAITING,
        /** Being tried, or tried by a server that ended before it knew what came of it. */
        TRYING, DELIVERED,
        /** Not tried any more. */
        FAILED;

        public String word() {
            return name().toLowerCase(Locale.ROOT);
        }

        static MessageState of(String word) {
            return valueOf(word.toUpperCase(Locale.ROOT));
        }
    }
}
