package orthogon.app.http;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import org.junit.jupiter.api.Test;
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
        new QuietFailures().resolveException(new MockHttpServletRequest("GET", "/i/1"), response, null, new IllegalStateException("x"));
        assertEquals(500, response.getStatus());
    }
}
