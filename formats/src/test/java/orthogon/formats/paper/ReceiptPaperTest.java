package orthogon.formats.paper;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import orthogon.core.language.OwnWords;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.formats.paper.ReceiptPaper.ReceiptLine;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;

class ReceiptPaperTest {

    private static String text(byte[] pdf) throws IOException {
        try (PDDocument document = Loader.loadPDF(pdf)) {
            return new PDFTextStripper().getText(document);
        }
    }

    @Test
    void everythingThatWasSentStandsOnIt() throws IOException {
        byte[] pdf = ReceiptPaper.pdf("Found animal", "Bring it in now", "ABC-DEF-GHI", "2 November 2026, 08:05",
                List.of("A box & a <towel>"),
                List.of(new ReceiptLine("Where was it?", "By <the> weir & mill\u0001\u0000"), new ReceiptLine("Zażółć?", "gęślą")),
                OwnWords.ENGLISH);
        String text = text(pdf);
        for (String part : List.of("Found animal", "Bring it in now", "ABC-DEF-GHI", "08:05", "Please take along", "A box & a <towel>",
                "By <the> weir & mill", "gęślą")) {
            assertTrue(text.contains(part), part + " in " + text);
        }
    }

    @Test
    void manyAnswersGoOnOverPages() throws IOException {
        List<ReceiptLine> lines = new ArrayList<>();
        for (int i = 0; i < 120; i++) {
            lines.add(new ReceiptLine("Question " + i, "Answer " + i));
        }
        byte[] pdf = ReceiptPaper.pdf("Long", "Sent", "ABC", "today", List.of(), lines, OwnWords.ENGLISH);
        try (PDDocument document = Loader.loadPDF(pdf)) {
            assertTrue(document.getNumberOfPages() > 2);
        }
        assertTrue(text(pdf).contains("Answer 119"));
    }

    @Test
    void arabicIsSetFromTheRightInItsOwnFont() throws IOException {
        byte[] pdf = ReceiptPaper.pdf("استقبال", "أحضره الآن", "ABC-DEF-GHI", "اليوم", List.of(),
                List.of(new ReceiptLine("أين كان؟", "الطاحونة")),
                OwnWords.of(Questionnaire.blank("fen", "Fen").withSourceLanguage("ar")));
        try (PDDocument document = Loader.loadPDF(pdf)) {
            List<String> fonts = new ArrayList<>();
            document.getPage(0).getResources().getFontNames().forEach(name -> {
                try {
                    fonts.add(document.getPage(0).getResources().getFont(name).getName());
                } catch (IOException e) {
                    throw new IllegalStateException(e);
                }
            });
            assertTrue(fonts.stream().anyMatch(f -> f.contains("Arabic")), fonts.toString());
            assertEquals(1, document.getNumberOfPages());
        }
    }
}
