package orthogon.formats.contact;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.Optional;
import orthogon.core.questionnaire.Answer.Contact;
import orthogon.core.questionnaire.Answer.Contact.Kind;
import org.junit.jupiter.api.Test;

class ContactsTest {

    private static Optional<String> read(Kind kind, String region, String typed) {
        return Contacts.read(new Contact(kind, region), typed);
    }

    @Test
    void whatIsOfTheFormIsBroughtIntoItsUsualForm() {
        assertEquals(Optional.of("Wren.Alder@example.org"), read(Kind.EMAIL, "", " Wren.Alder@EXAMPLE.org "));
        assertEquals(Optional.of("+441632960961"), read(Kind.PHONE, "GB", "(01632) 960 961"));
        assertEquals(Optional.of("+441632960961"), read(Kind.PHONE, "", "+44 1632 960961"));
        assertEquals(Optional.of("https://example.org/fen?x=1"), read(Kind.WEB, "", "example.org/fen?x=1"));
    }

    @Test
    void whatIsNotIsRefused() {
        assertEquals(Optional.empty(), read(Kind.EMAIL, "", "wren@localhost"));
        assertEquals(Optional.empty(), read(Kind.EMAIL, "", "wren example.org"));
        assertEquals(Optional.empty(), read(Kind.PHONE, "", "01632 960961"));
        assertEquals(Optional.empty(), read(Kind.PHONE, "GB", "12"));
        assertEquals(Optional.empty(), read(Kind.WEB, "", "javascript:alert(1)"));
        assertEquals(Optional.empty(), read(Kind.WEB, "", "https://"));
    }
}
