package orthogon.app.account;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.security.crypto.factory.PasswordEncoderFactories;

class PasswordsTest {

    private final Passwords passwords = new Passwords(PasswordEncoderFactories.createDelegatingPasswordEncoder());

    @ParameterizedTest
    @ValueSource(strings = {"short", "elevenchars", "Password1234!", "passwordpassword", "QUILLMERE-2026", "aaaaaaaaaaaaaaaa",
            "123456789012",
            "Ines Tallow 1", "abababababababab"})
    void whatOthersTryFirstIsNotGoodEnough(String password) {
        assertTrue(passwords.whyNot(password, "ines", "Ines Tallow").isPresent());
    }

    @ParameterizedTest
    @ValueSource(strings = {"otters swim at dawn", "twelve chars", "пароль из многих слов", "correct horses, wrong stables"})
    void aFewWordsAreGoodEnough(String password) {
        assertEquals(Optional.empty(), passwords.whyNot(password, "ines", "Ines Tallow"));
    }

    @Test
    void lengthsAtTheEdge() {
        assertTrue(passwords.whyNot("a fen heron", "x", "y").isPresent(), "11 characters");
        assertTrue(passwords.whyNot("a fen herons", "x", "y").isEmpty(), "12 characters");
        assertTrue(passwords.whyNot("herons ".repeat(10) + "12", "x", "y").isEmpty(), "72 bytes");
        assertTrue(passwords.whyNot("herons ".repeat(10) + "123", "x", "y").isPresent(), "73 bytes");
    }

    @Test
    void onlyThePasswordOfTheHashFits() {
        String hashed = passwords.hash("otters swim at dawn");
        assertTrue(passwords.fits("otters swim at dawn", hashed));
        assertFalse(passwords.fits("otters swim at dusk", hashed));
        assertFalse(passwords.fits("", ""));
        assertFalse(passwords.fits("nobody has this password", ""), "who has no password is not let in by any");
        assertFalse(passwords.fits("x".repeat(5000), hashed));
    }
}
