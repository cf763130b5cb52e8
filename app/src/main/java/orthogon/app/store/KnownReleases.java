package orthogon.app.store;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.List;
import java.util.Optional;
import orthogon.app.store.ReleaseStore.Release;
import org.springframework.stereotype.Component;

/** Reads releases. They never change but for their state, so that those read last are kept. */
@Component
public class KnownReleases {

    private static final int KEPT = 200;

    private final ReleaseStore releases;
    private final Cache<Long, Release> known = Caffeine.newBuilder().maximumSize(KEPT).build();

    public KnownReleases(ReleaseStore releases) {
        this.releases = releases;
    }

    public Release get(long id) {
        Release kept = known.getIfPresent(id);
        if (kept != null) {
            return kept;
        }
        // Nobody waits for another's reading, which may need a connection that those who wait hold.
        Release read = releases.get(id);
        known.put(id, read);
        return read;
    }

    /** Newest first. */
    public List<Release> of(long questionnaireId) {
        return releases.ids(questionnaireId).stream().map(this::get).toList();
    }

    /** The release that a link belongs to. */
    public Optional<Release> withToken(String token) {
        return releases.idOf(token).map(this::get);
    }
}
