package orthogon.app.cases;

import java.util.List;
import java.util.Optional;
import orthogon.app.account.Act;
import orthogon.app.account.People;
import orthogon.app.frame.Frame;
import orthogon.app.store.FollowUpStore;
import orthogon.app.store.FollowUpStore.KeptFollowUp;
import orthogon.app.store.FollowUpStore.UndoneFollowUp;
import orthogon.app.store.KnownReleases;
import orthogon.app.work.WorkOnFollowUps;
import orthogon.core.dispatch.FollowUpProgress;
import orthogon.core.questionnaire.FollowUp;
import orthogon.core.questionnaire.FollowUpSeat.Who;
import orthogon.core.questionnaire.Questionnaire;
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

    private final FollowUpStore followUps;
    private final KnownReleases releases;
    private final WorkOnFollowUps work;
    private final People people;

    Waiting(FollowUpStore followUps, KnownReleases releases, WorkOnFollowUps work, People people) {
        this.followUps = followUps;
        this.releases = releases;
        this.work = work;
        this.people = people;
    }

    /** What waits for somebody, the oldest first. */
    public List<WaitingLine> of(String who) {
        return followUps.undone(LOOKED_AT).stream().flatMap(u -> line(who, u).stream()).limit(MOST).toList();
    }

    private Optional<WaitingLine> line(String who, UndoneFollowUp undone) {
        KeptFollowUp kept = undone.kept();
        Questionnaire document = releases.get(undone.opener()).document();
        Optional<FollowUp> followUp = document.followUp(kept.code());
        String code = document.code();
        boolean decides = kept.progress() == FollowUpProgress.SENT
                && followUp.filter(f -> work.mayDecide(who, code, f)).isPresent();
        boolean answers = kept.progress().isOpen()
                && followUp.filter(f -> f.seat().who() == Who.PEOPLE && work.mayAnswer(who, code, f)).isPresent();
        return (decides || answers) && people.may(who, Act.READ_RESPONSES, code)
                ? Optional.of(new WaitingLine(code, undone.receipt(), decides ? "Decide" : "Answer", followUp.get().shown(),
                        Frame.when(decides ? kept.sentAt().orElse(kept.openedAt()) : kept.openedAt()),
                        kept.dueAt().filter(d -> answers).map(Frame::when).orElse("")))
                : Optional.empty();
    }
}
