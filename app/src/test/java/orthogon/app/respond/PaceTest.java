package orthogon.app.respond;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

class PaceTest {

    @Test
    void oneAddressBeginsOnlySoManyAndOthersAreNotHeldUp() {
        Pace pace = new Pace(30);
        long begun = IntStream.range(0, 100).filter(i -> pace.mayBegin("192.0.2.7")).count();
        assertEquals(30, begun);
        assertTrue(pace.mayBegin("192.0.2.8"));
    }
}
