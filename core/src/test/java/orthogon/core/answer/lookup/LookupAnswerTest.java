package orthogon.core.answer.lookup;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import orthogon.core.answer.number.NumberAnswer;
import orthogon.core.answer.parts.PartsAnswer;
import orthogon.core.answer.text.TextAnswer;
import org.junit.jupiter.api.Test;

/** What somebody begins with who adds a record, and by what records are listed. */
class LookupAnswerTest {

    private static final RecordAnswer BOXES = new RecordAnswer("boxes", "Boxes",
            new NumberAnswer(BigDecimal.ONE, new BigDecimal(8), 0, "boxes"));
    private static final RecordAnswer NAME = new RecordAnswer("name", "Name", PartsAnswer.name());
    private static final RecordAnswer NOTE = new RecordAnswer("note", "Note", new TextAnswer(false, null, 80));

    private static LookupAnswer showing(String order, RecordAnswer... shows) {
        return new LookupAnswer("drivers", 1, List.of(shows), "", "", order, true);
    }

    @Test
    void aNameBeginsWithItsPartsAndATextWithAllWords() {
        assertEquals(Map.of("name", Map.of("given", "Ida", "family", "van Rook")),
                showing("", BOXES, NAME, NOTE).begunWith(" Ida  van Rook"));
        assertEquals(Map.of("name", Map.of("given", "Ida")), showing("", NAME).begunWith("Ida"));
        assertEquals(Map.of("note", "Ida van Rook"), showing("", BOXES, NOTE, NAME).begunWith(" Ida  van Rook"));
    }

    @Test
    void nothingBeginsWithWordsThatNoShownAnswerTakes() {
        assertEquals(Map.of(), showing("", NAME).begunWith("  "));
        assertEquals(Map.of(), showing("", BOXES).begunWith("Ida"));
        assertEquals(Map.of(), showing("").begunWith("Ida"));
    }

    @Test
    void familyNamesComeBeforeGivenNames() {
        assertEquals(List.of("name.family", "name.given"), showing("name", BOXES, NAME).listedBy());
        assertEquals(List.of("boxes"), showing("boxes", BOXES, NAME).listedBy());
        assertEquals(List.of(), showing("", BOXES, NAME).listedBy());
    }
}
