package orthogon.app.proving;

import java.time.LocalDate;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import orthogon.app.background.Computations;
import orthogon.app.background.Computed;
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

    private record ShareKey(long questionnaire, int revision, LocalDate asOf, Transition way) {}

    private final Proofs proofs;
    private final Computations computations;
    private final Computed<ShareKey, Share> known;

    Shares(Proofs proofs, Computations computations) {
        this.proofs = proofs;
        this.computations = computations;
        this.known = new Computed<>(computations, KEPT);
    }

    /** How many of all answer paths and routes take a way; empty while that is being counted. */
    public Optional<Share> ready(Draft draft, Proof proof, Transition way) {
        CompletableFuture<Share> share = known.of(new ShareKey(draft.id(), draft.revision(), proof.asOf(), way),
                draft.document().items().count(), () -> proof.share(way, Limits.USUAL, untilEdited(draft)));
        return share.isDone()
                ? Optional.of(share.exceptionally(e -> Share.outdated()).join())
                : Optional.empty();
    }

    private Watch untilEdited(Draft draft) {
        Watch queue = computations.watch();
        return new Watch() {
            @Override
            public boolean isCalledOff() {
                return queue.isCalledOff() || !proofs.isNewest(draft);
            }
        };
    }
}
