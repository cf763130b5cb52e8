package orthogon.core.language;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertSame;

import org.junit.jupiter.api.Test;

class CleanTextTest {

    @Test
    void whatNoPaperCanHoldIsLeftOut() {
        assertEquals("ab", CleanText.of("a\u0000b"));
        assertEquals("a b", CleanText.of("\u0001a\u001F b\u0008"));
        assertEquals("x", CleanText.of("\uD800x\uDC00"));
        assertEquals("x", CleanText.of("x\uFFFE\uFFFF"));
    }

    @Test
    void everythingElseStays() {
        String text = "Where?\r\n\tأين؟ \uD83D\uDE00 \u00A0\u200F\uE000\uFFFD";
        assertSame(text, CleanText.of(text));
        assertEquals(text, CleanText.of(text + "\u0000"));
        assertEquals("", CleanText.of(""));
    }
}
