package orthogon.app.http;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import io.github.bucket4j.Bucket;
import java.time.Duration;
import org.springframework.core.env.Environment;
import org.springframework.stereotype.Component;

/**
 * How often something may be done by one client, for one address, with one account. Each kind has its most and its time as settings
 * named {@code orthogon.pace.<kind>.most} and {@code orthogon.pace.<kind>.per}.
 */
@Component
public class RateLimit {

    /** What is paced, with what holds where nothing is set. */
    public enum Of {
        /** Interviews begun by a client. A household or an office shares one, so it is generous; robots are not stopped by less. */
        BEGINNING("begin", 30, Duration.ofMinutes(1)),
        /** Ways back that are sent from one interview. */
        MAIL_OF_INTERVIEW("mail-of-interview", 5, Duration.ofHours(1)),
        /** Messages that respondents have sent to one address, whoever asks for them. */
        MAIL_TO_ADDRESS("mail-to-address", 5, Duration.ofHours(1)),
        /** Messages that one client has sent. */
        MAIL_BY_CLIENT("mail-by-client", 30, Duration.ofHours(1)),
        /** Megabytes of files that one client has sent; a smaller file counts as one. */
        UPLOAD_BY_CLIENT("upload-by-client", 1000, Duration.ofHours(1)),
        /** Searches among records by one client. Each letter typed may be one; to read a register out takes far more. */
        LOOKUP_BY_CLIENT("lookup-by-client", 120, Duration.ofMinutes(1));

        private final String name;
        private final int most;
        private final Duration per;

        Of(String name, int most, Duration per) {
            this.name = name;
            this.most = most;
            this.per = per;
        }
    }

    private static final int MOST_KEPT = 50_000;

    private final Environment settings;
    private final Cache<String, Bucket> buckets = Caffeine.newBuilder().maximumSize(MOST_KEPT).build();

    public RateLimit(Environment settings) {
        this.settings = settings;
    }

    /** Counts one more and tells whether that is still within the pace. */
    public boolean allows(Of what, String whose) {
        return allows(what, whose, 1);
    }

    /** Counts so many more, or none where they are not within the pace any more. */
    public boolean allows(Of what, String whose, long many) {
        return buckets.get(what.name + " " + whose, key -> bucket(what)).tryConsume(many);
    }

    private Bucket bucket(Of what) {
        int most = settings.getProperty("orthogon.pace." + what.name + ".most", Integer.class, what.most);
        Duration per = settings.getProperty("orthogon.pace." + what.name + ".per", Duration.class, what.per);
        return Bucket.builder().addLimit(limit -> limit.capacity(most).refillGreedy(most, per)).build();
    }
}
