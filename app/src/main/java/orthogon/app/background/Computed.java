package orthogon.app.background;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.function.Predicate;
import java.util.function.Supplier;

/**
 * What was computed in the background, once for each key. Keeps the results that were asked for last. Calls off a computation whose result
 * is dropped.
 */
public final class Computed<K, V> {

    private final Computations computations;
    private final Map<K, CompletableFuture<V>> known;

    /** @param most how many results are kept */
    public Computed(Computations computations, int most) {
        this.computations = computations;
        this.known = new LinkedHashMap<>(16, 0.75f, true) {
            @Override
            protected boolean removeEldestEntry(Map.Entry<K, CompletableFuture<V>> eldest) {
                boolean drops = size() > most;
                if (drops) {
                    eldest.getValue().cancel(false);
                }
                return drops;
            }
        };
    }

    /**
     * The result for a key, begun now if it was not yet.
     *
     * @param size of the document, in items
     */
    public CompletableFuture<V> of(K key, long size, Supplier<V> computation) {
        synchronized (known) {
            return known.computeIfAbsent(key, k -> computations.begin(size, computation));
        }
    }

    /** Calls off what is under way for these keys. It stays cancelled until it is {@linkplain #forget forgotten}. */
    public void stop(Predicate<K> keys) {
        synchronized (known) {
            known.forEach((key, result) -> {
                if (keys.test(key)) {
                    result.cancel(false);
                }
            });
        }
    }

    /** Forgets what was stopped or has failed for these keys, so that it begins again when somebody asks. */
    public void forget(Predicate<K> keys) {
        synchronized (known) {
            known.entrySet().removeIf(e -> keys.test(e.getKey()) && e.getValue().isCompletedExceptionally());
        }
    }
}
