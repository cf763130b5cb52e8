package orthogon.app.http;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.springframework.dao.DataAccessResourceFailureException;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.mock.web.MockHttpServletResponse;

class QuietFailuresTest {

    @Test
    void aFailureIsToldByItsKindAndPlaceAlone() {
        Exception error = new IllegalStateException("values ('wenna@example.org')", new NullPointerException("wenna"));
        String words = QuietFailures.where(error);
        assertTrue(words.startsWith("IllegalStateException at orthogon.app.http.QuietFailuresTest:"), words);
        assertTrue(words.contains("caused by NullPointerException"), words);
        assertFalse(words.contains("wenna"), words);
    }

    @Test
    void whoAskedIsToldByTheErrorPage() {
        MockHttpServletResponse response = new MockHttpServletResponse();
        List<Object> events = new ArrayList<>();
        QuietFailures failures = new QuietFailures(events::add);
        failures.resolveException(new MockHttpServletRequest("GET", "/i/1"), response, null, new IllegalStateException("x"));
        assertEquals(500, response.getStatus());
        assertTrue(events.isEmpty());

        MockHttpServletResponse full = new MockHttpServletResponse();
        failures.resolveException(new MockHttpServletRequest("POST", "/i/1"), full, null,
                new IllegalStateException(new DataAccessResourceFailureException("x")));
        assertEquals(507, full.getStatus());
        assertEquals(List.of(new StorageFailed()), events);
        assertTrue(StorageFailed.isCauseOf(new SQLException("x", new IllegalStateException(new IOException("No space left on device")))));
        assertFalse(StorageFailed.isCauseOf(new IOException("Broken pipe")), "a client that went away");
        assertFalse(StorageFailed.isCauseOf(new SQLException("x")));
    }
}
