package orthogon.core.language;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import orthogon.core.questionnaire.Presentation;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Questionnaire.Translation;
import org.junit.jupiter.api.Test;

class OwnWordsTest {

    private static OwnWords in(String tag) {
        return OwnWords.of(Questionnaire.blank("x", "X").withSourceLanguage(tag));
    }

    @Test
    void everyLanguageSaysEverythingWithTheSamePlacesAndAllItsPluralForms() {
        for (String language : OwnWords.SHIPPED) {
            Map<String, String> texts = OwnWords.shipped(language);
            assertEquals(OwnWords.english().keySet(), texts.keySet(), language);
            texts.forEach((key, text) -> {
                // Places have numbers here, which a questionnaire's own texts may not have.
                String named = text.replaceAll("\\{(\\d)", "{a$1");
                String english = OwnWords.english().get(key).replaceAll("\\{(\\d)", "{a$1");
                assertEquals(Piping.names(english), Piping.names(named), language + " " + key);
                assertEquals(List.of(), Marks.missingForms(named, language), language + " " + key);
                assertFalse(text.contains("'"), language + " " + key + ": a straight apostrophe begins a quotation");
            });
        }
    }

    @Test
    void whatHasAnEnglishOfItsOwnIsTranslated() {
        List<String> alike = List.of("hint.email", "language", "message.email", "no", "pages", "part.region", "place", "rule.question",
                "entry");
        for (String language : OwnWords.SHIPPED.subList(1, OwnWords.SHIPPED.size())) {
            OwnWords.english().forEach((key, text) -> assertTrue(alike.contains(key) || !OwnWords.shipped(language).get(key).equals(text),
                    language + " says “" + text + "” in English"));
        }
    }

    @Test
    void everyKindOfMessageHasItsWords() {
        Presentation.MESSAGES.forEach(kind -> assertTrue(OwnWords.english().containsKey("message." + kind), kind));
        assertThrows(IllegalArgumentException.class, () -> in("en").say("nonsense"));
    }

    @Test
    void numbersTakeTheFormsOfTheLanguage() {
        assertEquals("1 question left", in("en").say("left", 1));
        assertEquals("2 to 5 questions left", in("en").say("left_between", 2, 5));
        assertEquals("pozostały 3 pytania", in("pl").say("left", 3));
        assertEquals("pozostało 5 pytań", in("pl").say("left", 5));
        assertEquals("بقي سؤالان", in("ar").say("left", 2));
        assertEquals("بقيت 3 أسئلة", in("ar").say("left", 3));
        assertEquals("بقي 11 سؤالًا", in("ar").say("left", 11));
    }

    @Test
    void daysAndNumbersAreWrittenAsTheLanguageDoes() {
        LocalDate day = LocalDate.of(2026, 11, 2);
        assertEquals("2 November 2026", in("en").day(day));
        assertEquals("2 novembre 2026", in("fr").day(day));
        assertEquals("2. November 2026", in("de").day(day));
        assertEquals("2 listopada 2026", in("pl").day(day));
        assertEquals("2.50", in("en").number(new BigDecimal("2.50")));
        assertEquals("2,50", in("pl").number(new BigDecimal("2.50")));
        assertEquals("12345", in("fr").number(new BigDecimal("12345")));
        assertEquals("12.5", in("ar").number(new BigDecimal("12.5")), "figures that can be typed");
    }

    @Test
    void aLanguageThatIsNotShippedBringsItsOwn() {
        Questionnaire welsh = Questionnaire.blank("x", "X").withLanguages(List.of("en", "cy"))
                .withTranslations(Map.of("cy", Map.of("own.begin", new Translation("Dechrau", "draft", "Begin"))));
        OwnWords words = OwnWords.of(Translated.into(welsh, "cy"));
        assertEquals("Dechrau", words.say("begin"));
        assertEquals("Back", words.say("back"), "what is missing stands in English");
        assertTrue(Units.sources(welsh, "cy").containsKey("own.begin"));
        assertFalse(Units.sources(welsh, "fr").containsKey("own.begin"), "French is shipped");
        assertEquals("Français", OwnWords.name("fr"));
        assertEquals("العربية", OwnWords.name("ar"));
    }

    @Test
    void aQuestionnaireMayWordMessagesAnew() {
        Questionnaire plain = Questionnaire.blank("x", "X");
        Questionnaire worded = plain.withPresentation(
                new Presentation(Presentation.Welcome.NONE, Presentation.Buttons.USUAL, Map.of("required", "We need this."),
                        Presentation.Theme.PLAIN));
        assertEquals("We need this.", in("en").message(worded, "required"));
        assertEquals("Please answer this question.", in("en").message(plain, "required"));
        assertEquals("Weiter", in("de").or("", "next"));
        assertEquals("Onward", in("de").or("Onward", "next"));
    }
}
