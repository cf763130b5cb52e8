package orthogon.app.proving;

import java.io.IOException;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import orthogon.app.storage.DraftStore.Draft;
import org.springframework.context.event.ContextClosedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/** Tells every open page of a draft that a revision was made or proved (server-sent events). */
@Component
public class Live {

    private final Map<String, Set<SseEmitter>> listeners = new ConcurrentHashMap<>();
    private final Proofs proofs;

    public Live(Proofs proofs) {
        this.proofs = proofs;
    }

    public SseEmitter listen(String code) {
        SseEmitter emitter = new SseEmitter(0L);
        Set<SseEmitter> ofDraft = listeners.computeIfAbsent(code, c -> ConcurrentHashMap.newKeySet());
        ofDraft.add(emitter);
        Runnable leave = () -> ofDraft.remove(emitter);
        emitter.onCompletion(leave);
        emitter.onTimeout(leave);
        emitter.onError(e -> leave.run());
        return emitter;
    }

    /** A new revision is there: pages hear of it at once, and again when it is proved. */
    public void announce(Draft draft) {
        tell(draft.code(), "revision", draft.revision());
        proofs.begin(draft).thenRun(() -> tell(draft.code(), "proof", draft.revision()));
        proofs.counting(draft).thenRun(() -> tell(draft.code(), "proof", draft.revision()));
    }

    private void tell(String code, String event, int revision) {
        for (SseEmitter emitter : listeners.getOrDefault(code, Set.of())) {
            try {
                emitter.send(SseEmitter.event().name(event).data(revision));
            } catch (IOException | IllegalStateException e) {
                listeners.get(code).remove(emitter);
            }
        }
    }

    /** Open streams would hold up the end of the application. */
    @EventListener(ContextClosedEvent.class)
    public void close() {
        listeners.values().forEach(all -> all.forEach(SseEmitter::complete));
    }
}
