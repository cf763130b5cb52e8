package orthogon.formats.responses;

import orthogon.core.answer.Option;
import orthogon.core.answer.choice.ManyChoices;
import orthogon.core.answer.number.NumberAnswer;
import orthogon.core.answer.text.TextAnswer;
import orthogon.core.answer.yesno.YesNoAnswer;
import orthogon.core.questionnaire.Derived;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Roster;
import orthogon.formats.progress.ProgressListener;
import orthogon.formats.stored.StoredAnswers;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CancellationException;
import org.junit.jupiter.api.Test;

class ResponsesCsvTest {

    @Test
    void oneRowAResponseAndNoCellThatASpreadsheetWouldRun() {
        Questionnaire document = Questionnaire.blank("fen", "Fen").withPages(List.of(Page.empty("p", "P").withItems(List.of(
                Question.of("remark", "Remark", new TextAnswer(true, null, null)), Question.of("count", "Count",
                        new NumberAnswer(null, null, 0, "")),
                Question.of("seen", "Seen",
                        new ManyChoices(List.of(Option.of("a", "A"), Option.of("b", "B")), null, null))))));
        String csv = ResponsesCsv.write(document, List.of(
                new ResponsesCsv.ResponseLine("ABC", 1, "2026-11-23T10:00:00Z", "sent",
                        Map.of("remark", "=1+1, \"quoted\"\nsecond line", "count", new BigDecimal("-3"), "seen", List.of("a", "b"))),
                new ResponsesCsv.ResponseLine("DEF", 2, "2026-11-23T11:00:00Z", "", Map.of())), ProgressListener.NONE);
        assertEquals("receipt,release,sent,outcome,remark,count,seen\r\n"
                + "ABC,1,2026-11-23T10:00:00Z,sent,\"'=1+1, \"\"quoted\"\"\nsecond line\",-3,a;b\r\nDEF,2,2026-11-23T11:00:00Z,,,,\r\n",
                csv);
    }

    @Test
    void eachRowIsToldAndTheWorkCanBeEnded() {
        List<ResponsesCsv.ResponseLine> rows = Collections.nCopies(5,
                new ResponsesCsv.ResponseLine("ABC", 1, "2026-11-23T10:00:00Z", "", Map.of()));
        List<String> told = new ArrayList<>();
        assertThrows(CancellationException.class, () -> ResponsesCsv.write(Questionnaire.blank("fen", "Fen"), rows, (part, done, of) -> {
            told.add(part + " " + done + " " + of);
            if (done == 2) {
                throw new CancellationException();
            }
        }));
        assertEquals(List.of("Writing the responses 0 5", "Writing the responses 1 5", "Writing the responses 2 5"), told);
    }

    @Test
    void theLinkAndDerivedValuesHaveColumnsAndComeBackFromTheStore() {
        Questionnaire document = Questionnaire.blank("fen", "Fen")
                .withLinkParameters(List.of(new Questionnaire.LinkParameter("ward", List.of())))
                .withPages(List.of(Page.empty("p", "P").withItems(List.of(
                        Question.of("count", "Count", new NumberAnswer(null, null, 0, "")), new Derived("twice", "2 * count"),
                        new Roster("birds", "Birds", "", "", 0, 2, List.of(Question.of("young", "Young?", new YesNoAnswer()),
                                new Derived("points", "if young then 1 else 2")))))));
        Map<String, Object> sent = Map.of("ward", "east", "count", new BigDecimal(4), "twice", new BigDecimal(8), "birds",
                List.of(Map.of("young", true, "points", BigDecimal.ONE)));
        Map<String, Object> read = StoredAnswers.read(document, StoredAnswers.write(sent));
        assertEquals(sent, read);
        assertEquals("receipt,release,sent,outcome,ward,count,twice,birds.1.young,birds.1.points,birds.2.young,birds.2.points\r\n"
                + "ABC,1,2026-11-23T10:00:00Z,,east,4,8,yes,1,,\r\n",
                ResponsesCsv.write(document, List.of(new ResponsesCsv.ResponseLine("ABC", 1, "2026-11-23T10:00:00Z", "", read)),
                        ProgressListener.NONE));
    }
}
