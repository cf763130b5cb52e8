package orthogon.app.http;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.springframework.mock.env.MockEnvironment;

class PaceTest {

    @Test
    void oneClientDoesOnlySoMuchAndOthersAreNotHeldUp() {
        Pace pace = new Pace(new MockEnvironment());
        long begun = IntStream.range(0, 100).filter(i -> pace.allows(Pace.Of.BEGINNING, "192.0.2.7")).count();
        assertEquals(30, begun);
        assertTrue(pace.allows(Pace.Of.BEGINNING, "192.0.2.8"));
        assertTrue(pace.allows(Pace.Of.MAIL_BY_CLIENT, "192.0.2.7"), "each thing has a pace of its own");
    }

    @Test
    void aPaceIsSet() {
        Pace pace = new Pace(new MockEnvironment().withProperty("orthogon.pace.mail-to-address.most", "1"));
        assertTrue(pace.allows(Pace.Of.MAIL_TO_ADDRESS, "wenna@example.org"));
        assertFalse(pace.allows(Pace.Of.MAIL_TO_ADDRESS, "wenna@example.org"));
    }
}
