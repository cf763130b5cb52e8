package orthogon.app.questions;

import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import orthogon.core.interview.Interview;
import orthogon.core.interview.Slots;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.formats.paper.ReceiptPaper;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;

/** A response as a PDF file, in the language in which it was answered. */
public final class ResponsePaper {

    /** Stands for an answer that a reader may not read. */
    public static final String HIDDEN = "personal";

    private ResponsePaper() {}

    /**
     * The file.
     *
     * @param hidden codes of the questions of which no answer is shown, and no wording that may name one
     */
    public static byte[] pdf(Interview interview, String receipt, OffsetDateTime sentAt, Set<String> hidden) {
        RespondentTexts texts = RespondentTexts.of(interview);
        Questionnaire document = interview.wiring().document();
        Optional<Questionnaire.Outcome> outcome = texts.course().outcome().flatMap(document::outcome);
        String heading = outcome.map(Questionnaire.Outcome::label)
                .map(label -> hidden.isEmpty() ? texts.plain(label) : label).orElse(texts.say("sent"));
        List<ReceiptPaper.ReceiptLine> lines = QuestionsPage.lines(interview).stream().map(l -> line(document, l, hidden)).toList();
        return ReceiptPaper.pdf(hidden.isEmpty() ? texts.plain(document.title()) : document.title(), heading, receipt,
                texts.ownWords().moment(sentAt), hidden.isEmpty() ? outcome.map(texts::takeAlong).orElse(List.of()) : List.of(), lines,
                texts.ownWords());
    }

    private static ReceiptPaper.ReceiptLine line(Questionnaire document, QuestionsPage.ReviewLine line, Set<String> hidden) {
        String code = Slots.code(line.slot());
        String wording = hidden.isEmpty() ? line.wording() : Slots.question(document, line.slot()).map(q -> q.wording()).orElse(code);
        return new ReceiptPaper.ReceiptLine(wording, hidden.contains(code) ? HIDDEN : line.answer());
    }

    /** The file as it is sent to a browser, which shows it. */
    public static ResponseEntity<byte[]> sent(String receipt, byte[] pdf) {
        return ResponseEntity.ok().contentType(MediaType.APPLICATION_PDF)
                .header(HttpHeaders.CONTENT_DISPOSITION, "inline; filename=\"" + receipt + ".pdf\"").body(pdf);
    }
}
