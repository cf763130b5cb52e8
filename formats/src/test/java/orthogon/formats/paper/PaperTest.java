package orthogon.formats.paper;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.text.Normalizer;
import java.util.List;
import java.util.Optional;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import orthogon.core.language.Translated;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.formats.document.DocumentReader;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

class PaperTest {

    private static Questionnaire intake;

    @BeforeAll
    static void read() throws Exception {
        intake = DocumentReader.read(Files.readAllBytes(Path.of("../app/src/main/resources/demo/found_animal.orthogon.json")));
    }

    private static String text(Questionnaire document, String language) throws IOException {
        try (PDDocument pdf = Loader.loadPDF(Paper.pdf(document, language))) {
            assertTrue(Math.abs(pdf.getPage(0).getMediaBox().getWidth() - 595) < 1, "A4 is 595 points wide");
            return new PDFTextStripper().getText(pdf).replaceAll("[\\s\u00a0]+", " ");
        }
    }

    @Test
    void everyQuestionIsThereWithItsNumberAndWhereToGoOn() throws Exception {
        String text = text(intake, "en");
        int number = 0;
        for (Question q : intake.questions().filter(q -> !q.isHidden()).toList()) {
            assertTrue(text.contains(++number + " " + q.wording()), number + " " + q.wording());
        }
        assertTrue(text.contains("Only if question 6 is “Yes”. Otherwise go on with question 8."), text);
        assertTrue(text.contains("Blackbird (only if question 8 is “Bird”)"), text);
        assertTrue(text.contains("If question 10 is “No”, stop here: Not ours."), text);
        assertTrue(text.contains("Otherwise: Leave it and watch."), text);
        assertTrue(text.contains("Blood (3 points)"), text);
        assertTrue(text.contains("Work out value A: points of questions 8, 12, 15, 18, 19, 20, 21, 22, 23, added up"), text);
        assertTrue(text.contains("Work out value B: points of question 29 + (3 if question 28 is “Yes”, otherwise 0)"), text);
        assertTrue(text.contains("If value A is 4 or more, stop here: Bring it in today."), text);
        assertTrue(text.indexOf("Work out value C") < text.indexOf("Only if question 8 is “Bat” or question 8 is “Mammal”"),
                "it is worked out by those who leave the page out as well");
        assertTrue(text.contains("Please say of each of the (answer 11) animals how it is."), text);
        for (String formula : List.of("score(", "max(", "animals.need", "…")) {
            assertFalse(text.contains(formula), formula);
        }
        assertTrue(text.contains("For each: Animal, at most 12. Copy this part as often as needed."), text);
    }

    @Test
    void otherLanguagesAreOnPaperToo() throws Exception {
        String polish = text(intake, "pl");
        assertTrue(polish.contains("6 Czy jest teraz w budynku?"), polish);
        assertTrue(polish.contains("Tylko jeśli pytanie 6: „Tak”. W przeciwnym razie przejdź do: pytanie 8."), polish);
        String arabic = Normalizer.normalize(text(intake, "ar"), Normalizer.Form.NFKC);
        assertTrue(arabic.contains("هل هو داخل مبنى الآن") || arabic.contains("هل هو داخل مبنى اآلن"), arabic.substring(0, 800));
    }

    @Test
    void conditionsAreSaidWithNumbersAndLabels() {
        Directions english = new Directions(intake);
        assertEquals(Optional.empty(), english.when("when_found.askWhen"));
        assertEquals(Optional.of("question 6 is “Yes”"), english.when("kept_in.askWhen"));
        assertEquals(Optional.of("question 10 is “Yes” and (question 8 is “Bird” or question 8 is “Mammal”)"), english.when("age.askWhen"));
        assertEquals(Optional.of("la question 6".substring(3) + " : « Oui »"),
                new Directions(Translated.into(intake, "fr")).when("kept_in.askWhen"));
    }
}
