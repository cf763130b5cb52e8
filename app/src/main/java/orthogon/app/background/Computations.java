package orthogon.app.background;

import java.time.Duration;
import java.time.Instant;
import java.util.concurrent.CancellationException;
import java.util.concurrent.CompletableFuture;
import java.util.function.Supplier;
import orthogon.app.http.InFlight;
import orthogon.core.proof.diagram.Watch;
import org.springframework.stereotype.Component;

/**
 * Everything that is worked out from a document in the background: proofs, counts, drills, changes. Each computation begins in the quick
 * queue. One that takes longer than {@link #QUICK} begins again in the slow queue, so that no document holds up another. The slow queue
 * gives way to respondents.
 */
@Component
public class Computations {

    /** How long a computation has before it makes room for others. */
    static final Duration QUICK = Duration.ofSeconds(4);
    /** The longest that slow work gives way to respondents at a time. */
    private static final int MOST_GIVEN_WAY_MILLIS = 20;

    /** The computation of this thread; empty in a thread that does none. */
    private static final ThreadLocal<RunningComputation> RUNNING = new ThreadLocal<>();

    private final WorkQueue quick = new WorkQueue("quick", Math.max(2, Runtime.getRuntime().availableProcessors() - 1));
    private final WorkQueue slow = new WorkQueue("slow", 1);
    private final InFlight respondents;

    public Computations(InFlight respondents) {
        this.respondents = respondents;
    }

    /** @param until when it makes room for others */
    private record RunningComputation(CompletableFuture<?> result, Instant until) {}

    /** A computation that is to begin again where others do not wait for it. */
    private static final class TooLong extends CancellationException {

        private static final long serialVersionUID = 1L;
    }

    /**
     * Computes something in the background. Cancelling what is returned calls the computation off, if it asks {@link #watch()}.
     *
     * @param size of the document, in items; smaller ones go first
     * @param computation runs in one of the queues, and may begin a second time
     */
    public <V> CompletableFuture<V> begin(long size, Supplier<V> computation) {
        CompletableFuture<V> result = new CompletableFuture<>();
        quick.take(size, () -> run(size, computation, result, true));
        return result;
    }

    private <V> void run(long size, Supplier<V> computation, CompletableFuture<V> result, boolean quickly) {
        if (result.isDone()) {
            return;
        }
        RUNNING.set(new RunningComputation(result, quickly ? Instant.now().plus(QUICK) : Instant.MAX));
        try {
            result.complete(computation.get());
        } catch (TooLong e) {
            slow.take(size, () -> run(size, computation, result, false));
        } catch (RuntimeException | Error e) {
            result.completeExceptionally(e);
        } finally {
            RUNNING.remove();
        }
    }

    /**
     * Follows whatever computation the asking thread does at the time: calls it off when its result is cancelled, and moves it to the slow
     * queue when it takes long.
     */
    public Watch watch() {
        return new Watch() {
            @Override
            public boolean isCalledOff() {
                RunningComputation running = RUNNING.get();
                if (running == null) {
                    return false;
                }
                if (running.result().isCancelled()) {
                    return true;
                }
                if (running.until().equals(Instant.MAX)) {
                    giveWay();
                } else if (Instant.now().isAfter(running.until())) {
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
}
