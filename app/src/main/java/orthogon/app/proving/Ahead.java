package orthogon.app.proving;

import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import orthogon.core.expression.Wiring;
import orthogon.core.interview.Course;
import orthogon.core.interview.Interview;
import orthogon.core.proof.Remaining;
import orthogon.core.questionnaire.Questionnaire;
import org.springframework.stereotype.Component;

/** What may still come, for each document in use, computed once a day in the background; nobody waits for it. */
@Component
public class Ahead {

    /** Each may take some ten megabytes. */
    private static final int KEPT = 8;

    private record Key(Questionnaire document, LocalDate day) {

        @Override
        public boolean equals(Object other) {
            return other instanceof Key k && k.document == document && k.day.equals(day);
        }

        @Override
        public int hashCode() {
            return System.identityHashCode(document) * 31 + day.hashCode();
        }
    }

    private final ExecutorService worker = Executors.newSingleThreadExecutor(Thread.ofPlatform().daemon().name("ahead").factory());
    private final Map<Key, CompletableFuture<Optional<Remaining>>> known = new LinkedHashMap<>(16, 0.75f, true) {
        @Override
        protected boolean removeEldestEntry(Map.Entry<Key, CompletableFuture<Optional<Remaining>>> eldest) {
            return size() > KEPT;
        }
    };

    /** Begins to compute, so that it is there when the first page has been answered. */
    public CompletableFuture<Optional<Remaining>> prepare(Wiring wiring, LocalDate day) {
        synchronized (known) {
            return known.computeIfAbsent(new Key(wiring.document(), day),
                    k -> CompletableFuture.supplyAsync(() -> Remaining.of(wiring, day), worker));
        }
    }

    /** Empty while it is computed, and where it cannot be told. */
    public Optional<Remaining.Left> of(Interview interview) {
        CompletableFuture<Optional<Remaining>> ready = prepare(interview.wiring(), interview.today());
        Optional<Remaining> remaining = ready.isCompletedExceptionally() ? Optional.empty() : ready.getNow(Optional.empty());
        Course course = interview.course();
        return remaining.flatMap(r -> course.current().flatMap(v -> r.at(v.page().code(), interview.link(), course.effective())));
    }
}
