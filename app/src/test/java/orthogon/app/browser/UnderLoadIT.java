package orthogon.app.browser;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.Duration;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Many respondents at once: nobody meets an error. How long it takes is measured elsewhere. */
class UnderLoadIT {

    @Test
    void sixtyRespondentsMeetNoError() throws InterruptedException {
        try (RunningApplication application = RunningApplication.fresh()) {
            Respondents.Figures figures = new Respondents(application.address() + "/to/found-animal", Duration.ofMillis(300))
                    .answer(60, Duration.ofSeconds(20));
            assertEquals(List.of(), List.copyOf(figures.errors()));
            assertTrue(figures.millis().size() > 200, figures.millis().size() + " requests");
            assertTrue(figures.sent() > 0, "somebody comes to the end");
        }
    }
}
