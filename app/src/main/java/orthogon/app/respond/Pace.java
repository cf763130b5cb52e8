package orthogon.app.respond;

import io.github.bucket4j.Bucket;
import java.time.Duration;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/** How many interviews one address may begin. People of a household or an office share one, so it is generous; robots are not stopped by less. */
@Component
class Pace {

    private static final int MOST_ADDRESSES = 20_000;

    private final int perMinute;
    private final Map<String, Bucket> buckets = Collections.synchronizedMap(new LinkedHashMap<>(16, 0.75f, true) {
        @Override
        protected boolean removeEldestEntry(Map.Entry<String, Bucket> eldest) {
            return size() > MOST_ADDRESSES;
        }
    });

    /** @param perMinute interviews that one address may begin in a minute */
    Pace(@Value("${orthogon.begins-per-minute:30}") int perMinute) {
        this.perMinute = perMinute;
    }

    boolean mayBegin(String address) {
        return buckets.computeIfAbsent(address, a -> Bucket.builder()
                .addLimit(limit -> limit.capacity(perMinute).refillGreedy(perMinute, Duration.ofMinutes(1))).build()).tryConsume(1);
    }
}
