package orthogon.core.proof.claim;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Optional;
import org.junit.jupiter.api.Test;

class ClaimKindTest {

    @Test
    void aReportNamesEveryKindByAWordOfItsOwn() {
        for (ClaimKind kind : ClaimKind.values()) {
            assertTrue(kind.word().matches("[a-z]+(-[a-z]+)*"), kind.word());
            assertEquals(Optional.of(kind), ClaimKind.of(kind.word()));
        }
        assertEquals("reach-page visit", ClaimKind.REACH_PAGE.id("visit"));
        assertEquals(Optional.empty(), ClaimKind.of("REACH_PAGE"));
    }

    @Test
    void everyFamilyThatCanEndEarlyHasAKindThatStandsForAllOfIt() {
        for (Family family : Family.values()) {
            if (family != Family.SOUND) {
                assertEquals(family, ClaimKind.whole(family).family());
                assertEquals(family.name().toLowerCase(java.util.Locale.ROOT), ClaimKind.whole(family).word());
            }
        }
    }
}
