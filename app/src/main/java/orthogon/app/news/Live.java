package orthogon.app.news;

import orthogon.app.proving.Proofs;
import orthogon.app.store.DraftStore.Draft;
import orthogon.core.proof.Proof;
import java.io.IOException;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Supplier;
import org.springframework.context.event.ContextClosedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/** Tells every open page of a draft that a revision was made or proved (server-sent events). */
@Component
public class Live {

    private final Map<String, Set<SseEmitter>> listeners = new ConcurrentHashMap<>();
    private final Set<String> beingCounted = ConcurrentHashMap.newKeySet();
    private final Proofs proofs;

    public Live(Proofs proofs) {
        this.proofs = proofs;
    }

    /**
     * @param newest the draft, read once the page listens, so that nothing is missed in between
     * @param shown the revision that the page shows; a newer one may be there by the time the page listens
     * @param waits whether the page shows that something is being worked out; it may have been done by then as well
     */
    public SseEmitter listen(String code, Supplier<Draft> newest, int shown, boolean waits) {
        SseEmitter emitter = new SseEmitter(0L);
        Set<SseEmitter> ofDraft = listeners.computeIfAbsent(code, c -> ConcurrentHashMap.newKeySet());
        ofDraft.add(emitter);
        Runnable leave = () -> ofDraft.remove(emitter);
        emitter.onCompletion(leave);
        emitter.onTimeout(leave);
        emitter.onError(e -> leave.run());
        Draft draft = newest.get();
        if (draft.revision() > shown) {
            tell(emitter, "revision", draft.revision(), ofDraft);
        }
        if (waits && proofs.ready(draft).flatMap(Proof::counted).isPresent()) {
            tell(emitter, "proof", draft.revision(), ofDraft);
        }
        return emitter;
    }

    /** A new revision is there: pages hear of it at once, and again when it is proved. */
    public void announce(Draft draft) {
        tell(draft.code(), "revision", draft.revision());
        proofs.begin(draft).thenRun(() -> tell(draft.code(), "proof", draft.revision()));
        counting(draft);
    }

    /** Begins to count, where that was not begun; pages hear of it when it is done. */
    public void counting(Draft draft) {
        String key = draft.id() + "/" + draft.revision();
        if (beingCounted.add(key)) {
            proofs.counting(draft).whenComplete((done, failed) -> {
                beingCounted.remove(key);
                tell(draft.code(), "proof", draft.revision());
            });
        }
    }

    private void tell(String code, String event, int revision) {
        Set<SseEmitter> ofDraft = listeners.getOrDefault(code, Set.of());
        ofDraft.forEach(emitter -> tell(emitter, event, revision, ofDraft));
    }

    private static void tell(SseEmitter emitter, String event, int revision, Set<SseEmitter> ofDraft) {
        try {
            emitter.send(SseEmitter.event().name(event).data(revision));
        } catch (IOException | IllegalStateException e) {
            ofDraft.remove(emitter);
        }
    }

    /** Open streams would hold up the end of the application. */
    @EventListener(ContextClosedEvent.class)
    public void close() {
        listeners.values().forEach(all -> all.forEach(SseEmitter::complete));
    }
}
