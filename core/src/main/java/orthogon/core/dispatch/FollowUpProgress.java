package orthogon.core.dispatch;

import java.util.Locale;
import orthogon.core.questionnaire.FollowUp;

/** How far a follow-up is that was opened. */
public enum FollowUpProgress {

    /** It can be answered. */
    OPEN,
    /** It was sent, and is to be decided where there is anything to decide. */
    SENT,
    /** It went back to whoever answered it, and can be answered again. */
    RETURNED, DECIDED,
    /** It was not sent in time. */
    EXPIRED,
    /** Somebody took it back. */
    WITHDRAWN;

    /** The word that conditions and stores write. */
    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }

    /** What a word of conditions and stores means. */
    public static FollowUpProgress of(String word) {
        return valueOf(word.toUpperCase(Locale.ROOT));
    }

    /** Whether it can be answered. */
    public boolean isOpen() {
        return this == OPEN || this == RETURNED;
    }

    /** Whether nothing comes of it any more. */
    public boolean isEnd(FollowUp followUp) {
        return this == DECIDED || this == EXPIRED || this == WITHDRAWN || this == SENT && followUp.decision().isNone();
    }
}
