package orthogon.app.account;

import static org.junit.jupiter.api.Assertions.assertEquals;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class BrowserNameTest {

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
            Mozilla/5.0 (X11; Linux x86_64; rv:140.0) Gecko/20100101 Firefox/140.0 | Firefox on Linux
            Mozilla/5.0 (X11; Linux x86_64) AppleWebKit/537.36 (KHTML, like Gecko) Chrome/140.0.0.0 Safari/537.36 | Chrome on Linux
            Mozilla/5.0 (Windows NT 10.0) AppleWebKit/537.36 (KHTML, like Gecko) Chrome/140.0 Safari/537.36 Edg/140.0 | Edge on Windows
            Mozilla/5.0 (iPhone; CPU iPhone OS 18_0 like Mac OS X) AppleWebKit/605.1 Version/18.0 Safari/604.1 | Safari on iPhone
            Mozilla/5.0 (Linux; Android 15) AppleWebKit/537.36 (KHTML, like Gecko) Chrome/140.0.0.0 Mobile Safari/537.36 | Chrome on Android
            Firefox/140.0 | Firefox
            weir-check/2 | weir-check/2
            """)
    void aHeaderIsToldInWords(String header, String words) {
        assertEquals(words, BrowserName.of(header));
    }

    @Test
    void whatIsUnknownIsCutAndNeverMissing() {
        assertEquals("unknown", BrowserName.of(null));
        assertEquals("x".repeat(120), BrowserName.of("x".repeat(121)));
    }
}
