package orthogon.app.proving;

import java.time.Duration;
import java.time.LocalDate;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import orthogon.app.background.Computations;
import orthogon.app.background.Computed;
import orthogon.app.store.DraftStore.Draft;
import orthogon.core.proof.diagram.Watch;
import orthogon.core.proof.drill.Drills.NotPossible;
import orthogon.core.proof.told.ClaimWords;

/**
 * Something about a revision that is worked out in the background when somebody asks for it, once.
 *
 * @param <T> what is found
 */
public abstract class WorkedOut<T> {

    private static final String STOPPED = "the work was stopped";
    private static final int KEPT = 10;
    private static final Duration ACT_WAITS = Duration.ofSeconds(60);

    /**
     * What came of the work.
     *
     * @param found empty where there is nothing
     * @param why there is nothing; empty otherwise
     * @param isStopped whether there is nothing since somebody stopped the work
     */
    public record Worked<T>(Optional<T> found, String why, boolean isStopped) {

        static <T> Worked<T> nothing(String why) {
            return new Worked<>(Optional.empty(), why, false);
        }
    }

    /** @param rests on what beside the revision, as long as that is the same */
    private record WorkedKey(long questionnaire, int revision, LocalDate day, String rests) {

        boolean isOf(Draft draft) {
            return questionnaire == draft.id() && revision == draft.revision();
        }
    }

    private final Computations computations;
    private final Computed<WorkedKey, Worked<T>> known;

    WorkedOut(Computations computations) {
        this.computations = computations;
        this.known = new Computed<>(computations, KEPT);
    }

    /** Does the work. */
    abstract T find(Draft draft, LocalDate day, Watch watch) throws NotPossible;

    /** What the work rests on beside the revision, in a word that changes with it. */
    String restsOn(Draft draft) {
        return "";
    }

    private CompletableFuture<Worked<T>> begin(Draft draft) {
        LocalDate day = LocalDate.now();
        return known.of(new WorkedKey(draft.id(), draft.revision(), day, restsOn(draft)), draft.document().items().count(),
                () -> worked(draft, day));
    }

    private Worked<T> worked(Draft draft, LocalDate day) {
        try {
            return new Worked<>(Optional.of(find(draft, day, computations.watch())), "", false);
        } catch (NotPossible e) {
            return Worked.nothing(e.getMessage());
        }
    }

    /** Empty while it is worked out; never waits. */
    public Optional<Worked<T>> ready(Draft draft) {
        CompletableFuture<Worked<T>> work = begin(draft);
        try {
            return Optional.ofNullable(work.getNow(null));
        } catch (CancellationException e) {
            return Optional.of(new Worked<>(Optional.empty(), STOPPED, true));
        } catch (CompletionException e) {
            return Optional.of(Worked.nothing(ClaimWords.failure(e.getCause())));
        }
    }

    /**
     * Waits for it, up to a minute.
     *
     * @throws Proofs.UnderWay when it is not there by then
     */
    public Worked<T> of(Draft draft) {
        try {
            begin(draft).get(ACT_WAITS.toMillis(), TimeUnit.MILLISECONDS);
        } catch (TimeoutException e) {
            throw new Proofs.UnderWay();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new Proofs.UnderWay();
        } catch (ExecutionException | CancellationException e) {
            // What is ready says so.
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
