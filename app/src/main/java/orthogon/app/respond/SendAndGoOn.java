package orthogon.app.respond;

import java.time.OffsetDateTime;
import orthogon.app.store.InterviewStore.Running;
import orthogon.app.work.AddRecord;
import orthogon.app.work.SendInterview;
import orthogon.app.work.WorkOnFollowUps;
import org.springframework.stereotype.Component;

/** Sends an interview for its respondent, and says where the respondent goes on. */
@Component
class SendAndGoOn {

    private final SendInterview sending;
    private final AddRecord adds;

    SendAndGoOn(SendInterview sending, AddRecord adds) {
        this.sending = sending;
        this.adds = adds;
    }

    /**
     * Sends an interview, and leads to its receipt, to where it is said that it is over, or to where the record that it adds is wanted.
     *
     * @param kept as it was read
     * @return where to redirect
     */
    String send(Running complete, Running kept) {
        try {
            sending.send(complete, OffsetDateTime.now());
        } catch (WorkOnFollowUps.FollowUpOver e) {
            return RespondController.over(kept);
        }
        return adds.wantedBy(kept.id()).map(w -> "redirect:/i/" + w.host().id() + RespondController.anchor(w.slot()))
                .orElseGet(() -> receipt(kept));
    }

    /** To the receipt, and from there at once to the address of the outcome where the questionnaire wants that. */
    private static String receipt(Running running) {
        boolean onward = running.release().document().presentation().navigation().redirectAtOnce();
        return "redirect:/i/" + running.id() + "/receipt" + (onward ? "?onward=true" : "");
    }
}
