package orthogon.app.proving;

import orthogon.app.background.Computations;
import orthogon.app.background.Computed;
import orthogon.app.store.DraftStore.Draft;
import orthogon.app.store.ReleaseStore.Release;
import orthogon.core.expression.Wiring;
import orthogon.core.proof.change.Change;
import orthogon.core.proof.diagram.Limits;
import orthogon.core.proof.drill.Drill;
import orthogon.core.proof.drill.Drills;
import orthogon.core.proof.drill.Rerun;
import orthogon.core.proof.told.ClaimWords;
import orthogon.core.questionnaire.Questionnaire;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import org.springframework.stereotype.Component;

/** What a draft means otherwise to respondents than a release, worked out in the background when somebody asks for it. */
@Component
public class Changes {

    /** What is known of a comparison that somebody stopped. */
    private static final String STOPPED = "The comparison was stopped.";
    private static final int KEPT = 10;

    /** A drill of the release that the draft does otherwise. */
    public record Otherwise(int number, Drill drill, String differs) {}

    /**
     * The drills of the release, walked through the draft.
     *
     * @param drills how many there are; 0 where there can be none
     */
    public record Walked(int drills, List<Otherwise> otherwise) {}

    /**
     * What is known of a change.
     *
     * @param failed why nothing is; empty where something is
     * @param isStopped whether nothing is since somebody stopped the comparison
     * @param walked empty while the drills are being walked
     */
    public record FoundChange(Optional<Change> change, String failed, boolean isStopped, Optional<Walked> walked) {}

    private record ChangeKey(long release, long questionnaire, int revision, LocalDate day) {

        boolean isOf(Draft draft) {
            return questionnaire == draft.id() && revision == draft.revision();
        }
    }

    private final Computations computations;
    private final Computed<ChangeKey, Change> changes;
    private final Computed<ChangeKey, Walked> walks;

    Changes(Computations computations) {
        this.computations = computations;
        this.changes = new Computed<>(computations, KEPT);
        this.walks = new Computed<>(computations, KEPT);
    }

    /** Empty while it is worked out; never waits. */
    public Optional<FoundChange> ready(Release release, Draft draft) {
        LocalDate day = LocalDate.now();
        ChangeKey key = new ChangeKey(release.id(), draft.id(), draft.revision(), day);
        long size = release.document().items().count() + draft.document().items().count();
        CompletableFuture<Change> change = changes.of(key, size,
                () -> Change.between(release.document(), draft.document(), day, Limits.USUAL, computations.watch()));
        CompletableFuture<Walked> walk = walks.of(key, size, () -> walked(release.document(), draft.document(), day));
        if (!change.isDone()) {
            return Optional.empty();
        }
        Optional<Walked> walked = walk.isCompletedExceptionally()
                ? Optional.of(new Walked(0, List.of()))
                : Optional.ofNullable(walk.getNow(null));
        return Optional.of(change.handle((is, failure) -> failure == null
                ? new FoundChange(Optional.of(is), "", false, walked)
                : new FoundChange(Optional.empty(), because(failure), failure instanceof CancellationException,
                        Optional.of(new Walked(0, List.of()))))
                .join());
    }

    /** Calls off what is under way for a draft. */
    public void stop(Draft draft) {
        changes.stop(key -> key.isOf(draft));
        walks.stop(key -> key.isOf(draft));
    }

    /** Begins again what was stopped for a draft. */
    public void again(Draft draft) {
        changes.forget(key -> key.isOf(draft));
        walks.forget(key -> key.isOf(draft));
    }

    private static String because(Throwable e) {
        if (e instanceof CancellationException) {
            return STOPPED;
        }
        return ClaimWords.failure(e instanceof CompletionException ? e.getCause() : e);
    }

    private Walked walked(Questionnaire before, Questionnaire after, LocalDate day) {
        try {
            List<Drill> drills = Drills.of(before, day, Limits.USUAL, computations.watch()).drills();
            Wiring wiring = Wiring.of(after);
            List<Otherwise> otherwise = new ArrayList<>();
            for (int i = 0; i < drills.size(); i++) {
                List<String> differs = Rerun.differences(wiring, day, drills.get(i));
                if (!differs.isEmpty()) {
                    otherwise.add(new Otherwise(i + 1, drills.get(i), String.join("; ", differs)));
                }
            }
            return new Walked(drills.size(), otherwise);
        } catch (Drills.NotPossible e) {
            return new Walked(0, List.of());
        }
    }
}
