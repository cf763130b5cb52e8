package orthogon.app.proving;

import orthogon.app.opening.Openable;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.Executor;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.function.Supplier;
import orthogon.app.background.Computations;
import orthogon.app.background.Computed;
import orthogon.app.opening.Openable.Opened;
import orthogon.app.store.DraftStore.Draft;
import orthogon.core.proof.Proof;
import orthogon.core.proof.diagram.Limits;
import orthogon.core.proof.diagram.Watch;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/** The proof of each revision, computed once and in the background. */
@Component
public class Proofs {

    private static final int KEPT = 40;

    /** @param opens what its follow-ups open, as long as that is the same */
    private record ProofKey(long questionnaire, int revision, LocalDate asOf, String opens) {}

    private static final long SLOW_MILLIS = 150;
    /** How long a sheet that is opened waits for its proof, before it opens without one. */
    private static final Duration SHEET_WAITS = Duration.ofSeconds(2);
    /** How long a proof waits that follows an edit, where the one before took long. */
    private static final Executor AFTER_EDIT = CompletableFuture.delayedExecutor(300, TimeUnit.MILLISECONDS);
    /** How long an act waits that needs the proof. */
    private static final Duration ACT_WAITS = Duration.ofSeconds(60);

    /** A proof that is under way still, where somebody waited long enough. */
    public static final class UnderWay extends RuntimeException {

        private static final long serialVersionUID = 1L;

        UnderWay() {
            super("The proof is under way.", null, false, false);
        }
    }

    private final Limits limits;
    private final Map<Long, String> parts = new ConcurrentHashMap<>();
    private final Map<Long, Integer> newest = new ConcurrentHashMap<>();
    private final Map<Long, Long> took = new ConcurrentHashMap<>();
    private final Map<Long, Instant> begun = new ConcurrentHashMap<>();
    /** Questionnaire to the revision whose proof somebody stopped. */
    private final Map<Long, Integer> stopped = new ConcurrentHashMap<>();
    private final Computations computations;
    private final Openable openable;
    private final Computed<ProofKey, Proof> proofs;

    /**
     * @param seconds longest time for one part of a proof
     * @param megabytes most memory of its diagrams
     */
    Proofs(@Value("${orthogon.proof-seconds:300}") int seconds, @Value("${orthogon.proof-megabytes:160}") int megabytes,
            Computations computations, Openable openable) {
        this.computations = computations;
        this.openable = openable;
        this.proofs = new Computed<>(computations, KEPT);
        this.limits = Limits.of(megabytes, Duration.ofSeconds(seconds));
    }

    private static long size(Draft draft) {
        return draft.document().items().count();
    }

    /** A revision that was overtaken while it waited is not proved: nobody looks at it any more. */
    private Proof prove(Draft draft, ProofKey key, Opened opened) {
        if (newest.merge(draft.id(), draft.revision(), Math::max) > draft.revision()) {
            proofs.remove(key::equals);
            throw new CancellationException("revision " + draft.revision() + " was overtaken");
        }
        long from = System.nanoTime();
        Proof proof = proved(draft, key, opened, watching(draft));
        took.put(draft.id(), TimeUnit.NANOSECONDS.toMillis(System.nanoTime() - from));
        return proof;
    }

    /** A proof in any case: an error of Orthogon is a verdict, never a page that waits. */
    private Proof proved(Draft draft, ProofKey key, Opened opened, Watch watch) {
        try {
            return last(key).map(before -> before.after(draft.document(), limits, watch, opened))
                    .orElseGet(() -> Proof.of(draft.document(), key.asOf(), limits, watch, opened));
        } catch (CancellationException e) {
            if (isStopped(draft)) {
                return Proof.stopped(draft.document(), key.asOf());
            }
            throw e;
        } catch (RuntimeException | OutOfMemoryError | StackOverflowError e) {
            return Proof.failed(draft.document(), key.asOf(), e);
        }
    }

    /** The newest proof there is of an earlier revision on the same day. */
    private Optional<Proof> last(ProofKey key) {
        return proofs.done().entrySet().stream()
                .filter(e -> e.getKey().questionnaire() == key.questionnaire() && e.getKey().asOf().equals(key.asOf())
                        && e.getKey().revision() <= key.revision() && !e.getKey().equals(key))
                .max(Comparator.comparingInt(e -> e.getKey().revision())).map(Map.Entry::getValue);
    }

    /** Calls a proof and its counts off as soon as its revision is overtaken or somebody stops it. */
    private Watch watching(Draft draft) {
        Watch computation = computations.watch();
        return new Watch() {
            @Override
            public void reached(String part) {
                parts.put(draft.id(), part);
            }

            @Override
            public boolean isCalledOff() {
                return !isNewest(draft) || isStopped(draft) || computation.isCalledOff();
            }
        };
    }

    /** Whether somebody stopped the proof of this revision. */
    public boolean isStopped(Draft draft) {
        return Integer.valueOf(draft.revision()).equals(stopped.get(draft.id()));
    }

    /** Ends the proof and the count of a revision that are under way; what they have not found out is undecided. */
    public void stop(Draft draft) {
        if (ready(draft).flatMap(Proof::counted).isEmpty()) {
            stopped.put(draft.id(), draft.revision());
        }
    }

    /** Begins the proof of a revision again, after it was stopped. */
    public void again(Draft draft) {
        if (stopped.remove(draft.id(), draft.revision())) {
            proofs.remove(k -> k.questionnaire() == draft.id() && k.revision() == draft.revision());
        }
    }

    /** When the last proof of the draft began; empty where none did. */
    public Optional<Instant> begun(Draft draft) {
        return Optional.ofNullable(begun.get(draft.id()));
    }

    /** Whether no newer revision was begun. */
    boolean isNewest(Draft draft) {
        return newest.getOrDefault(draft.id(), 0) <= draft.revision();
    }

    /** What is being worked out for a draft at present, or was last. */
    public String part(Draft draft) {
        return parts.getOrDefault(draft.id(), "");
    }

    /** Done when the figures of a draft's revision are there too, or when nobody waits for them any more. */
    public CompletableFuture<Void> counting(Draft draft) {
        return begin(draft).thenCompose(proof -> computations.begin(size(draft), () -> {
            count(draft, proof);
            return null;
        }));
    }

    private void count(Draft draft, Proof proof) {
        try {
            proof.figures();
            // Known before somebody opens the sheet that tells it.
            proof.holdsUntil();
        } catch (CancellationException e) {
            if (isStopped(draft)) {
                proof.leaveUncounted();
            } else if (isNewest(draft)) {
                throw e;
            }
        }
    }

    /** Whether the draft took long to prove last; its next proof then waits until the edit has been answered. */
    private boolean isSlow(Draft draft) {
        return took.getOrDefault(draft.id(), 0L) > SLOW_MILLIS;
    }

    /** The proof of a draft's revision, begun now if it was not yet. */
    public CompletableFuture<Proof> begin(Draft draft) {
        Opened opened = openable.of(draft.document());
        ProofKey key = new ProofKey(draft.id(), draft.revision(), LocalDate.now(), opened.stamp());
        newest.merge(draft.id(), draft.revision(), Math::max);
        return proofs.of(key, () -> {
            begun.put(draft.id(), Instant.now());
            Supplier<CompletableFuture<Proof>> work = () -> computations.begin(size(draft), () -> prove(draft, key, opened));
            return isSlow(draft) ? CompletableFuture.runAsync(() -> {}, AFTER_EDIT).thenCompose(done -> work.get()) : work.get();
        });
    }

    /**
     * The proof for a sheet that is opened, waited for only a moment.
     *
     * @throws UnderWay when it is not there by then
     */
    public Proof soon(Draft draft) {
        return within(SHEET_WAITS, draft);
    }

    /**
     * The proof for an act that needs it, waited for up to a minute.
     *
     * @throws UnderWay when it is not there by then
     */
    public Proof of(Draft draft) {
        return within(ACT_WAITS, draft);
    }

    private Proof within(Duration longest, Draft draft) {
        try {
            return begin(draft).get(longest.toMillis(), TimeUnit.MILLISECONDS);
        } catch (TimeoutException e) {
            throw new UnderWay();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new UnderWay();
        } catch (ExecutionException | CancellationException e) {
            if (e instanceof ExecutionException && !(e.getCause() instanceof CancellationException)) {
                throw new IllegalStateException(e.getCause());
            }
            // It was overtaken while it waited; whoever looks again sees the newer revision.
            throw new UnderWay();
        }
    }

    /** Gives the proof a moment to be ready. */
    public void awhile(Draft draft) {
        if (isSlow(draft)) {
            return;
        }
        try {
            begin(draft).get(40, TimeUnit.MILLISECONDS);
        } catch (TimeoutException | ExecutionException | CancellationException e) {
            // It is announced when it is done.
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    /** The proof if it is there already. */
    public Optional<Proof> ready(Draft draft) {
        CompletableFuture<Proof> proof = begin(draft);
        return proof.isCompletedExceptionally() ? Optional.empty() : Optional.ofNullable(proof.getNow(null));
    }
}
