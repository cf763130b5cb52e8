package orthogon.app.proving;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import orthogon.app.store.DraftStore.Draft;
import orthogon.app.store.ReleaseStore.Release;
import orthogon.core.expression.Wiring;
import orthogon.core.proof.change.Change;
import orthogon.core.proof.diagram.Limits;
import orthogon.core.proof.diagram.Watch;
import orthogon.core.proof.drill.Drill;
import orthogon.core.proof.drill.Drills;
import orthogon.core.proof.drill.Rerun;
import orthogon.core.questionnaire.Questionnaire;
import org.springframework.stereotype.Component;

/** What a draft means otherwise to respondents than a release, worked out in the background when somebody asks for it. */
@Component
public class Changes {

    private static final int KEPT = 10;

    /** A drill of the release that the draft does otherwise. */
    public record Otherwise(int number, Drill drill, String differs) {}

    /**
     * The drills of the release, walked through the draft.
     *
     * @param drills how many there are; 0 where there can be none
     */
    public record Walked(int drills, List<Otherwise> otherwise) {}

    /**
     * What is known of a change.
     *
     * @param failed why nothing is; empty where something is
     * @param walked empty while the drills are being walked
     */
    public record Found(Optional<Change> change, String failed, Optional<Walked> walked) {}

    private record Work(CompletableFuture<Found> change, CompletableFuture<Walked> walk) {}

    private record Key(long release, long questionnaire, int revision, LocalDate day) {}

    private final ExecutorService worker = Executors.newSingleThreadExecutor(Thread.ofPlatform().daemon().name("changes").factory());
    private final Map<Key, Work> known = new LinkedHashMap<>(16, 0.75f, true) {
        @Override
        protected boolean removeEldestEntry(Map.Entry<Key, Work> eldest) {
            return size() > KEPT;
        }
    };

    /** Empty while it is worked out; never waits. */
    public Optional<Found> ready(Release release, Draft draft) {
        Work work = begin(release, draft);
        return Optional.ofNullable(work.change().getNow(null))
                .map(f -> new Found(f.change(), f.failed(), Optional.ofNullable(work.walk().getNow(null))));
    }

    private Work begin(Release release, Draft draft) {
        Key key = new Key(release.id(), draft.id(), draft.revision(), LocalDate.now());
        synchronized (known) {
            return known.computeIfAbsent(key, k -> new Work(
                    CompletableFuture.supplyAsync(() -> new Found(Optional.of(Change.between(release.document(), draft.document(), k.day(),
                            Limits.USUAL, Watch.NOBODY)), "", Optional.empty()), worker)
                            .exceptionally(e -> new Found(Optional.empty(), because(e), Optional.of(new Walked(0, List.of())))),
                    CompletableFuture.supplyAsync(() -> walked(release.document(), draft.document(), k.day()), worker)
                            .exceptionally(e -> new Walked(0, List.of()))));
        }
    }

    private static String because(Throwable e) {
        return "Orthogon failed here: " + (e instanceof CompletionException ? e.getCause() : e).getMessage();
    }

    private static Walked walked(Questionnaire before, Questionnaire after, LocalDate day) {
        try {
            List<Drill> drills = Drills.of(before, day, Limits.USUAL, Watch.NOBODY).drills();
            Wiring wiring = Wiring.of(after);
            List<Otherwise> otherwise = new ArrayList<>();
            for (int i = 0; i < drills.size(); i++) {
                List<String> differs = Rerun.differences(wiring, day, drills.get(i));
                if (!differs.isEmpty()) {
                    otherwise.add(new Otherwise(i + 1, drills.get(i), String.join("; ", differs)));
                }
            }
            return new Walked(drills.size(), otherwise);
        } catch (Drills.NotPossible e) {
            return new Walked(0, List.of());
        }
    }
}
