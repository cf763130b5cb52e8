package orthogon.core.language;

import static org.junit.jupiter.api.Assertions.assertEquals;

import com.ibm.icu.text.NumberFormat;
import com.ibm.icu.util.ULocale;
import java.math.BigDecimal;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

class WrittenNumberTest {

    private static List<BigDecimal> read(String typed, String language, Integer decimals) {
        return WrittenNumber.of(typed, ULocale.forLanguageTag(language), decimals).readings().stream()
                .map(BigDecimal::stripTrailingZeros).toList();
    }

    private static List<BigDecimal> n(String... numbers) {
        return List.of(numbers).stream().map(BigDecimal::new).map(BigDecimal::stripTrailingZeros).toList();
    }

    @Test
    void aThousandIsAThousandInEveryLanguage() {
        assertEquals(n("1000"), read("1,000", "en", 0));
        assertEquals(n("1000"), read("1.000", "de", 0));
        assertEquals(n("1000"), read("1 000", "fr", 0));
        assertEquals(n("1000"), read("1\u202f000", "fr", 0));
        assertEquals(n("1000"), read("1’000", "de-CH", 0));
        assertEquals(n("1000"), read("\u0661\u066c\u0660\u0660\u0660", "ar", 0));
        assertEquals(n("1234567.5"), read("1,234,567.5", "de", 1));
        assertEquals(n("1234567"), read("1.234.567", "en", 0));
    }

    @Test
    void decimalPlacesAreReadWithEitherSign() {
        assertEquals(n("1.5"), read("1,5", "en", 1));
        assertEquals(n("1.5"), read("1.5", "pl", 1));
        assertEquals(n("-0.25"), read("\u2212,25", "fr", 2));
        assertEquals(n("3.5"), read("\u0663\u066b\u0665", "ar", 1));
        assertEquals(n("1.125"), read("1.125", "en", 3));
    }

    @Test
    void whatCanMeanTwoThingsIsNotGuessed() {
        assertEquals(n("1", "1000"), read("1.000", "pl", 0));
        assertEquals(n("1", "1000"), read("1.000", "en", 0));
        assertEquals(n("1.25", "1250"), read("1.250", "fr", 2));
    }

    @Test
    void aZeroBeforeTheSignIsNoThousand() {
        assertEquals(n("0.125"), read("0,125", "en", 3));
        assertEquals(n("7"), read("007", "en", 0));
        assertEquals(n("1".repeat(36)), read("1".repeat(36), "en", 0));
    }

    @Test
    void otherTextsAreNoNumbers() {
        for (String typed : List.of("", "twelve", "1,00,0", "1 2", "1..2", "--1", "1,2,3", ".", "12e3", "1 000 00", "1,000.000,5", "+ 1",
                "∞", "NaN", "%5", "5-", "1".repeat(37))) {
            assertEquals(List.of(), read(typed, "en", 2), typed);
        }
    }

    /** What CLDR writes in a language is read back, or asked about, and never taken for something else. */
    @Test
    void whatALanguageWritesIsReadBack() {
        Random random = new Random(2);
        for (String language : List.of("en", "fr", "de", "es", "pl", "ar", "ar-EG", "pt", "sv", "hi", "de-CH")) {
            for (int i = 0; i < 300; i++) {
                int decimals = random.nextInt(3);
                BigDecimal number = BigDecimal.valueOf(random.nextInt(2_000_000) - 500_000, decimals);
                NumberFormat format = NumberFormat.getInstance(ULocale.forLanguageTag(language));
                format.setMaximumFractionDigits(decimals);
                String typed = format.format(number).replaceAll("[\u200e\u200f\u061c]", "");
                List<BigDecimal> read = read(typed, language, decimals);
                assertEquals(List.of(number.stripTrailingZeros()), read, language + " " + typed);
            }
        }
    }
}
