package orthogon.app.proving;

import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import orthogon.app.store.DraftStore.Draft;
import orthogon.core.proof.Proof;
import orthogon.core.proof.diagram.Limits;
import orthogon.core.proof.diagram.Watch;
import orthogon.core.proof.flow.Share;
import orthogon.core.proof.flow.Transition;
import org.springframework.stereotype.Component;

/** Who takes a way of a draft, counted in the background when somebody asks for it. */
@Component
public class Shares {

    private static final int KEPT = 400;

    private record Key(long questionnaire, int revision, LocalDate asOf, Transition way) {}

    private final Proofs proofs;
    private final ExecutorService worker = Executors.newSingleThreadExecutor(Thread.ofPlatform().daemon().name("shares").factory());
    private final Map<Key, CompletableFuture<Share>> known = new LinkedHashMap<>(16, 0.75f, true) {
        @Override
        protected boolean removeEldestEntry(Map.Entry<Key, CompletableFuture<Share>> eldest) {
            return size() > KEPT;
        }
    };

    Shares(Proofs proofs) {
        this.proofs = proofs;
    }

    /** How many of all answer paths and routes take a way; empty while that is being counted. */
    public Optional<Share> ready(Draft draft, Proof proof, Transition way) {
        Watch untilEdited = new Watch() {
            @Override
            public boolean isCalledOff() {
                return !proofs.isNewest(draft);
            }
        };
        synchronized (known) {
            return Optional.ofNullable(known.computeIfAbsent(new Key(draft.id(), draft.revision(), proof.asOf(), way),
                    k -> CompletableFuture.supplyAsync(() -> proof.share(way, Limits.USUAL, untilEdited), worker)
                            .exceptionally(e -> Share.none("the draft was edited meanwhile")))
                    .getNow(null));
        }
    }
}
