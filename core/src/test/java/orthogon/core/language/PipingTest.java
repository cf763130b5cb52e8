package orthogon.core.language;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;

class PipingTest {

    private static final Map<String, Object> ANSWERS = new HashMap<>(Map.of("species", "bat", "count", new BigDecimal("2"), "found",
            LocalDate.of(2026, 11, 3), "at", LocalTime.of(14, 5), "indoors", true, "seen", List.of("blood", "wing"), "name",
            "<b>{x}</b> *Wenna*", "weight", new BigDecimal("1234.5")));

    private static Piping.Filled fill(String text, Locale locale) {
        return Piping.fill(text, locale, ANSWERS::get, code -> code.equals("species") ? "a bat" : String.valueOf(ANSWERS.get(code)));
    }

    private static String say(String text) {
        return fill(text, Locale.ENGLISH).plain();
    }

    @Test
    void anAnswerStandsInTheTextInWords() {
        assertEquals("Where is a bat now?", say("Where is {species} now?"));
        assertEquals("Don't touch it", say("Don't touch it"));
        assertEquals("The {species} itself", say("The '{species}' itself"));
    }

    @Test
    void aPartOfAnAnswerIsNamedWithADot() {
        Map<String, Object> parts = Map.of("driver.name", "Ida Rook", "driver.area", "fen", "driver.boxes", new BigDecimal("3"));
        String text = "{driver.name} ({driver.area, select, fen {from the fen. Yes} other {from {driver.area}}}) takes "
                + "{driver.boxes, plural, one {# box} other {# boxes}}, not '{driver.name}'.";
        assertEquals("Ida Rook (from the fen. Yes) takes 3 boxes, not {driver.name}.",
                Piping.fill(text, Locale.ENGLISH, parts::get, n -> String.valueOf(parts.get(n))).plain());
        assertEquals(Set.of("driver.name", "driver.area", "driver.boxes"), Piping.names(text));
        assertEquals(Set.of("driver"), Piping.codes(text));
        assertEquals(Set.of("fen", "other"), Piping.choices(text).get("driver.area"));
        assertEquals("{chauffeur.name} and {chauffeur}, not '{driver.name}'",
                Piping.renamed("{driver.name} and {driver}, not '{driver.name}'", Map.of("driver", "chauffeur")));
        assertEquals("[…] drives", Piping.without("{driver.name} drives", Set.of("driver")));
        assertEquals(List.of("driver.name"), Piping.gaps("{driver.name} drives").stream().map(Piping.Gap::name).toList());
        assertEquals(List.of(), Piping.gaps("{driver.name, select, blank {Nobody} other {{driver.name}}} drives"));
        assertEquals("[driver] drives. Slowly", PaperText.of("{driver.name} drives. Slowly", n -> "[" + n + "]"));
        assertEquals("x [driver].", PaperText.of("{driver.area, select, fen {f} other {x {driver.name}}}.", n -> "[" + n + "]"));
        assertTrue(Stretch.of("{driver.name} drives").contains("{driver.name}"));
        assertEquals(List.of("{driver.name} is missing"), Marks.faults("{driver.name} drives", "Quelqu’un conduit", "fr"));
        assertEquals(List.of(), Marks.faults("{driver.name} drives", "{driver.name} conduit", "fr"));
        assertTrue(Piping.fault("{driver..name}").isPresent() && Piping.fault("{.name}").isPresent());
    }

    @Test
    void onPaperATextRefersToTheAnswers() {
        assertEquals("Where is [species] now?", PaperText.of("Where is {species} now?", n -> "[" + n + "]"));
        assertEquals("All [count] of them, or [seen]",
                PaperText.of("{count, plural, one {It} other {All # of them}}, or {species, select, bat {none} other {{seen}}}",
                        n -> "[" + n + "]"));
        assertEquals("The {species} itself", PaperText.of("The '{species}' itself", n -> "[" + n + "]"));
        assertEquals("[a] and 3 of [b]", PaperText.of("{x, select, p {P} other {{y, plural, one {One} other {{a} and 3 of #}}}}",
                n -> n.equals("y") ? "[b]" : "[" + n + "]"));
        assertEquals("Don't", PaperText.of("Don't", n -> n));
        assertEquals("Broken {", PaperText.of("Broken {", n -> n));
    }

    @Test
    void selectGoesByCodesAndTakesTheBlankArm() {
        String text = "{species, select, bat {Is the bat cold?} blank {Is it cold?} other {Is the {species} cold?}}";
        assertEquals("Is the bat cold?", say(text));
        assertEquals("Is it cold?", Piping.fill(text, Locale.ENGLISH, c -> null, c -> "").plain());
        assertEquals("Is the fox cold?", Piping.fill(text, Locale.ENGLISH, c -> "fox", c -> "fox").plain());
        assertEquals("inside", say("{indoors, select, yes {inside} other {outside}}"));
    }

    @Test
    void pluralsGoByNumbersAndByHowManyWereChosen() {
        assertEquals("2 animals", say("{count, plural, one {# animal} other {# animals}}"));
        assertEquals("2 signs", say("{seen, plural, one {# sign} other {# signs}}"));
        String polish = "{count, plural, one {# zwierzę} few {# zwierzęta} many {# zwierząt} other {# zwierzęcia}}";
        assertEquals("2 zwierzęta", fill(polish, Locale.forLanguageTag("pl")).plain());
        assertEquals("Found: ", Piping.fill("Found: {count, plural, one {# animal} other {# animals}}", Locale.ENGLISH, c -> null, c -> "")
                .plain());
    }

    @Test
    void datesTimesAndNumbersAreWrittenAsTheReaderDoes() {
        assertEquals("on November 3, 2026", say("on {found, date, long}"));
        assertEquals("le 3 novembre 2026", fill("le {found, date, long}", Locale.FRENCH).plain());
        assertEquals("3 Nov", fill("{found, date, ::MMMd}", Locale.UK).plain());
        assertEquals("14:05", fill("{at, time}", Locale.FRENCH).plain());
        assertEquals("1.234,5 g", fill("{weight, number} g", Locale.GERMAN).plain());
    }

    @Test
    void whatWasGivenIsKeptApartFromTheTextAroundIt() {
        Piping.Filled filled = fill("**Thank you**, {name}", Locale.ENGLISH);
        assertTrue(!filled.text().contains("Wenna"), filled.text());
        assertEquals(List.of("<b>{x}</b> *Wenna*"), filled.given());
        assertEquals("**Thank you**, [<b>{x}</b> *Wenna*]", filled.with(filled.text(), g -> "[" + g + "]"));
    }

    @Test
    void bracesThatCannotBeReadAreAFaultAndStandAsTheyAre() {
        assertTrue(Piping.fault("How many {count, plural, one {#}").isPresent());
        assertTrue(Piping.fault("Answer {0}").orElseThrow().contains("names no answer"));
        assertTrue(Piping.fault("{count, plural, one {#}}").isPresent(), "a plural without other");
        assertEquals("How many {count", say("How many {count"));
        assertEquals(Set.of(), Piping.names("{"));
    }

    @Test
    void codesAreFollowedIntoEveryArm() {
        String text = "{a, select, x {{b}} other {{a} and {b, date}}}";
        assertEquals(Set.of("a", "b"), Piping.names(text));
        assertEquals("{c, select, x {{b}} other {{c} and {b, date}}}", Piping.renamed(text, Map.of("a", "c")));
        assertEquals("{a, select, x {[…]} other {{a} and […]}}", Piping.without(text, Set.of("b")));
        assertEquals("[…]", Piping.without(text, Set.of("a")));
    }
}
