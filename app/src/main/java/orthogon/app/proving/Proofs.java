package orthogon.app.proving;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.concurrent.atomic.AtomicBoolean;
import orthogon.app.http.InFlight;
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

    private record Key(long questionnaire, int revision, LocalDate asOf) {}

    private static final long SLOW_MILLIS = 150;
    /** How long a sheet that is opened waits for its proof, before it opens without one. */
    private static final Duration SHEET_WAITS = Duration.ofSeconds(2);
    /** How long a proof has before it makes room for others. */
    private static final Duration QUICK = Duration.ofSeconds(4);
    /** How long a proof waits that follows an edit, where the one before took long. */
    private static final Duration AFTER_EDIT = Duration.ofMillis(300);
    /** How long work gives way to respondents at a time. */
    private static final int MOST_GIVEN_WAY_MILLIS = 20;
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
    /** Where every proof begins. What takes longer than {@link #QUICK} goes on in the other queue, so that no draft holds up another. */
    private final WorkQueue quick = new WorkQueue("proof", Math.max(2, Runtime.getRuntime().availableProcessors() - 1));
    private final WorkQueue slow = new WorkQueue("long-proof", 1);
    private final InFlight respondents;
    /** Counting may take long, and must not keep proofs waiting. */
    private final ExecutorService counters = Executors.newSingleThreadExecutor(Thread.ofPlatform().daemon().name("count").factory());
    private final Map<Key, CompletableFuture<Proof>> proofs = new LinkedHashMap<>(16, 0.75f, true) {
        @Override
        protected boolean removeEldestEntry(Map.Entry<Key, CompletableFuture<Proof>> eldest) {
            return size() > KEPT;
        }
    };

    /**
     * @param seconds longest time for one part of a proof
     * @param megabytes most memory of its diagrams
     */
    Proofs(@Value("${orthogon.proof-seconds:300}") int seconds, @Value("${orthogon.proof-megabytes:160}") int megabytes,
            InFlight respondents) {
        this.respondents = respondents;
        this.limits = Limits.of(megabytes, Duration.ofSeconds(seconds));
    }

    /** Works on a proof in one of the queues; in the quick one for a while only. */
    private void work(Draft draft, Key key, CompletableFuture<Proof> result, boolean quickly) {
        try {
            result.complete(prove(draft, key, quickly ? Instant.now().plus(QUICK) : Instant.MAX));
        } catch (TooLong e) {
            slow.take(size(draft), () -> work(draft, key, result, false));
        } catch (RuntimeException | Error e) {
            result.completeExceptionally(e);
        }
    }

    private static long size(Draft draft) {
        return draft.document().items().count();
    }

    /** A proof that is to go on where others do not wait for it. */
    private static final class TooLong extends CancellationException {

        private static final long serialVersionUID = 1L;
    }

    /** A revision that was overtaken while it waited is not proved: nobody looks at it any more. */
    private Proof prove(Draft draft, Key key, Instant until) {
        if (newest.merge(draft.id(), draft.revision(), Math::max) > draft.revision()) {
            synchronized (proofs) {
                proofs.remove(key);
            }
            throw new CancellationException("revision " + draft.revision() + " was overtaken");
        }
        long from = System.nanoTime();
        begun.putIfAbsent(draft.id(), Instant.now());
        if (!until.equals(Instant.MAX)) {
            begun.put(draft.id(), Instant.now());
        }
        AtomicBoolean proving = new AtomicBoolean(true);
        Proof proof = proved(draft, key, watching(draft, until, proving));
        proving.set(false);
        took.put(draft.id(), TimeUnit.NANOSECONDS.toMillis(System.nanoTime() - from));
        return proof;
    }

    /** A proof in any case: an error of Orthogon is a verdict, never a page that waits. */
    private Proof proved(Draft draft, Key key, Watch watch) {
        try {
            return last(key).map(before -> before.after(draft.document(), limits, watch))
                    .orElseGet(() -> Proof.of(draft.document(), key.asOf(), limits, watch));
        } catch (TooLong e) {
            throw e;
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
    private Optional<Proof> last(Key key) {
        synchronized (proofs) {
            return proofs.entrySet().stream()
                    .filter(e -> e.getKey().questionnaire() == key.questionnaire() && e.getKey().asOf().equals(key.asOf()))
                    .filter(e -> e.getKey().revision() < key.revision() && e.getValue().isDone()
                            && !e.getValue().isCompletedExceptionally())
                    .max(Comparator.comparingInt(e -> e.getKey().revision())).map(e -> e.getValue().join());
        }
    }

    /**
     * Calls a proof off as soon as its revision is overtaken. What has no end in sight, and counting, give way to respondents.
     *
     * @param until when a proof goes on in the other queue
     * @param proving whether the proof is still worked on, and not only its counts
     */
    private Watch watching(Draft draft, Instant until, AtomicBoolean proving) {
        boolean quickly = !until.equals(Instant.MAX);
        return new Watch() {
            @Override
            public void reached(String part) {
                parts.put(draft.id(), part);
            }

            @Override
            public boolean isCalledOff() {
                if (!isNewest(draft) || isStopped(draft)) {
                    return true;
                }
                if (!quickly || !proving.get()) {
                    giveWay();
                } else if (Instant.now().isAfter(until)) {
                    throw new TooLong();
                }
                return false;
            }
        };
    }

    private void giveWay() {
        for (int waited = 0; waited < MOST_GIVEN_WAY_MILLIS && respondents.now() > 0; waited++) {
            try {
                Thread.sleep(1);
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                return;
            }
        }
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
            synchronized (proofs) {
                proofs.keySet().removeIf(k -> k.questionnaire() == draft.id() && k.revision() == draft.revision());
            }
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
        return begin(draft).thenAcceptAsync(proof -> {
            try {
                proof.figures();
                // Known before somebody opens the sheet that tells it.
                proof.holdsUntil();
            } catch (CancellationException e) {
                if (isStopped(draft)) {
                    proof.leaveUncounted("the count was stopped");
                }
                // Otherwise its revision was overtaken.
            }
        }, counters);
    }

    /** Whether the draft took long to prove last; its next proof then waits until the edit has been answered. */
    private boolean isSlow(Draft draft) {
        return took.getOrDefault(draft.id(), 0L) > SLOW_MILLIS;
    }

    /** The proof of a draft's revision, begun now if it was not yet. */
    public CompletableFuture<Proof> begin(Draft draft) {
        Key key = new Key(draft.id(), draft.revision(), LocalDate.now());
        newest.merge(draft.id(), draft.revision(), Math::max);
        synchronized (proofs) {
            return proofs.computeIfAbsent(key, k -> {
                CompletableFuture<Proof> result = new CompletableFuture<>();
                Runnable queue = () -> quick.take(size(draft), () -> work(draft, k, result, true));
                if (isSlow(draft)) {
                    CompletableFuture.delayedExecutor(AFTER_EDIT.toMillis(), TimeUnit.MILLISECONDS).execute(queue);
                } else {
                    queue.run();
                }
                return result;
            });
        }
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
            // It was overtaken while it waited, but somebody looks at it after all.
            return Proof.of(draft.document(), LocalDate.now(), limits, Watch.NOBODY);
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
