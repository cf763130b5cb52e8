package orthogon.app.proving;

import orthogon.app.background.Computations;
import orthogon.app.background.Computed;
import orthogon.app.store.DraftStore.Draft;
import orthogon.core.expression.Wiring;
import orthogon.core.proof.diagram.Limits;
import orthogon.core.proof.drill.Drills;
import orthogon.core.proof.drill.Rerun;
import orthogon.core.proof.told.ClaimWords;
import orthogon.core.questionnaire.Questionnaire;
import java.time.Duration;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import org.springframework.stereotype.Component;

/** The covering set of drills of a revision, worked out in the background when somebody asks for it. */
@Component
public class DrillSets {

    private static final String STOPPED = "the work was stopped";
    private static final int KEPT = 10;
    private static final Duration ACT_WAITS = Duration.ofSeconds(60);

    /**
     * What is known of a revision's drills.
     *
     * @param drills empty where there can be none
     * @param why there can be none; empty otherwise
     * @param isStopped whether there are none since somebody stopped the work
     */
    public record DrillSet(Optional<Drills> drills, String why, boolean isStopped) {

        /** Walks every drill through the interview, anew: for each, what the interview does otherwise than the drill expects. */
        public List<List<String>> replayed(Questionnaire document, LocalDate day) {
            Wiring wiring = Wiring.of(document);
            return drills.map(Drills::drills).orElse(List.of()).stream().map(d -> Rerun.differences(wiring, day, d)).toList();
        }
    }

    private record DrillSetKey(long questionnaire, int revision, LocalDate day) {

        boolean isOf(Draft draft) {
            return questionnaire == draft.id() && revision == draft.revision();
        }
    }

    private final Computations computations;
    private final Computed<DrillSetKey, DrillSet> known;

    DrillSets(Computations computations) {
        this.computations = computations;
        this.known = new Computed<>(computations, KEPT);
    }

    private CompletableFuture<DrillSet> begin(Draft draft) {
        LocalDate day = LocalDate.now();
        return known.of(new DrillSetKey(draft.id(), draft.revision(), day), draft.document().items().count(),
                () -> found(draft.document(), day));
    }

    private DrillSet found(Questionnaire document, LocalDate day) {
        try {
            return new DrillSet(Optional.of(Drills.of(document, day, Limits.USUAL, computations.watch())), "", false);
        } catch (Drills.NotPossible e) {
            return new DrillSet(Optional.empty(), e.getMessage(), false);
        }
    }

    /** Empty while they are worked out; never waits. */
    public Optional<DrillSet> ready(Draft draft) {
        CompletableFuture<DrillSet> set = begin(draft);
        try {
            return Optional.ofNullable(set.getNow(null));
        } catch (CancellationException e) {
            return Optional.of(new DrillSet(Optional.empty(), STOPPED, true));
        } catch (CompletionException e) {
            return Optional.of(new DrillSet(Optional.empty(), ClaimWords.failure(e.getCause()), false));
        }
    }

    /**
     * Waits for them, up to a minute.
     *
     * @throws Proofs.UnderWay when they are not there by then
     */
    public DrillSet of(Draft draft) {
        try {
            begin(draft).get(ACT_WAITS.toMillis(), TimeUnit.MILLISECONDS);
        } catch (TimeoutException e) {
            throw new Proofs.UnderWay();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new Proofs.UnderWay();
        } catch (ExecutionException | CancellationException e) {
            // The set says so.
        }
        return ready(draft).orElseThrow(Proofs.UnderWay::new);
    }

    /** Calls off what is under way for a draft. */
    public void stop(Draft draft) {
        known.stop(key -> key.isOf(draft));
    }

    /** Begins again what was stopped for a draft. */
    public void again(Draft draft) {
        known.forget(key -> key.isOf(draft));
    }
}
