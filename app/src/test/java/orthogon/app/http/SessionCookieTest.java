package orthogon.app.http;

import static org.junit.jupiter.api.Assertions.assertEquals;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.mock.web.MockServletContext;

class SessionCookieTest {

    @ParameterizedTest
    @CsvSource({"https://forms.quillmere.example, true", "http://forms.quillmere.example, false", "'', false"})
    void isKeptToEncryptedConnectionsWherePeopleUseThem(String address, boolean secure) throws Exception {
        MockServletContext context = new MockServletContext();
        new SessionCookie().secureSessionCookie(new PublicAddress(address)).onStartup(context);
        assertEquals(secure, context.getSessionCookieConfig().isSecure());
    }
}
