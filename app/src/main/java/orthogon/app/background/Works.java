package orthogon.app.background;

import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.springframework.core.io.FileSystemResource;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Component;

/**
 * Pieces of long work. Two run at a time, the others wait for their turn. A person has at most {@value #MOST_OF_ONE} under way. What came of
 * the last {@value #MOST_KEPT} of each person is kept for an hour.
 */
@Component
public class Works {

    /** A person began more work than may be under way. */
    public static final class TooMany extends RuntimeException {

        TooMany() {
            super("You have " + MOST_OF_ONE + " files being read or made. Wait until one is ready, or stop one, then try again.", null,
                    false, false);
        }
    }

    static final int MOST_OF_ONE = 4;
    static final int MOST_KEPT = 5;
    private static final Duration KEPT = Duration.ofHours(1);
    private static final Duration SHORT = Duration.ofSeconds(1);
    private static final Duration LONGEST = Duration.ofMinutes(30);

    private final Map<String, Work> all = new ConcurrentHashMap<>();
    private final ExecutorService workers = Executors.newFixedThreadPool(2, Thread.ofPlatform().daemon().name("work-", 0).factory());

    /**
     * Begins a piece of work.
     *
     * @param title what comes of it, in words
     * @param back the page to go back to
     * @throws TooMany where the person has as many under way as may be
     */
    public synchronized Work begin(String title, String back, String who, Work.Task task) {
        forget(who);
        if (all.values().stream().filter(w -> w.who().equals(who) && w.isUnderWay()).count() >= MOST_OF_ONE) {
            throw new TooMany();
        }
        Work work = new Work(UUID.randomUUID().toString(), title, back, who);
        all.put(work.id(), work);
        workers.execute(() -> work.run(task));
        return work;
    }

    /** Waits a moment for a piece of work, so that short work leads to no page of its own; empty where it takes longer. */
    public Optional<Result> soon(Work work) {
        return work.result(SHORT);
    }

    /**
     * Begins a piece of work that makes a file. Answers with the file, or leads to the page that tells how far it is. A program that asks
     * for no page gets the file, however long it takes.
     *
     * @param accept what the request accepts (RFC 9110)
     */
    public ResponseEntity<Object> file(String accept, String title, String back, String who, Work.Task task) {
        Work work = begin(title, back, who, task);
        boolean page = accept.contains("text/html");
        return work.result(page ? SHORT : LONGEST).map(result -> answer(work, result)).orElseGet(() -> to(address(work)));
    }

    static ResponseEntity<Object> answer(Work work, Result result) {
        return switch (result) {
            case Result.File file -> ResponseEntity.ok().contentType(file.type())
                    .header(HttpHeaders.CONTENT_DISPOSITION, file.disposition()).body(file.content());
            case Result.SavedFile file -> ResponseEntity.ok().contentType(file.type())
                    .header(HttpHeaders.CONTENT_DISPOSITION, file.disposition()).body(new FileSystemResource(file.content()));
            case Result.Address address -> to(address.to());
            case Result.FoundFile found -> to(found.to() + "?work=" + work.id());
            case Result.Refusal refusal -> ResponseEntity.unprocessableContent().build();
        };
    }

    private static ResponseEntity<Object> to(String address) {
        return ResponseEntity.status(HttpStatus.SEE_OTHER).header(HttpHeaders.LOCATION, address).build();
    }

    /** The page that tells how far a piece of work is. */
    public static String address(Work work) {
        return "/work/" + work.id();
    }

    /** A piece of work of this person. */
    Optional<Work> find(String id, String who) {
        return Optional.ofNullable(all.get(id)).filter(w -> w.who().equals(who));
    }

    /** What a piece of work of this person found; empty where it is not kept any more. */
    public <T> Optional<T> found(String id, String who, Class<T> type) {
        return find(id, who).filter(w -> w.state().equals("done")).flatMap(w -> w.result(Duration.ZERO))
                .map(r -> r instanceof Result.FoundFile found ? found.what() : null).filter(type::isInstance).map(type::cast);
    }

    /** Forgets what is old, and all but the last few of somebody who begins another. */
    private void forget(String who) {
        Instant oldest = Instant.now().minus(KEPT);
        all.values().stream().filter(w -> !w.isUnderWay() && w.ended().isBefore(oldest)).toList().forEach(this::forget);
        List<Work> ended = all.values().stream().filter(w -> w.who().equals(who) && !w.isUnderWay())
                .sorted(Comparator.comparing(Work::ended).reversed()).toList();
        ended.stream().skip(MOST_KEPT - 1L).forEach(this::forget);
    }

    private void forget(Work work) {
        all.remove(work.id());
        work.discard();
    }

    /**
     * A new empty file for what comes of a piece of work. It goes when the work is forgotten, and when Orthogon ends.
     *
     * @throws IOException if there is no room for it
     */
    public static Path newFile() throws IOException {
        Path file = Files.createTempFile("orthogon-", ".made");
        file.toFile().deleteOnExit();
        return file;
    }

    @PreDestroy
    void close() {
        all.values().forEach(Work::stop);
        all.values().forEach(Work::discard);
        workers.shutdown();
    }
}
