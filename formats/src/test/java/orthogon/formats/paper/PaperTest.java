package orthogon.formats.paper;

import orthogon.core.answer.date.DateAnswer;
import orthogon.core.answer.number.NumberAnswer;
import orthogon.core.answer.text.TextAnswer;
import orthogon.core.answer.time.TimeAnswer;
import orthogon.core.answer.yesno.YesNoAnswer;
import orthogon.core.language.Translated;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.formats.document.DocumentReader;
import orthogon.formats.progress.ProgressListener;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.text.Normalizer;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.stream.IntStream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

class PaperTest {

    private static Questionnaire intake;

    @BeforeAll
    static void read() throws Exception {
        intake = DocumentReader.read(Files.readAllBytes(Path.of("../app/src/main/resources/demo/found_animal.orthogon.json")));
    }

    private static String text(Questionnaire document, String language) throws IOException {
        try (PDDocument pdf = Loader.loadPDF(Paper.pdf(document, language, ProgressListener.NONE))) {
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
    void thePagesAreToldAsTheyAreSetAndTheWorkCanBeEnded() {
        List<Integer> told = new ArrayList<>();
        List<String> parts = new ArrayList<>();
        Paper.pdf(intake, "en", (part, done, of) -> {
            parts.add(part);
            if (part.equals("Setting the characters")) {
                told.add(done * 100 / of);
            }
        });
        assertEquals(List.of("Writing the pages", "Setting the characters"), parts.stream().distinct().toList());
        assertEquals(told.stream().sorted().toList(), told, "it never goes back");
        assertTrue(told.getFirst() < 5 && told.getLast() > 80, told.getFirst() + " to " + told.getLast());
        assertThrows(CancellationException.class, () -> Paper.pdf(intake, "en", (part, done, of) -> {
            if (part.equals("Setting the characters") && done * 100 / of > 30) {
                throw new CancellationException();
            }
        }));
    }

    @Test
    void otherLanguagesAreOnPaperToo() throws Exception {
        String polish = text(intake, "pl");
        assertTrue(polish.contains("6 Czy jest teraz w budynku?"), polish);
        assertTrue(polish.contains("Tylko jeśli pytanie 6: „Tak”. W przeciwnym razie przejdź do: pytanie 8."), polish);
        String arabic = Normalizer.normalize(text(intake, "ar"), Normalizer.Form.NFKC);
        assertTrue(arabic.contains("هل هو داخل مبنى الآن") || arabic.contains("هل هو داخل مبنى اآلن"), arabic.substring(0, 800));
    }

    /** How many points of a printed page are dark. */
    private static long ink(String wording) throws IOException {
        Questionnaire document = Questionnaire.blank("fen", "F").withSourceLanguage("ar").withLanguages(List.of("ar"))
                .withPages(List.of(Page.empty("p", "P").withItems(List.of(Question.of("q", wording, new YesNoAnswer())))));
        try (PDDocument pdf = Loader.loadPDF(Paper.pdf(document, "ar", ProgressListener.NONE))) {
            BufferedImage image = new PDFRenderer(pdf).renderImageWithDPI(0, 300);
            return IntStream.range(0, image.getHeight()).mapToLong(
                    y -> IntStream.range(0, image.getWidth()).filter(x -> (image.getRGB(x, y) & 0xFF) < 128).count()).sum();
        }
    }

    @Test
    void vowelMarksStandAboveAndBelowTheirLetters() throws Exception {
        long few = ink("سَلم");
        long many = ink("سَلِّم");
        assertTrue(many > few + 40, "more marks are more ink: " + many + " and " + few);
        assertTrue(few > ink("سَم") + 40, "the letters are there");
        assertEquals("سلم", VowelledWords.without("سَلِّم"));
        assertEquals("Ask سلم.", VowelledWords.drawn("Ask سلم.", true), "a word without marks stays text");
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

    @Test
    void functionsAndDaysAreSaidInWords() throws Exception {
        Map<String, String> said = new LinkedHashMap<>();
        said.put("day < date(\"2026-03-01\")", "question 1 is before 1 March 2026");
        said.put("day >= today() - duration(\"P30D\")", "question 1 is 30 days before today or later");
        said.put("day <= today() - duration(\"P18Y6M\")", "question 1 is 18 years, 6 months before today or earlier");
        said.put("day > today() + duration(\"P1D\")", "question 1 is after 1 day after today");
        said.put("years and months duration(day, today()) >= duration(\"P18Y\")", "time from question 1 to today is 18 years or more");
        said.put("string length(name) > 3", "number of characters in question 2 is over 3");
        said.put("contains(lower case(name), \"owl\")", "question 2 in small letters contains “owl”");
        said.put("starts with(upper case(name), \"A\")", "question 2 in capitals begins with “A”");
        said.put("ends with(name, \"n\")", "question 2 ends with “n”");
        said.put("matches(name, \"[a-z]+\")", "question 2 has the form “[a-z]+”");
        said.put("round half up(weight / 3, 1) = 2", "question 3 / 3, rounded to 1 decimal place is “2”");
        said.put("floor(weight) = ceiling(weight)", "question 3, rounded down is the same as question 3, rounded up");
        said.put("abs(weight - 4) < 1", "question 3 - 4 without its sign is under 1");
        said.put("at < time(\"12:00:00\")", "question 4 is before 12:00");
        List<Item> items = new ArrayList<>(List.of(Question.of("day", "Day?", new DateAnswer(null, null)),
                Question.of("name", "Name?", new TextAnswer(false, null, null)),
                Question.of("weight", "Weight?", new NumberAnswer(null, null, 1, "g")),
                Question.of("at", "At?", new TimeAnswer(null, null))));
        List<String> conditions = List.copyOf(said.keySet());
        for (int i = 0; i < conditions.size(); i++) {
            items.add(Question.of("q" + i, "Well?", new YesNoAnswer()).withAskWhen(conditions.get(i)));
        }
        Questionnaire document = Questionnaire.blank("fen", "Fen").withPages(List.of(Page.empty("p", "P").withItems(items)));
        for (int i = 0; i < conditions.size(); i++) {
            assertEquals(Optional.of(said.get(conditions.get(i))), new Directions(document).when("q" + i + ".askWhen"));
        }
        Questionnaire foster = DocumentReader
                .read(Files.readAllBytes(Path.of("../app/src/main/resources/demo/foster_home.orthogon.json")));
        for (String language : foster.languages()) {
            String text = text(foster, language);
            assertFalse(text.contains("today(") || text.contains("duration("), language + ": " + text);
        }
    }
}
