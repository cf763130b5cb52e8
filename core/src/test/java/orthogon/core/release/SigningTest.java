package orthogon.core.release;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class SigningTest {

    @Test
    void nobodySignsTheirOwnRevisionOrSignsTwice() {
        assertFalse(Signing.isAllowed("ines", "ines", List.of()));
        assertFalse(Signing.isAllowed("jory", "ines", List.of("jory")));
        assertTrue(Signing.isAllowed("jory", "ines", List.of("marit")));
    }

    @Test
    void onlyAThirdHandCountsForWhoeverReleases() {
        assertEquals(Optional.empty(), Signing.counting("jory", "ines", List.of("jory")));
        assertEquals(Optional.empty(), Signing.counting("jory", "ines", List.of("ines")));
        assertEquals(Optional.of("marit"), Signing.counting("jory", "ines", List.of("jory", "marit", "tove")));
    }
}
