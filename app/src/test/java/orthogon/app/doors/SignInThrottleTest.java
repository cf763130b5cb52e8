package orthogon.app.doors;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import org.junit.jupiter.api.Test;

class SignInThrottleTest {

    private Instant now = Instant.parse("2026-11-29T10:00:00Z");
    private final SignInThrottle pace = new SignInThrottle(new Clock() {
        @Override
        public ZoneId getZone() {
            return ZoneOffset.UTC;
        }

        @Override
        public Clock withZone(ZoneId zone) {
            return this;
        }

        @Override
        public Instant instant() {
            return now;
        }
    });

    @Test
    void everyFailureBeyondThoseThatAreForgivenDoublesTheWait() {
        for (int n = 1; n < SignInThrottle.FORGIVEN_NAME; n++) {
            pace.failed("ines", "192.0.2.1");
            assertEquals(Duration.ZERO, pace.waits("ines", "192.0.2.2"));
        }
        pace.failed("ines", "192.0.2.1");
        assertEquals(Duration.ofSeconds(2), pace.waits("ines", "192.0.2.2"));
        pace.failed("ines", "192.0.2.1");
        assertEquals(Duration.ofSeconds(4), pace.waits("ines", "192.0.2.2"));
        now = now.plusSeconds(4);
        assertEquals(Duration.ZERO, pace.waits("ines", "192.0.2.2"));
        assertEquals(Duration.ZERO, pace.waits("jory", "192.0.2.2"));
    }

    @Test
    void nobodyIsKeptOutForLongByWhoTriesTheirName() {
        for (int n = 0; n < 500; n++) {
            pace.failed("ines", "192.0.2." + n % 250);
        }
        assertEquals(SignInThrottle.LONGEST_NAME, pace.waits("ines", "198.51.100.1"));
        pace.passed("ines");
        assertEquals(Duration.ZERO, pace.waits("ines", "198.51.100.1"));
    }

    @Test
    void oneAddressThatTriesManyNamesIsSlowed() {
        for (int n = 0; n < SignInThrottle.FORGIVEN_ADDRESS; n++) {
            pace.failed("name" + n, "192.0.2.1");
        }
        assertTrue(pace.waits("another", "192.0.2.1").isPositive());
        assertEquals(Duration.ZERO, pace.waits("another", "192.0.2.2"));
    }

    @Test
    void failuresOfLongAgoAreForgotten() {
        for (int n = 0; n < 10; n++) {
            pace.failed("ines", "192.0.2.1");
        }
        now = now.plus(Duration.ofHours(2));
        pace.failed("ines", "192.0.2.1");
        assertEquals(Duration.ZERO, pace.waits("ines", "192.0.2.1"));
    }
}
