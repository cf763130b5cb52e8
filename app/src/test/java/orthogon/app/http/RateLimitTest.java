package orthogon.app.http;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.springframework.mock.env.MockEnvironment;

class RateLimitTest {

    @Test
    void oneClientDoesOnlySoMuchAndOthersAreNotHeldUp() {
        RateLimit pace = new RateLimit(new MockEnvironment());
        long begun = IntStream.range(0, 100).filter(i -> pace.allows(RateLimit.Of.BEGINNING, "192.0.2.7")).count();
        assertEquals(30, begun);
        assertTrue(pace.allows(RateLimit.Of.BEGINNING, "192.0.2.8"));
        assertTrue(pace.allows(RateLimit.Of.MAIL_BY_CLIENT, "192.0.2.7"), "each thing has a pace of its own");
    }

    @Test
    void aPaceIsSet() {
        RateLimit pace = new RateLimit(new MockEnvironment().withProperty("orthogon.pace.mail-to-address.most", "1"));
        assertTrue(pace.allows(RateLimit.Of.MAIL_TO_ADDRESS, "wenna@example.org"));
        assertFalse(pace.allows(RateLimit.Of.MAIL_TO_ADDRESS, "wenna@example.org"));
    }
}
