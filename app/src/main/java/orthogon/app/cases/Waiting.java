package orthogon.app.cases;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import orthogon.app.account.Act;
import orthogon.app.account.People;
import orthogon.app.frame.Frame;
import orthogon.app.store.FollowUpStore.KeptFollowUp;
import orthogon.app.store.InterviewStore;
import orthogon.app.store.InterviewStore.Running;
import orthogon.app.work.WorkOnFollowUps;
import orthogon.core.dispatch.FollowUpProgress;
import orthogon.core.questionnaire.FollowUp;
import orthogon.core.questionnaire.FollowUpSeat.Who;
import org.springframework.stereotype.Component;

/** The follow-ups that wait for a person of the workspace: to be answered or to be decided. */
@Component
public class Waiting {

    /** So many of the oldest follow-ups are looked at. */
    private static final int LOOKED_AT = 1_000;
    /** So many are given; who lists fewer knows that there are more. */
    private static final int MOST = 9;

    /**
     * Something to be done.
     *
     * @param what in words
     * @param receipt of the response that opened it
     * @param due until when, in words; empty for no time
     */
    public record WaitingLine(String code, String receipt, String what, String title, String since, String due) {}

    private final CaseViews views;
    private final InterviewStore interviews;
    private final WorkOnFollowUps work;
    private final People people;

    Waiting(CaseViews views, InterviewStore interviews, WorkOnFollowUps work, People people) {
        this.views = views;
        this.interviews = interviews;
        this.work = work;
        this.people = people;
    }

    /** What waits for somebody, the oldest first. */
    public List<WaitingLine> of(String who) {
        List<WaitingLine> lines = new ArrayList<>();
        for (KeptFollowUp kept : views.undone(LOOKED_AT).toList()) {
            Optional<Running> opener = interviews.find(kept.interviewId());
            Optional<FollowUp> followUp = opener.flatMap(r -> r.release().document().followUp(kept.code()));
            if (followUp.isPresent() && lines.size() < MOST) {
                line(who, kept, opener.get(), followUp.get()).ifPresent(lines::add);
            }
        }
        return lines;
    }

    private Optional<WaitingLine> line(String who, KeptFollowUp kept, Running opener, FollowUp followUp) {
        String code = opener.release().document().code();
        boolean decides = kept.progress() == FollowUpProgress.SENT && work.mayDecide(who, code, followUp);
        boolean answers = kept.progress().isOpen() && followUp.seat().who() == Who.PEOPLE && work.mayAnswer(who, code, followUp);
        return (decides || answers) && opener.receipt().isPresent() && people.may(who, Act.READ_RESPONSES, code)
                ? Optional.of(new WaitingLine(code, opener.receipt().get(), decides ? "Decide" : "Answer", followUp.shown(),
                        Frame.when(decides ? kept.sentAt().orElse(kept.openedAt()) : kept.openedAt()),
                        kept.dueAt().filter(d -> answers).map(Frame::when).orElse("")))
                : Optional.empty();
    }
}
