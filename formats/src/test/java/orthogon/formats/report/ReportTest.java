package orthogon.formats.report;

import orthogon.core.expression.Wiring;
import orthogon.core.interview.Unreadable;
import orthogon.core.proof.Proof;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.formats.document.DocumentReader;
import orthogon.formats.json.UnusableFile;
import orthogon.formats.stored.AnswerFile;
import orthogon.formats.stored.StoredAnswers;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.LocalDate;
import java.util.Map;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

class ReportTest {

    private static final LocalDate TODAY = LocalDate.of(2026, 11, 23);
    private static final String FILE = """
            { "orthogon": 1, "code": "found_animal", "title": "Found animal",
              "linkParameters": [{"code": "station", "allowed": ["north", "south"]}],
              "pages": [
                { "code": "animal", "title": "The animal", "openWhen": "station != \\"south\\"", "items": [
                  { "question": "group", "wording": "Which?", "requireWhen": "true", "answer": { "type": "oneChoice", "options": [
                    {"code": "bird", "label": "Bird"}, {"code": "bat", "label": "Bat", "offerWhen": "station = \\"north\\""}] } },
                  { "question": "count", "wording": "How many?", "requireWhen": "true", "answer": { "type": "number", "least": 1, "most": 20, "decimals": 0 },
                    "accept": [{"when": "not(group = \\"bat\\" and count > 5)", "message": "Call us for a colony."}] },
                  { "question": "seen", "wording": "What did you see?", "askWhen": "group = \\"bird\\" and station = \\"south\\"", "answer": { "type": "yesNo" } } ],
                  "finish": [{"when": "count > 10", "outcome": "closed"}] } ],
              "outcomes": [{"code": "now", "label": "Now"}, {"code": "closed", "label": "Closed"}],
              "outcomeTable": [{"when": "answered(group)", "outcome": "now"}, {"outcome": "closed"}] }
            """;

    private static Questionnaire document() throws UnusableFile {
        return DocumentReader.read(FILE);
    }

    @Test
    void theReportHasTheShapeThatIsFixedForExchange() throws Exception {
        JsonNode json = JsonMapper.builder().build().readTree(ProofReport.json(Proof.of(document(), TODAY)));
        assertEquals("found_animal", json.get("questionnaire").asString());
        assertEquals("2026-11-23", json.get("asOf").asString());
        // Blank station: bird with 3 classes of number. North: the same, and a bat with up to 5. South: nothing is asked.
        assertEquals("8", json.get("answerPaths").asString());
        assertEquals("3", json.get("routes").asString());
        assertEquals("{\"now\":\"5\",\"closed\":\"3\"}", json.get("pathsByOutcome").toString());
        assertEquals(0, json.get("shortestRoute").asInt());
        assertEquals(2, json.get("longestRoute").asInt());
        JsonNode never = json.get("claims").valueStream().filter(c -> c.get("place").asString().equals("seen")
                && c.get("claim").asString().equals("reach-question")).findFirst().orElseThrow();
        assertEquals("refuted", never.get("verdict").asString());
        assertEquals("blocking", never.get("weight").asString());
        assertEquals("[\"animal.openWhen\",\"seen.askWhen\"]", never.get("core").toString());
        JsonNode follows = json.get("claims").valueStream().filter(c -> c.get("place").asString().equals("seen.askWhen")
                && c.get("claim").asString().equals("condition-varies")).findFirst().orElseThrow();
        assertEquals("reach-question seen", follows.get("follows").asString());
        JsonNode bat = json.get("claims").valueStream().filter(c -> c.get("place").asString().equals("group.bat")
                && c.get("claim").asString().equals("reach-option")).findFirst().orElseThrow();
        assertEquals("north", bat.get("witness").get("station").asString());
    }

    @Test
    void anInterviewIsToldPageByPage() throws Exception {
        Map<String, Object> answers = AnswerFile.read(document(), "{\"station\": \"north\", \"group\": \"bat\", \"count\": 7}");
        assertEquals("{\"orthogon\":1,\"questionnaire\":\"found_animal\",\"asOf\":\"2026-11-23\",\"pages\":[{\"page\":\"animal\",\"asked\":"
                + "[\"group\",\"count\"]}],\"messages\":[{\"question\":\"count\",\"message\":\"Call us for a colony.\"}],\"complete\":false,"
                + "\"outcome\":null,\"answers\":{\"group\":\"bat\",\"count\":7}}",
                AnswerFile.account(Wiring.of(document()), TODAY, answers));
        answers = AnswerFile.read(document(), "{\"group\": \"bird\", \"count\": 7}");
        assertTrue(AnswerFile.account(Wiring.of(document()), TODAY, answers).contains("\"outcome\":\"now\""));
        UnusableFile refused = assertThrows(UnusableFile.class,
                () -> AnswerFile.read(document(), "{\"gruop\": \"bird\", \"count\": \"7\"}"));
        assertEquals("/gruop: there is no question or link parameter with this code\n/count: this value does not fit number",
                refused.getMessage());
    }

    @Test
    void storedAnswersComeBackAsTheyWereGivenTheUnreadableOnesToo() throws Exception {
        Map<String, Object> given = Map.of("group", "bird", "count", new Unreadable("a few"), "seen", true);
        assertEquals(given, StoredAnswers.read(document(), StoredAnswers.write(given)));
    }
}
