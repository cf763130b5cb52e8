package orthogon.app.proving;

import java.time.LocalDate;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import orthogon.app.background.Computations;
import orthogon.app.background.Computed;
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

    private record AheadKey(Questionnaire document, LocalDate day) {

        @Override
        public boolean equals(Object other) {
            return other instanceof AheadKey k && k.document == document && k.day.equals(day);
        }

        @Override
        public int hashCode() {
            return System.identityHashCode(document) * 31 + day.hashCode();
        }
    }

    private final Computations computations;
    private final Computed<AheadKey, Optional<Remaining>> known;

    Ahead(Computations computations) {
        this.computations = computations;
        this.known = new Computed<>(computations, KEPT);
    }

    /** Begins to compute, so that it is there when the first page has been answered. */
    public CompletableFuture<Optional<Remaining>> prepare(Wiring wiring, LocalDate day) {
        return known.of(new AheadKey(wiring.document(), day), wiring.document().items().count(),
                () -> Remaining.of(wiring, day, computations.watch()));
    }

    /** Empty while it is computed, and where it cannot be told. */
    public Optional<Remaining.Left> of(Interview interview) {
        CompletableFuture<Optional<Remaining>> ready = prepare(interview.wiring(), interview.today());
        Optional<Remaining> remaining = ready.isCompletedExceptionally() ? Optional.empty() : ready.getNow(Optional.empty());
        Course course = interview.course();
        return remaining.flatMap(r -> course.current().flatMap(v -> r.at(v.page().code(), interview.link(), course.effective())));
    }
}
