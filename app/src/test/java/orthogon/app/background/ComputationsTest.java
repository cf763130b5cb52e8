package orthogon.app.background;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNotSame;
import static org.junit.jupiter.api.Assertions.assertSame;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CancellationException;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Supplier;
import orthogon.app.http.InFlight;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;

class ComputationsTest {

    private final Computations computations = new Computations(new InFlight());
    private final CountDownLatch ended = new CountDownLatch(1);

    @AfterEach
    void end() {
        ended.countDown();
    }

    /** Goes on until it is called off or the test ends, as a proof without an end does. */
    private String endless(CountDownLatch begun) {
        begun.countDown();
        while (ended.getCount() > 0) {
            if (computations.watch().isCalledOff()) {
                throw new CancellationException();
            }
            Thread.onSpinWait();
        }
        return "ended";
    }

    @Test
    void whatTakesLongMakesRoomForOthers() throws Exception {
        CountDownLatch begun = new CountDownLatch(1);
        List<CompletableFuture<String>> endless = new ArrayList<>();
        for (int i = 0; i < 3; i++) {
            endless.add(computations.begin(1, () -> endless(begun)));
        }
        assertEquals("small", computations.begin(5, () -> "small").get(1, TimeUnit.MINUTES));
        assertTrue(endless.stream().noneMatch(CompletableFuture::isDone), "they go on in the slow queue");
        endless.forEach(e -> e.cancel(false));
        assertEquals("next", computations.begin(5, () -> "next").get(1, TimeUnit.MINUTES));
    }

    @Test
    void theSmallestGoesFirstAndOfOneSizeTheNewest() throws Exception {
        WorkQueue queue = new WorkQueue("test", 1);
        CountDownLatch hold = new CountDownLatch(1);
        CountDownLatch busy = new CountDownLatch(1);
        queue.take(1, () -> {
            busy.countDown();
            await(hold);
        });
        busy.await();
        List<String> order = Collections.synchronizedList(new ArrayList<>());
        CountDownLatch done = new CountDownLatch(4);
        for (String name : List.of("9 old", "2 old", "9 new", "2 new")) {
            queue.take(name.charAt(0) - '0', () -> {
                order.add(name);
                done.countDown();
            });
        }
        hold.countDown();
        assertTrue(done.await(1, TimeUnit.MINUTES));
        assertEquals(List.of("2 new", "2 old", "9 new", "9 old"), order);
    }

    private static void await(CountDownLatch latch) {
        try {
            latch.await();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    @Test
    void aFailureIsToldAndNobodyElsesConcern() throws Exception {
        CompletableFuture<String> failed = computations.begin(1, () -> {
            throw new IllegalArgumentException("odd");
        });
        assertThrows(java.util.concurrent.ExecutionException.class, () -> failed.get(1, TimeUnit.MINUTES));
        assertFalse(computations.watch().isCalledOff(), "a thread that computes nothing is never called off");
        assertEquals("well", computations.begin(1, () -> "well").get(1, TimeUnit.MINUTES));
    }

    @Test
    void eachKeyIsComputedOnce() throws Exception {
        Computed<String, String> computed = new Computed<>(computations, 2);
        AtomicInteger times = new AtomicInteger();
        Supplier<String> count = () -> "result " + times.incrementAndGet();
        assertEquals("result 1", computed.of("a", 1, count).get(1, TimeUnit.MINUTES));
        assertSame(computed.of("a", 1, count), computed.of("a", 1, count));
        assertEquals(Map.of("a", "result 1"), computed.done());
        computed.remove("a"::equals);
        assertEquals("result 2", computed.of("a", 1, count).get(1, TimeUnit.MINUTES));
    }

    @Test
    void whatWasAskedForLongestAgoMakesRoom() throws Exception {
        Computed<String, String> computed = new Computed<>(computations, 2);
        List<CompletableFuture<String>> underWay = new ArrayList<>();
        for (String key : List.of("a", "b")) {
            CountDownLatch begun = new CountDownLatch(1);
            underWay.add(computed.of(key, 1, () -> endless(begun)));
            begun.await();
        }
        assertSame(underWay.getFirst(), computed.of("a", 1, () -> "not begun again"));
        CompletableFuture<String> third = computed.of("c", 1, () -> "result");
        assertEquals("result", third.get(1, TimeUnit.MINUTES));
        assertTrue(underWay.get(1).isCancelled(), "it is called off");
        assertFalse(underWay.getFirst().isDone());
        assertEquals("begun again", computed.of("b", 1, () -> "begun again").get(1, TimeUnit.MINUTES));
        computed.stop("a"::equals);
    }

    @Test
    void manyResultsLeaveTheirPlaceToOthersAndNoneThatIsUnderWayDoes() throws Exception {
        Computed<Integer, Integer> computed = new Computed<>(computations, 3);
        CountDownLatch begun = new CountDownLatch(1);
        CompletableFuture<Integer> first = computed.of(-1, 1, () -> Integer.valueOf(endless(begun)));
        begun.await();
        for (int i = 0; i < 200; i++) {
            int number = i;
            assertEquals(i, computed.of(i, 1, () -> number).get(1, TimeUnit.MINUTES));
        }
        for (int tries = 0; computed.done().size() > 3 && tries < 500; tries++) {
            Thread.sleep(10);
        }
        assertTrue(computed.done().size() <= 3, computed.done().toString());
        assertFalse(first.isDone());
        assertSame(first, computed.of(-1, 1, () -> 0));
        computed.stop(key -> key == -1);
    }

    @Test
    void whatIsStoppedBeginsAgainWhenItIsForgotten() throws Exception {
        Computed<String, String> computed = new Computed<>(computations, 2);
        CountDownLatch begun = new CountDownLatch(1);
        CompletableFuture<String> first = computed.of("a", 1, () -> endless(begun));
        begun.await();
        computed.stop("b"::equals);
        assertFalse(first.isDone());
        computed.stop("a"::equals);
        assertSame(first, computed.of("a", 1, () -> "again"));
        assertTrue(first.isCancelled());
        computed.forget("a"::equals);
        CompletableFuture<String> second = computed.of("a", 1, () -> "again");
        assertNotSame(first, second);
        assertEquals("again", second.get(1, TimeUnit.MINUTES));
    }
}
