package orthogon.app.background;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.function.Predicate;
import java.util.function.Supplier;

/**
 * What was computed in the background, once for each key. Keeps the results that are asked for most. Calls off
 * the computation that was asked for longest ago where too many are under way.
 */
public final class Computed<K, V> {

    private final Computations computations;
    private final int most;
    private final Cache<K, CompletableFuture<V>> known;
    /** What is not there yet, the one that was asked for last at the end. */
    private final LinkedHashMap<K, CompletableFuture<V>> underWay = new LinkedHashMap<>();

    /** @param most how many results are kept, and how many are under way at a time */
    public Computed(Computations computations, int most) {
        this.computations = computations;
        this.most = most;
        this.known = Caffeine.newBuilder().maximumWeight(most).weigher((K key, CompletableFuture<V> result) -> result.isDone() ? 1 : 0)
                .build();
    }

    /**
     * The result for a key, begun now if it was not yet.
     *
     * @param size of the document, in items
     */
    public CompletableFuture<V> of(K key, long size, Supplier<V> computation) {
        return of(key, () -> computations.begin(size, computation));
    }

    /**
     * The result for a key, begun now if it was not yet.
     *
     * @param begin begins the computation, and does not wait for it
     */
    public CompletableFuture<V> of(K key, Supplier<CompletableFuture<V>> begin) {
        AtomicBoolean isNew = new AtomicBoolean();
        CompletableFuture<V> result = known.get(key, k -> {
            isNew.set(true);
            return begin.get();
        });
        if (!result.isDone()) {
            makeRoom(key, result);
        }
        if (isNew.get()) {
            result.whenComplete((value, error) -> {
                synchronized (underWay) {
                    underWay.remove(key, result);
                }
                // Now that it is there it counts.
                known.asMap().replace(key, result, result);
                known.cleanUp();
            });
        }
        return result;
    }

    /** Notes what was asked for last, and calls off what was asked for longest ago where too much is under way. */
    private void makeRoom(K key, CompletableFuture<V> result) {
        synchronized (underWay) {
            if (result.isDone()) {
                return;
            }
            underWay.remove(key);
            underWay.put(key, result);
            if (underWay.size() > most) {
                Map.Entry<K, CompletableFuture<V>> eldest = underWay.pollFirstEntry();
                known.asMap().remove(eldest.getKey(), eldest.getValue());
                eldest.getValue().cancel(false);
            }
        }
    }

    /** The results that are there, by their keys. */
    public Map<K, V> done() {
        known.cleanUp();
        Map<K, V> done = new HashMap<>();
        known.asMap().forEach((key, result) -> {
            if (result.isDone() && !result.isCompletedExceptionally()) {
                done.put(key, result.join());
            }
        });
        return done;
    }

    /** Calls off what is under way for these keys. It stays cancelled until it is {@linkplain #forget forgotten}. */
    public void stop(Predicate<K> keys) {
        known.asMap().forEach((key, result) -> {
            if (keys.test(key)) {
                result.cancel(false);
            }
        });
    }

    /** Forgets what was stopped or has failed for these keys, so that it begins again when somebody asks. */
    public void forget(Predicate<K> keys) {
        known.asMap().entrySet().removeIf(e -> keys.test(e.getKey()) && e.getValue().isCompletedExceptionally());
    }

    /** Forgets whatever there is for these keys. */
    public void remove(Predicate<K> keys) {
        known.asMap().keySet().removeIf(keys);
    }
}
