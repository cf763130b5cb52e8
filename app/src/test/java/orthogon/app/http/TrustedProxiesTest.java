package orthogon.app.http;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import jakarta.servlet.http.HttpServletRequest;
import org.junit.jupiter.api.Test;
import org.springframework.mock.web.MockFilterChain;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.mock.web.MockHttpServletResponse;

class TrustedProxiesTest {

    private static HttpServletRequest through(String trusted, String from, String forwardedFor, String proto) throws Exception {
        MockHttpServletRequest request = new MockHttpServletRequest("GET", "/");
        request.setRemoteAddr(from);
        if (forwardedFor != null) {
            request.addHeader("X-Forwarded-For", forwardedFor);
        }
        request.addHeader("X-Forwarded-Proto", proto);
        MockFilterChain chain = new MockFilterChain();
        new TrustedProxies(trusted).doFilter(request, new MockHttpServletResponse(), chain);
        return (HttpServletRequest) chain.getRequest();
    }

    @Test
    void whatAProxySaysThatIsNamedIsBelieved() throws Exception {
        HttpServletRequest request = through("10.0.0.5, 192.168.0.0/16", "10.0.0.5", "203.0.113.9, 192.168.3.4", "https");
        assertEquals("203.0.113.9", request.getRemoteAddr());
        assertTrue(request.isSecure());
        assertEquals("https", request.getScheme());
    }

    @Test
    void whatTheClientPutInFrontIsNot() throws Exception {
        assertEquals("203.0.113.9", through("10.0.0.5", "10.0.0.5", "127.0.0.1, 203.0.113.9", "https").getRemoteAddr());
    }

    @Test
    void whatAnybodyElseSaysIsNot() throws Exception {
        for (String trusted : new String[]{"", "10.0.0.5"}) {
            HttpServletRequest request = through(trusted, "203.0.113.9", "127.0.0.1", "https");
            assertEquals("203.0.113.9", request.getRemoteAddr());
            assertFalse(request.isSecure());
        }
    }

    @Test
    void nonsenseFromAProxyIsTheProxyItself() throws Exception {
        assertEquals("10.0.0.5", through("10.0.0.5", "10.0.0.5", "<script>", "http").getRemoteAddr());
        assertEquals("10.0.0.5", through("10.0.0.5", "10.0.0.5", null, "http").getRemoteAddr());
    }

    @Test
    void aPublicAddressIsAWebAddress() {
        assertEquals("https://forms.quillmere.example/to/roost", new PublicAddress("https://forms.quillmere.example/").of("/to/roost"));
        assertTrue(new PublicAddress("https://forms.quillmere.example").isSecure());
        for (String wrong : new String[]{"forms.quillmere.example", "ftp://forms.quillmere.example", "https://", "https://x?y=1"}) {
            assertTrue(assertThrows(IllegalArgumentException.class, () -> new PublicAddress(wrong)).getMessage().contains("https://forms"));
        }
    }
}
