package orthogon.core.proof.claim;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Optional;
import orthogon.core.place.Place;
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
                assertEquals(family.name().toLowerCase(java.util.Locale.ROOT).replace('_', '-'), ClaimKind.whole(family).word());
            }
        }
    }

    @Test
    void aKindSaysWhereItsClaimsStand() {
        assertEquals(new Place.Own("calm"), ClaimKind.OWN.at("calm"));
        assertEquals("fr/count.wording", ClaimKind.TRANSLATED.at("fr/count.wording").text());
        assertEquals(new Place.Row("fr"), ClaimKind.TRANSLATED.at("fr"), "what is no text of a language");
        assertEquals("visit", ClaimKind.REACH_PAGE.at("visit").row());
        assertEquals("count", ClaimKind.CONDITION_VARIES.at("count.askWhen").row());
        assertEquals(new Place.Whole(), ClaimKind.ONE_OUTCOME.at("roost"));
        assertEquals(new Place.Whole(), ClaimKind.BURDEN_WITHIN.at("roost"));
        assertEquals("count", ClaimKind.TEXT_WHOLE.at("count.wording").row());
        assertEquals("count", ClaimKind.TEXT_FILLED.at("count.wording/age").row());
    }

    @Test
    void reachClaimsAreAboutOnePlace() {
        assertTrue(ClaimKind.REACH_PAGE.isReach() && ClaimKind.REACH_OUTCOME.isReach());
        assertEquals(false, ClaimKind.PAGE_PASSABLE.isReach());
        assertEquals(false, ClaimKind.whole(Family.REACH).isReach());
    }
}
