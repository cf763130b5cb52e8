package orthogon.app.questions;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Locale;
import orthogon.core.language.Piping;
import org.junit.jupiter.api.Test;

class MarkupTest {

    private static Piping.Filled filled(String text, String given) {
        return Piping.fill(text, Locale.ENGLISH, code -> given, code -> given);
    }

    @Test
    void whatTheAnalystWroteIsMarkup() {
        assertEquals("Is it <strong>alive</strong>?", Markup.inline(filled("Is it **alive**?", "")));
        assertEquals(
                "<p>Read <a href=\"https://example.org/terms\" rel=\"noopener noreferrer\">the terms</a>.</p>\n<ul><li>one</li><li>two</li></ul>",
                Markup.block(filled("Read [the terms](https://example.org/terms).\n\n* one\n* two", "")).replace("\n<li>", "<li>")
                        .replace("</li>\n</ul>", "</li></ul>"));
        assertEquals("Is it alive?", Markup.plain(filled("Is it **alive**?", "")));
    }

    @Test
    void nothingThatRunsGetsThrough() {
        for (String text : new String[]{"<script>alert(1)</script>", "[x](javascript:alert(1))", "<img src=x onerror=alert(1)>",
                "[x](data:text/html;base64,PHNjcmlwdD4=)", "<a href=\"https://example.org\" onclick=\"alert(1)\">x</a>"}) {
            String html = Markup.block(filled(text, ""));
            assertTrue(!html.contains("<script") && !html.contains("<img") && !html.matches("(?s).*<a[^>]*(javascript|data:|onclick).*"),
                    html);
        }
    }

    @Test
    void whatARespondentGaveIsNeverMarkup() {
        for (String given : new String[]{"**bold**", "<b>x</b>", "[x](https://example.org)", "`code`", "\uE0000\uE001", "# Title",
                "&lt;"}) {
            String html = Markup.inline(filled("Thank you, *{name}*", given));
            assertEquals("Thank you, <em>" + given.replace("&", "&amp;").replace("<", "&lt;").replace(">", "&gt;") + "</em>", html);
            assertEquals("Thank you, " + given, Markup.plain(filled("Thank you, {name}", given)));
        }
    }
}
