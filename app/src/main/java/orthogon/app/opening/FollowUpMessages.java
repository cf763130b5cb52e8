package orthogon.app.opening;

import java.time.OffsetDateTime;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import orthogon.app.http.PublicAddress;
import orthogon.app.sending.FollowUpLinks;
import orthogon.app.sending.SendMessages;
import orthogon.app.store.FollowUpStore;
import orthogon.app.store.FollowUpStore.KeptFollowUp;
import orthogon.app.store.InterviewStore.Running;
import orthogon.core.dispatch.DueMessage;
import orthogon.core.dispatch.OpenedFollowUp;
import orthogon.core.interview.Interview;
import orthogon.core.questionnaire.DispatchMessage;
import orthogon.core.questionnaire.FollowUp;
import orthogon.core.questionnaire.FollowUpSeat;
import orthogon.core.questionnaire.MessageOccasion.MessageMoment;
import org.springframework.stereotype.Component;

/** Puts the messages at the moments of a follow-up into the outbox, within the transaction of the moment. */
@Component
public class FollowUpMessages {

    private final SendMessages messages;
    private final FollowUpLinks links;
    private final FollowUpStore followUps;
    private final PublicAddress addresses;

    public FollowUpMessages(SendMessages messages, FollowUpLinks links, FollowUpStore followUps, PublicAddress addresses) {
        this.messages = messages;
        this.links = links;
        this.followUps = followUps;
        this.addresses = addresses;
    }

    /**
     * Sends what is to be sent at a moment.
     *
     * @param opened what is known of the follow-ups of the response at that moment
     * @return what was sent
     */
    List<DispatchMessage> at(MessageMoment moment, Running sent, KeptFollowUp kept, Collection<OpenedFollowUp> opened) {
        List<DispatchMessage> due = due(moment, sent, kept, opened);
        due.forEach(m -> send(sent, kept, m, moment));
        return due;
    }

    private static List<DispatchMessage> due(MessageMoment moment, Running sent, KeptFollowUp kept, Collection<OpenedFollowUp> opened) {
        Optional<FollowUp> followUp = sent.release().document().followUp(kept.code());
        return followUp.isEmpty()
                ? List.of()
                : DueMessage.at(sent.interview(), OpenedFollowUp.toldOf(followUp.get(), kept.entry(), opened), kept.code(), moment);
    }

    private void send(Running sent, KeptFollowUp kept, DispatchMessage message, MessageMoment moment) {
        boolean toAnswer = moment != MessageMoment.SENT && moment != MessageMoment.DECIDED;
        String ofCase = sent.receipt().map(r -> addresses.of("/q/" + sent.release().document().code() + "/responses/cases/" + r))
                .orElse("");
        messages.send(sent, message, (reading, answer) -> toAnswer ? link(kept, reading, answer) : "", ofCase);
    }

    /** The link of a follow-up, where whoever gave this answer is to answer it. */
    private String link(KeptFollowUp kept, Interview reading, String answer) {
        Optional<FollowUp> followUp = reading.wiring().document().followUp(kept.code());
        FollowUpSeat seat = followUp.map(FollowUp::seat).orElse(FollowUpSeat.RESPONDENT);
        boolean theirs = seat.who() == FollowUpSeat.Who.RESPONDENT
                || seat.who() == FollowUpSeat.Who.ADDRESS && seat.address().equals(answer);
        return followUp.isPresent() && theirs ? links.written(followUp.get(), kept, reading) : "";
    }

    /** Notes when it is to be told next that a follow-up is still open. */
    void schedule(Running sent, KeptFollowUp kept) {
        followUps.tellNext(kept.id(), times(sent, kept).filter(t -> t.isAfter(kept.openSince())).min(OffsetDateTime::compareTo));
    }

    private static Stream<OffsetDateTime> times(Running sent, KeptFollowUp kept) {
        return sent.release().document().messages().stream().filter(m -> m.occasion().followUp().equals(kept.code()))
                .flatMap(m -> time(m, kept).stream());
    }

    /** When a message is sent while a follow-up is open; empty where it is sent at another moment. */
    private static Optional<OffsetDateTime> time(DispatchMessage message, KeptFollowUp kept) {
        return switch (message.on()) {
            case REMINDER -> Optional.of(kept.openSince().plusDays(message.afterDays()));
            case OVERDUE -> kept.dueAt();
            default -> Optional.empty();
        };
    }

    /**
     * Sends what is to be sent of a follow-up that is still open.
     *
     * @param since when the first of it is to be sent; what was to be sent before was sent
     */
    public void stillOpen(Running sent, KeptFollowUp kept, Collection<OpenedFollowUp> opened, OffsetDateTime since, OffsetDateTime now) {
        for (MessageMoment moment : List.of(MessageMoment.REMINDER, MessageMoment.OVERDUE)) {
            due(moment, sent, kept, opened).stream()
                    .filter(m -> time(m, kept).filter(t -> !t.isBefore(since) && !t.isAfter(now)).isPresent())
                    .forEach(m -> send(sent, kept, m, moment));
        }
        followUps.tellNext(kept.id(), times(sent, kept).filter(t -> t.isAfter(now)).min(OffsetDateTime::compareTo));
    }
}
