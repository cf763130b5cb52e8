package orthogon.app.doors;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import org.springframework.stereotype.Component;

/**
 * Slows down who fails to sign in: with one name, whoever tries, and from one address, whatever the name. The first few failures cost
 * nothing; each further one doubles the wait.
 */
@Component
class SignInThrottle {

    /** So many failures are forgiven. */
    static final int FORGIVEN_NAME = 5;
    /** People of one office share an address. */
    static final int FORGIVEN_ADDRESS = 20;
    /** Short, so that an attack on an account does not keep its owner out for long. */
    static final Duration LONGEST_NAME = Duration.ofMinutes(1);
    static final Duration LONGEST_ADDRESS = Duration.ofMinutes(15);

    private static final Duration FORGOTTEN_AFTER = Duration.ofHours(1);
    private static final int MOST_KEPT = 50_000;

    private record Failures(int count, Instant last) {}

    private final Cache<String, Failures> failures = Caffeine.newBuilder().maximumSize(MOST_KEPT).build();
    private final Clock clock;

    SignInThrottle() {
        this(Clock.systemUTC());
    }

    SignInThrottle(Clock clock) {
        this.clock = clock;
    }

    /** How long it is until somebody may try again; zero for at once. */
    Duration waits(String name, String address) {
        Duration byName = waits("name " + name, FORGIVEN_NAME, LONGEST_NAME);
        Duration byAddress = waits("address " + address, FORGIVEN_ADDRESS, LONGEST_ADDRESS);
        return byName.compareTo(byAddress) > 0 ? byName : byAddress;
    }

    private Duration waits(String key, int forgiven, Duration longest) {
        Failures known = failures.getIfPresent(key);
        if (known == null || known.count() < forgiven) {
            return Duration.ZERO;
        }
        long seconds = Math.min(longest.toSeconds(), 1L << Math.min(20, known.count() - forgiven + 1));
        Duration left = Duration.between(clock.instant(), known.last().plusSeconds(seconds));
        return left.isNegative() ? Duration.ZERO : left;
    }

    void failed(String name, String address) {
        for (String key : new String[]{"name " + name, "address " + address}) {
            failures.asMap().merge(key, new Failures(1, clock.instant()), (known, one) -> new Failures(
                    known.last().plus(FORGOTTEN_AFTER).isBefore(one.last()) ? 1 : known.count() + 1, one.last()));
        }
    }

    void passed(String name) {
        failures.invalidate("name " + name);
    }
}
