package orthogon.app.responses;

import orthogon.app.responses.ResponseCells.ResponseCell;
import orthogon.app.responses.ResponseColumns.ResponseColumn;
import orthogon.app.store.ResponseStore.Response;
import orthogon.core.answer.number.NumberAnswer;
import orthogon.core.answer.yesno.YesNoAnswer;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Roster;
import orthogon.core.responses.ResponseFact;
import static org.junit.jupiter.api.Assertions.assertEquals;

import java.math.BigDecimal;
import java.util.List;
import java.time.OffsetDateTime;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;

class ResponseCellsTest {

    private static final Questionnaire WALK = Questionnaire.blank("walk", "Walk").withPages(List.of(Page.empty("p", "P").withItems(List.of(
            Question.of("calm", "Was it calm?", new YesNoAnswer()),
            new Roster("geese", "Geese", "Goose", "", 0, 3, List.of(
                    Question.of("weight", "Weight", new NumberAnswer(BigDecimal.ZERO, null, 0, "g"))))))));

    private static ResponseCell cell(String code, Map<String, Object> answers) {
        return cell(new ResponseColumn(code, code, "P", Optional.empty(), false), answers);
    }

    private static ResponseCell cell(ResponseColumn column, Map<String, Object> answers) {
        Response response = new Response(1, "AAA-BBB-CCC", "i", 1, 3, "sent", OffsetDateTime.parse("2026-11-02T08:05:00+00:00"), "fr",
                "new",
                "ines", false, answers);
        return new ResponseCells(Map.of("new", "fresh"), Map.of("ines", "Ines Tallow"), Set.of()).of(WALK, response, column);
    }

    @Test
    void aRosterSaysHowManyEntriesThereAreAndHoldsThem() {
        Map<String, Object> answers = Map.of("calm", true, "geese",
                List.of(Map.of("weight", new BigDecimal(900)), Map.of(), Map.of("weight", new BigDecimal(1200))));
        assertEquals("Yes", cell("calm", answers).text());
        assertEquals(new ResponseCell("3 entries", List.of("weight"), List.of(List.of("900 g"), List.of(""), List.of("1200 g")), false),
                cell("geese", answers));
        assertEquals("1 entry", cell("geese", Map.of("geese", List.of(Map.of()))).text());
    }

    @Test
    void nothingIsSaidWhereNothingWasAnswered() {
        assertEquals("", cell("geese", Map.of()).text());
        assertEquals("", cell("calm", Map.of()).text());
        assertEquals("", cell("gone_since", Map.of("gone_since", true)).text());
    }

    @Test
    void factsAreSaidAsPeopleCallThem() {
        Map<ResponseFact, String> said = Map.of(ResponseFact.STATE, "fresh", ResponseFact.IN_CHARGE, "Ines Tallow", ResponseFact.OUTCOME,
                "Sent", ResponseFact.RELEASE, "3",
                ResponseFact.LANGUAGE, "fr", ResponseFact.RECEIPT, "AAA-BBB-CCC");
        said.forEach(
                (fact, words) -> assertEquals(words, cell(new ResponseColumn("x", "x", "", Optional.of(fact), false), Map.of()).text()));
    }
}
