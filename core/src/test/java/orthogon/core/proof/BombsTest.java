package orthogon.core.proof;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.Duration;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CancellationException;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import orthogon.core.expression.Wiring;
import orthogon.core.interview.Interview;
import orthogon.core.proof.claim.Claim;
import orthogon.core.proof.claim.ClaimKind;
import orthogon.core.proof.claim.Verdict;
import orthogon.core.proof.diagram.Limits;
import orthogon.core.proof.diagram.Watch;
import orthogon.core.questionnaire.Questionnaire;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * Whatever an analyst writes, a proof ends within its limits, says what it did not decide and why, and can be called off. The time-out of
 * a test is many times the limit, so that only work without any limit fails it.
 */
@Timeout(value = 90, unit = TimeUnit.SECONDS, threadMode = Timeout.ThreadMode.SEPARATE_THREAD)
class BombsTest {

    private static final LocalDate TODAY = LocalDate.of(2026, 11, 29);
    private static final Limits LIMITS = new Limits(1 << 17, Duration.ofMillis(300));
    private static final int SHOWN = 3;

    static Stream<String> bombs() {
        return Bombs.all().keySet().stream();
    }

    @Test
    void thereAreFiftyAndMore() {
        assertTrue(Bombs.all().size() >= 50, () -> "bombs: " + Bombs.all().size());
    }

    @ParameterizedTest
    @MethodSource("bombs")
    void endsWithinItsLimitsAndSaysWhatIsUndecided(String name) {
        Questionnaire document = Bombs.all().get(name);
        Proof proof = Proof.of(document, TODAY, LIMITS, Watch.NOBODY);
        assertFalse(proof.claims().isEmpty());
        proof.claims().stream().filter(c -> c.verdict() == Verdict.UNDECIDED).limit(SHOWN)
                .forEach(c -> assertFalse(proof.words().because(c).isBlank(), c::id));
        proof.figures().notCounted().ifPresent(why -> assertFalse(proof.words().said(why).isBlank()));
    }

    @ParameterizedTest
    @MethodSource("bombs")
    void isShownToARespondent(String name) {
        assertFalse(Interview.start(Wiring.of(Bombs.all().get(name)), TODAY, Map.of()).course().pages().isEmpty());
    }

    @Test
    void whatDoublesWithEachStepIsNamedAsTooLong() {
        Proof proof = Proof.of(Bombs.all().get("values that double"), TODAY, LIMITS, Watch.NOBODY);
        List<Claim> tooLong = proof.claims().stream().filter(c -> c.verdict() == Verdict.REFUTED && c.kind() == ClaimKind.TYPE_FITS)
                .toList();
        assertEquals(List.of("d14.derive"), tooLong.stream().map(Claim::place).toList());
        assertTrue(proof.words().because(tooLong.getFirst()).contains("too long once the derived values"));
        assertEquals("type-fits d14.derive", proof.claim("reach-question", "last_of_all").orElseThrow().follows().orElseThrow().text());
    }

    @ParameterizedTest
    @MethodSource("bombs")
    void isCalledOff(String name) {
        Questionnaire document = Bombs.all().get(name);
        long begun = System.nanoTime();
        Watch impatient = new Watch() {
            @Override
            public boolean isCalledOff() {
                return System.nanoTime() - begun > 20_000_000;
            }
        };
        try {
            Proof.of(document, TODAY, new Limits(1 << 24, Duration.ofMinutes(10)), impatient).figures();
        } catch (CancellationException e) {
            assertTrue(impatient.isCalledOff());
        }
    }
}
