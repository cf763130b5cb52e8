package orthogon.app.background;

import java.io.IOException;
import java.nio.file.Files;
import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import orthogon.formats.progress.ProgressListener;

/** One piece of long work, under way or done. */
public final class Work implements ProgressListener {

    /** What is to be done. */
    public interface Task {
        Result run(ProgressListener progress) throws Exception;
    }

    private final String id;
    private final String title;
    private final String back;
    private final String who;
    private final CompletableFuture<Result> result = new CompletableFuture<>();
    private volatile String part = "";
    private volatile int done;
    private volatile int of;
    private volatile Instant ended = Instant.MAX;

    /**
     * @param title what comes of it, in words
     * @param back the page that it was begun on
     * @param who may see it, call it off and take what comes of it
     */
    Work(String id, String title, String back, String who) {
        this.id = id;
        this.title = title;
        this.back = back;
        this.who = who;
    }

    void run(Task task) {
        try {
            at("Begun", 0, 0);
            Result made = task.run(this);
            // Whoever sees what came of it sees when.
            ended = Instant.now();
            result.complete(made);
        } catch (CancellationException e) {
            ended = Instant.now();
            result.cancel(false);
        } catch (Exception | Error e) {
            ended = Instant.now();
            result.completeExceptionally(e);
        }
    }

    @Override
    public void at(String nowPart, int nowDone, int nowOf) {
        if (result.isCancelled()) {
            throw new CancellationException();
        }
        part = nowPart;
        done = nowDone;
        of = nowOf;
    }

    /** Calls it off. Nothing is kept of work that is called off before its last step. */
    public void stop() {
        if (result.cancel(false)) {
            ended = Instant.now();
        }
    }

    /**
     * What came of it; empty while it is under way.
     *
     * @param longest how long to wait for it
     * @throws IllegalStateException if it failed, with the cause
     * @throws CancellationException if it was called off
     */
    public Optional<Result> result(Duration longest) {
        try {
            return Optional.of(result.get(longest.toMillis(), TimeUnit.MILLISECONDS));
        } catch (TimeoutException e) {
            return Optional.empty();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return Optional.empty();
        } catch (ExecutionException e) {
            throw new IllegalStateException(title + " failed", e.getCause());
        }
    }

    /** Removes the file that came of it, if one did. */
    void discard() {
        if (state().equals("done") && result.join() instanceof Result.SavedFile file) {
            try {
                Files.deleteIfExists(file.content());
            } catch (IOException e) {
                // It goes when Orthogon ends.
            }
        }
    }

    boolean isUnderWay() {
        return !result.isDone();
    }

    /** How it stands: {@code under way}, {@code done}, {@code stopped} or {@code failed}. */
    public String state() {
        if (isUnderWay()) {
            return "under way";
        }
        return result.isCancelled() ? "stopped" : result.isCompletedExceptionally() ? "failed" : "done";
    }

    Instant ended() {
        return ended;
    }

    public String id() {
        return id;
    }

    public String title() {
        return title;
    }

    public String back() {
        return back;
    }

    String who() {
        return who;
    }

    public String part() {
        return part;
    }

    public int done() {
        return done;
    }

    public int of() {
        return of;
    }
}
