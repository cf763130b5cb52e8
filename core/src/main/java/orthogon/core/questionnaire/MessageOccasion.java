package orthogon.core.questionnaire;

import java.util.Locale;
import java.util.Set;

/**
 * When a message is sent.
 *
 * @param moment of the interview, or of one of its follow-ups
 * @param followUp code of the follow-up whose moment it is; empty for the moment of the interview
 * @param afterDays of a reminder, how many days after the invitation, or after the follow-up is opened, it is sent by itself; 0 for never
 */
public record MessageOccasion(MessageMoment moment, String followUp, int afterDays) {

    /** A moment of an interview or of a follow-up. */
    public enum MessageMoment {
        /** With the interview, or once a follow-up is sent. */
        SENT,
        /** To whoever is invited, with their link. */
        INVITED,
        /** To whoever was invited and has not sent their answers, or while a follow-up is open. */
        REMINDER,
        /** Once a follow-up is opened. */
        OPENED,
        /** Once a follow-up that was sent goes back to whoever answered it. */
        RETURNED,
        /** Once it is decided about a follow-up. */
        DECIDED,
        /** Once the time is over until when a follow-up is to be sent. */
        OVERDUE;

        public String word() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /** With the interview. */
    public static final MessageOccasion WITH_ANSWERS = new MessageOccasion(MessageMoment.SENT, "", 0);

    private static final Set<MessageMoment> OF_INTERVIEWS = Set.of(MessageMoment.SENT, MessageMoment.INVITED, MessageMoment.REMINDER);

    public boolean isOfFollowUp() {
        return !followUp.isEmpty();
    }

    /** Whether there is such a moment: some are of interviews alone, some of follow-ups alone. */
    public boolean isPossible() {
        return isOfFollowUp() ? moment != MessageMoment.INVITED : OF_INTERVIEWS.contains(moment);
    }

    /** Whether the follow-up was sent by then. */
    public boolean isAfterFollowUp() {
        return isOfFollowUp() && (moment == MessageMoment.SENT || moment == MessageMoment.RETURNED || moment == MessageMoment.DECIDED);
    }

    /** Whether a follow-up ever comes to this moment. */
    public boolean comesIn(FollowUp of) {
        return switch (moment) {
            case DECIDED -> !of.decision().isNone();
            case RETURNED -> of.decision().choices().stream().anyMatch(FollowUp.DecisionChoice::returns);
            case OVERDUE -> of.due().days() > 0;
            case SENT, INVITED, REMINDER, OPENED -> isPossible();
        };
    }

    MessageOccasion withFollowUp(String changed) {
        return new MessageOccasion(moment, changed, afterDays);
    }
}
