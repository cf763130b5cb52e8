package orthogon.app.responses;

import orthogon.core.answer.number.NumberAnswer;
import orthogon.core.answer.yesno.YesNoAnswer;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Roster;
import static org.junit.jupiter.api.Assertions.assertEquals;

import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class CellsTest {

    private static final Questionnaire WALK = Questionnaire.blank("walk", "Walk").withPages(List.of(Page.empty("p", "P").withItems(List.of(
            Question.of("calm", "Was it calm?", new YesNoAnswer()),
            new Roster("geese", "Geese", "Goose", "", 0, 3, List.of(
                    Question.of("weight", "Weight", new NumberAnswer(BigDecimal.ZERO, null, 0, "g"))))))));

    @Test
    void entriesOfARosterStandInOrderWithADashForABlank() {
        Map<String, Object> answers = Map.of("calm", true, "geese",
                List.of(Map.of("weight", new BigDecimal(900)), Map.of(), Map.of("weight", new BigDecimal(1200))));
        assertEquals("Yes", Cells.of(WALK, "calm", answers));
        assertEquals("900 g / – / 1200 g", Cells.of(WALK, "weight", answers));
    }

    @Test
    void nothingIsSaidWhereNothingWasAnswered() {
        assertEquals("", Cells.of(WALK, "weight", Map.of()));
        assertEquals("", Cells.of(WALK, "calm", Map.of()));
        assertEquals("", Cells.of(WALK, "gone_since", Map.of("gone_since", true)));
    }
}
