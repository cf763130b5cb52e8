package orthogon.app.background;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertSame;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.atomic.AtomicBoolean;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.springframework.http.MediaType;

class WorksTest {

    private static final Duration LONG = Duration.ofMinutes(1);

    private final Works works = new Works();
    private final CountDownLatch held = new CountDownLatch(1);

    @AfterEach
    void close() {
        held.countDown();
        works.close();
    }

    private Work begin(String who, Work.Task task) {
        return works.begin("The file", "/", who, task);
    }

    private Result holds() throws InterruptedException {
        held.await();
        return new Result.Address("/there");
    }

    @Test
    void shortWorkIsThereAtOnceAndLongWorkTellsHowFarItIs() throws Exception {
        assertEquals(Optional.of(new Result.Address("/at-once")), works.soon(begin("ines", p -> new Result.Address("/at-once"))));
        CountDownLatch told = new CountDownLatch(1);
        Work work = begin("ines", progress -> {
            progress.at("Reading", 3, 7);
            told.countDown();
            return holds();
        });
        told.await();
        assertEquals(Optional.empty(), works.soon(work));
        assertEquals("under way Reading 3 7", work.state() + " " + work.part() + " " + work.done() + " " + work.of());
        held.countDown();
        assertEquals(Optional.of(new Result.Address("/there")), work.result(LONG));
        assertEquals("done", work.state());
    }

    @Test
    void workThatIsCalledOffEndsAtItsNextStep() throws Exception {
        CountDownLatch begun = new CountDownLatch(1);
        CountDownLatch ended = new CountDownLatch(1);
        AtomicBoolean kept = new AtomicBoolean();
        Work work = begin("ines", progress -> {
            begun.countDown();
            held.await();
            try {
                progress.at("Keeping", 1, 2);
                kept.set(true);
            } finally {
                ended.countDown();
            }
            return new Result.Address("/there");
        });
        begun.await();
        work.stop();
        held.countDown();
        ended.await();
        assertEquals("stopped", work.state());
        assertThrows(CancellationException.class, () -> work.result(LONG));
        assertTrue(!kept.get(), "nothing after the step at which it was called off");
    }

    @Test
    void workThatFailsSaysSoWithItsCause() {
        IOException cause = new IOException("no room");
        Work work = begin("ines", progress -> {
            throw cause;
        });
        assertSame(cause, assertThrows(IllegalStateException.class, () -> work.result(LONG)).getCause());
        assertEquals("failed", work.state());
    }

    @Test
    void onePersonHasOnlySoMuchUnderWayAndSeesOnlyTheirOwn() {
        List<Work> mine = new ArrayList<>();
        for (int i = 0; i < Works.MOST_OF_ONE; i++) {
            mine.add(begin("ines", progress -> holds()));
        }
        assertThrows(Works.TooMany.class, () -> begin("ines", progress -> holds()));
        assertEquals(Optional.empty(), works.find(mine.getFirst().id(), "osk"));
        mine.getLast().stop();
        Work again = begin("ines", progress -> holds());
        Work other = begin("osk", progress -> holds());
        held.countDown();
        assertEquals(Optional.of(new Result.Address("/there")), again.result(LONG));
        assertEquals(Optional.of(new Result.Address("/there")), other.result(LONG));
    }

    @Test
    void theLastFewResultsAreKept() {
        Work first = begin("ines", progress -> new Result.Address("/first"));
        first.result(LONG);
        for (int i = 0; i < Works.MOST_KEPT - 1; i++) {
            begin("ines", progress -> new Result.Address("/more")).result(LONG);
        }
        assertEquals(Optional.of(first), works.find(first.id(), "ines"));
        begin("ines", progress -> new Result.Address("/last")).result(LONG);
        assertEquals(Optional.empty(), works.find(first.id(), "ines"), "forgotten when one more was begun");
    }

    @Test
    void aLargeFileGoesWhenItsWorkIsForgotten() throws Exception {
        Path file = Works.newFile();
        Files.writeString(file, "receipt,sent");
        Work first = begin("ines", p -> new Result.SavedFile(file, MediaType.TEXT_PLAIN, "attachment"));
        assertTrue(first.result(LONG).isPresent());
        for (int i = 0; i < Works.MOST_KEPT - 1; i++) {
            begin("ines", p -> new Result.Address("/there")).result(LONG);
        }
        assertTrue(Files.exists(file));
        begin("ines", p -> new Result.Address("/there")).result(LONG);
        assertFalse(Files.exists(file));
        assertEquals(Optional.empty(), works.find(first.id(), "ines"));
    }
}
