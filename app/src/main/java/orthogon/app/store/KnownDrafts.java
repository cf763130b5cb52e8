package orthogon.app.store;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.Optional;
import orthogon.app.store.DraftStore.Draft;
import orthogon.app.store.DraftStore.RevisionKey;
import org.springframework.stereotype.Component;

/** Reads drafts. Revisions never change, so that those read last are kept. */
@Component
public class KnownDrafts {

    private static final int KEPT = 60;

    private final DraftStore drafts;
    private final Cache<RevisionKey, Draft> known = Caffeine.newBuilder().maximumSize(KEPT).build();

    public KnownDrafts(DraftStore drafts) {
        this.drafts = drafts;
    }

    /** A questionnaire at its newest revision. */
    public Optional<Draft> head(String code) {
        return drafts.newest(code).flatMap(newest -> at(newest.id(), newest.revision()));
    }

    public Optional<Draft> at(long id, int revision) {
        RevisionKey key = new RevisionKey(id, revision);
        // Nobody waits for another's reading, which may need a connection that those who wait hold.
        Optional<Draft> read = Optional.ofNullable(known.getIfPresent(key)).or(() -> drafts.at(id, revision));
        read.ifPresent(this::remember);
        return read;
    }

    /** Keeps a revision that is committed at hand. */
    public void remember(Draft made) {
        known.put(new RevisionKey(made.id(), made.revision()), made);
    }
}
