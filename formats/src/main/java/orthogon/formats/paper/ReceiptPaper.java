package orthogon.formats.paper;

import java.util.List;
import orthogon.core.language.OwnWords;
import orthogon.formats.page.PageTemplates;
import orthogon.formats.progress.ProgressListener;

/** What a respondent sent, as a document of their own to print or keep (PDF, A4), in their language. */
public final class ReceiptPaper {

    /** One answer. */
    public record ReceiptLine(String wording, String answer) {}

    /**
     * The document; its texts are HTML that is safe to put on the page.
     *
     * @param heading what came of it
     * @param receiptLabel what the number is called
     */
    public record ReceiptPage(String title, String heading, String receiptLabel, String receipt, String sentAt, String takeLabel,
            List<String> takeAlong, String answersLabel, List<ReceiptLine> lines, boolean rightToLeft) {}

    private static final String LEFT_TO_RIGHT = "\u200e";

    private ReceiptPaper() {}

    /**
     * The document as a file.
     *
     * @param title of the questionnaire
     * @param heading the outcome
     * @param takeAlong what the respondent is to take along
     * @param lines every answer, in order
     */
    public static byte[] pdf(String title, String heading, String receipt, String sentAt, List<String> takeAlong, List<ReceiptLine> lines,
            OwnWords words) {
        boolean rightToLeft = words.locale().isRightToLeft();
        ReceiptPage page = new ReceiptPage(text(title), VowelledWords.drawn(escaped(heading), true), text(words.say("receipt")),
                text(receipt),
                text(words.say("sent_at", sentAt)), text(words.say("take_along")), takeAlong.stream().map(ReceiptPaper::text).toList(),
                text(words.say("what_sent")),
                lines.stream().map(l -> new ReceiptLine(text(l.wording()), text(l.answer()))).toList(), rightToLeft);
        return PaperPdf.of(PageTemplates.filled("receipt", page), rightToLeft, ProgressListener.NONE);
    }

    private static String text(String plain) {
        return VowelledWords.drawn(escaped(plain), false);
    }

    /** A respondent may have written anything; nothing of it is an element. What no XML may hold is left out. */
    private static String escaped(String plain) {
        // A phone number reads from the left in every language.
        String read = plain.startsWith("+") ? LEFT_TO_RIGHT + plain : plain;
        return read.replaceAll("[\\p{Cntrl}&&[^\n\t]]", "").replace("&", "&amp;").replace("<", "&lt;").replace(">", "&gt;");
    }
}
