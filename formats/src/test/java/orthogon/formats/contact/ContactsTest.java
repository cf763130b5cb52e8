package orthogon.formats.contact;

import orthogon.core.answer.contact.ContactAnswer;
import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.Optional;
import org.junit.jupiter.api.Test;

class ContactsTest {

    private static Optional<String> read(ContactAnswer.Standard kind, String region, String typed) {
        return Contacts.read(new ContactAnswer(kind, region), typed);
    }

    @Test
    void whatIsOfTheFormIsBroughtIntoItsUsualForm() {
        assertEquals(Optional.of("Wren.Alder@example.org"), read(ContactAnswer.Standard.EMAIL, "", " Wren.Alder@EXAMPLE.org "));
        assertEquals(Optional.of("+441632960961"), read(ContactAnswer.Standard.PHONE, "GB", "(01632) 960 961"));
        assertEquals(Optional.of("+441632960961"), read(ContactAnswer.Standard.PHONE, "", "+44 1632 960961"));
        assertEquals(Optional.of("https://example.org/fen?x=1"), read(ContactAnswer.Standard.WEB, "", "example.org/fen?x=1"));
    }

    @Test
    void whatIsNotIsRefused() {
        assertEquals(Optional.empty(), read(ContactAnswer.Standard.EMAIL, "", "wren@localhost"));
        assertEquals(Optional.empty(), read(ContactAnswer.Standard.EMAIL, "", "wren example.org"));
        assertEquals(Optional.empty(), read(ContactAnswer.Standard.PHONE, "", "01632 960961"));
        assertEquals(Optional.empty(), read(ContactAnswer.Standard.PHONE, "GB", "12"));
        assertEquals(Optional.empty(), read(ContactAnswer.Standard.WEB, "", "javascript:alert(1)"));
        assertEquals(Optional.empty(), read(ContactAnswer.Standard.WEB, "", "https://"));
    }
}
