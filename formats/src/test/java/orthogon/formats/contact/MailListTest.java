package orthogon.formats.contact;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.List;
import org.junit.jupiter.api.Test;

class MailListTest {

    @Test
    void addressesAreFoundInListsAndTables() {
        assertEquals(List.of("a@example.org", "b@example.org"), MailList.addresses("a@example.org\n\n b@example.org \n"));
        assertEquals(List.of("a@example.org"), MailList.addresses("\uFEFFname,Email\r\nMaud Salt,a@example.org\r\n"));
        assertEquals(List.of("a@example.org", "no address"), MailList.addresses("Maud;a@example.org\nno address"));
        assertEquals(List.of("a@example.org"), MailList.addresses("name,mail\n\"Salt, Maud\",a@example.org"));
        assertEquals(List.of(), MailList.addresses(" \n"));
    }

    @Test
    void noSpreadsheetTakesACellForAFormula() {
        assertEquals("\uFEFFemail,link,state\r\n'=1@example.org,x,sent\r\n", MailList.csv(List.of(List.of("=1@example.org", "x", "sent"))));
    }
}
