package orthogon.app.proving;

import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import orthogon.app.store.DraftStore.Draft;
import orthogon.core.expression.Wiring;
import orthogon.core.proof.diagram.Limits;
import orthogon.core.proof.diagram.Watch;
import orthogon.core.proof.drill.Drills;
import orthogon.core.proof.drill.Rerun;
import orthogon.core.questionnaire.Questionnaire;
import org.springframework.stereotype.Component;

/** The covering set of drills of a revision, worked out in the background when somebody asks for it. */
@Component
public class DrillSets {

    private static final int KEPT = 10;

    /**
     * What is known of a revision's drills.
     *
     * @param drills empty where there can be none
     * @param why there can be none; empty otherwise
     */
    public record DrillSet(Optional<Drills> drills, String why) {

        /** Walks every drill through the interview, anew: for each, what the interview does otherwise than the drill expects. */
        public List<List<String>> replayed(Questionnaire document, LocalDate day) {
            Wiring wiring = Wiring.of(document);
            return drills.map(Drills::drills).orElse(List.of()).stream().map(d -> Rerun.differences(wiring, day, d)).toList();
        }
    }

    private record Key(long questionnaire, int revision, LocalDate day) {}

    private final ExecutorService worker = Executors.newSingleThreadExecutor(Thread.ofPlatform().daemon().name("drills").factory());
    private final Map<Key, CompletableFuture<DrillSet>> known = new LinkedHashMap<>(16, 0.75f, true) {
        @Override
        protected boolean removeEldestEntry(Map.Entry<Key, CompletableFuture<DrillSet>> eldest) {
            return size() > KEPT;
        }
    };

    private CompletableFuture<DrillSet> begin(Draft draft) {
        Key key = new Key(draft.id(), draft.revision(), LocalDate.now());
        synchronized (known) {
            return known.computeIfAbsent(key, k -> CompletableFuture.supplyAsync(() -> found(draft.document(), k.day()), worker));
        }
    }

    private static DrillSet found(Questionnaire document, LocalDate day) {
        try {
            return new DrillSet(Optional.of(Drills.of(document, day, Limits.USUAL, Watch.NOBODY)), "");
        } catch (Drills.NotPossible e) {
            return new DrillSet(Optional.empty(), e.getMessage());
        }
    }

    /** Empty while they are worked out; never waits. */
    public Optional<DrillSet> ready(Draft draft) {
        CompletableFuture<DrillSet> set = begin(draft);
        try {
            return Optional.ofNullable(set.getNow(null));
        } catch (CompletionException e) {
            return Optional.of(new DrillSet(Optional.empty(), "Orthogon failed here: " + e.getCause().getMessage()));
        }
    }

    /** Waits for them. */
    public DrillSet of(Draft draft) {
        return begin(draft).join();
    }
}
