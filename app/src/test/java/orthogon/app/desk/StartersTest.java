package orthogon.app.desk;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.LocalDate;
import java.util.List;
import orthogon.core.proof.Proof;
import orthogon.core.proof.claim.Claim;
import orthogon.core.proof.claim.Verdict;
import orthogon.core.questionnaire.Questionnaire;
import org.junit.jupiter.api.Test;

/** A starter is a questionnaire that could be released as it is. */
class StartersTest {

    @Test
    void everyClaimThatBlocksAReleaseIsProvedOfEveryStarter() {
        List<Questionnaire> starters = new Starters().about("");
        assertEquals(4, starters.size());
        for (Questionnaire starter : starters) {
            List<Claim> blocking = Proof.of(starter, LocalDate.of(2026, 11, 2)).claims().stream().filter(Claim::blocking).toList();
            assertTrue(blocking.size() > 50, starter.code());
            assertEquals(List.of(), blocking.stream().filter(c -> c.verdict() != Verdict.PROVED).map(Claim::id).toList(), starter.code());
        }
    }
}
