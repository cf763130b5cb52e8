package orthogon.core.proof.diagram;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Map;
import java.util.concurrent.CancellationException;
import orthogon.core.proof.message.Message;
import orthogon.core.proof.told.ClaimWords;
import org.junit.jupiter.api.Test;

/** An error of Orthogon itself is told so that it can be reported. */
class FailureTest {

    private static RuntimeException at(String className, String method) {
        RuntimeException error = new IllegalStateException("no such bit");
        error.setStackTrace(new StackTraceElement[]{new StackTraceElement("java.util.ArrayList", "get", "ArrayList.java", 12),
                new StackTraceElement(className, method, "Any.java", 77),
                new StackTraceElement("orthogon.core.Later", "on", "Later.java", 3)});
        return error;
    }

    @Test
    void theFirstPlaceOfOrthogonIsNamed() {
        Message message = Failure.message(at("orthogon.core.proof.space.Bits", "place"));
        assertEquals(Map.of("error", new Message.Term.Given("IllegalStateException (no such bit)"), "where",
                new Message.Term.Given("Bits.place, line 77")), message.terms());
        assertEquals("Orthogon failed here: IllegalStateException (no such bit) in Bits.place, line 77. Report this line together with the "
                + "questionnaire's file", ClaimWords.failure(at("orthogon.core.proof.space.Bits", "place")));
    }

    @Test
    void anErrorWithoutAMessageOrAPlaceIsToldToo() {
        RuntimeException error = new IllegalStateException();
        error.setStackTrace(new StackTraceElement[]{new StackTraceElement("java.util.ArrayList", "get", "ArrayList.java", 12)});
        assertEquals(
                "Orthogon failed here: IllegalStateException in an unknown place. Report this line together with the questionnaire's file",
                ClaimWords.failure(error));
    }

    @Test
    void whatEndsAProofOnPurposeIsNoFailure() {
        assertTrue(Failure.isOne(new IllegalStateException()));
        assertTrue(Failure.isOne(new StackOverflowError()));
        assertFalse(Failure.isOne(new CancellationException()));
        assertFalse(Failure.isOne(new OutOfMemoryError()));
        Diagrams.BudgetSpent spent = Diagrams.BudgetSpent.because(Message.of("inexact.zero"));
        assertFalse(Failure.isOne(spent));
        assertEquals(Message.of("inexact.zero"), spent.why());
    }
}
