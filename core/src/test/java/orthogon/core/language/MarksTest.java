package orthogon.core.language;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

class MarksTest {

    private static final String COUNTED = "{count, plural, one {One animal} other {All # animals}} of {name}";

    @Test
    void formsOfWholeNumbersAreThoseOfTheLanguage() {
        assertEquals(List.of("one", "other"), Marks.pluralForms("en"));
        assertEquals(List.of("one", "other"), Marks.pluralForms("fr"));
        assertEquals(List.of("one", "few", "many", "other"), Marks.pluralForms("pl"));
        assertEquals(List.of("zero", "one", "two", "few", "many", "other"), Marks.pluralForms("ar"));
        assertEquals(List.of("other"), Marks.pluralForms("ja"));
    }

    @Test
    void whatStandsForSomethingMustMatch() {
        assertEquals(List.of(), Marks.faults(COUNTED, "{count, plural, one {Un animal} other {Les # animaux}} de {name}", "fr"));
        assertEquals(List.of("the plural form count: few is missing", "the plural form count: many is missing"),
                Marks.faults(COUNTED, "{count, plural, one {Jedno} other {Wszystkie #}}: {name}", "pl"));
        assertEquals(List.of("{name} is missing"), Marks.faults(COUNTED, "{count, plural, one {Un} other {#}}", "fr"));
        assertEquals(List.of("{count, plural} is missing", "{count} is not in the source"),
                Marks.faults(COUNTED, "{count} de {name}", "fr"));
        assertEquals(List.of("{day} is not in the source"), Marks.faults("Now", "Maintenant {day}", "fr"));
        assertEquals(1, Marks.faults("Of {name}", "De {name", "fr").size());
        assertEquals(List.of("{sex, select: f, other} is missing", "{sex, select: m, other} is not in the source"),
                Marks.faults("{sex, select, f {she} other {they}}", "{sex, select, m {il} other {on}}", "fr"));
        assertEquals(List.of(), Marks.faults("{n, plural, =0 {none} one {#} other {#}}", "{n, plural, one {#} other {#}}", "fr"));
    }

    @Test
    void linksAndMarkupMustMatch() {
        String source = "**Call** [us](https://example.org/help) at once";
        assertEquals(List.of(), Marks.faults(source, "**Appelez**-[nous](https://example.org/help) aussitôt", "fr"));
        assertEquals(List.of("https://example.org/help is missing", "https://example.org/aide is not in the source"),
                Marks.faults(source, "**Appelez**-[nous](https://example.org/aide) aussitôt", "fr"));
        assertEquals(List.of("** is missing"), Marks.faults(source, "Appelez-[nous](https://example.org/help)", "fr"));
        assertEquals(List.of("- is missing"), Marks.faults("- one\n- two", "un, deux", "fr"));
        assertEquals(List.of("one ** has no “other” form"), Marks.faults("**Call** us", "**Appelez nous", "fr"));
        String counted = "{n, plural, one {**One** owl} other {**#** owls}}";
        assertEquals(List.of("n: other: one ** has no “other” form"),
                Marks.faults(counted, "{n, plural, one {**Une** chouette} other {**# chouettes}}", "fr"));
        assertEquals(List.of(), Marks.faults("2 * 3 * 4", "deux fois trois", "fr"), "an asterisk between spaces is none");
    }

    @Test
    void piecesTogetherAreTheText() {
        for (String text : List.of(COUNTED, "plain", "", "{a}{b}", "See [here](https://example.org/{x}) and <mailto:a@example.org>.",
                "{d, date, long} – {count, plural, one {of {name}} other {#}}", "broken {")) {
            assertEquals(text, Marks.pieces(text).stream().map(Marks.Piece::text).collect(Collectors.joining()));
        }
        assertEquals(List.of("{name}"), Marks.pieces(COUNTED).stream().filter(Marks.Piece::fixed).map(Marks.Piece::text).toList());
        assertEquals(List.of("](https://example.org)"),
                Marks.pieces("[us](https://example.org)").stream().filter(Marks.Piece::fixed).map(Marks.Piece::text).toList());
    }

    @Test
    void everyCaseIsReadByItself() {
        assertEquals(List.of(new Marks.Arm("count: one", "One animal"), new Marks.Arm("count: other", "All # animals")),
                Marks.arms(COUNTED));
        assertEquals(List.of("n: blank", "n: other, n: one", "n: other, n: other"),
                Marks.arms("{n, select, blank {none} other {{n, plural, one {#} other {# {x}}}}}").stream().map(Marks.Arm::when).toList());
        assertEquals(List.of(), Marks.arms("{x} only"));
        assertEquals(List.of(new Marks.Arm("n: =0", "none"), new Marks.Arm("n: other", "#")),
                Marks.arms("{n, plural, =0 {none} other {#}}"));
    }

    @Test
    void stretchedTextsKeepTheirMarksAndAreLonger() {
        for (String text : List.of(COUNTED, "Which kind of animal is it?", "{kind, select, bird {a bird} other {an animal}}",
                "**Wash** it, see [us](https://example.org/help)", "- one\n- two", "{a} {b, number, integer}")) {
            String stretched = Stretch.of(text);
            assertEquals(Marks.of(text), Marks.of(stretched), stretched);
            assertTrue(stretched.length() >= text.length() + 3, stretched);
            assertTrue(stretched.contains(Stretch.OPEN) && stretched.endsWith(Stretch.CLOSE), stretched);
            assertTrue(Piping.fault(stretched).isEmpty(), stretched);
        }
        assertEquals("⟦Whíçh? ··⟧", Stretch.of("Which?"));
        assertEquals("", Stretch.of(""));
    }
}
