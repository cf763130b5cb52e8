package orthogon.formats.dictionary;

import orthogon.core.answer.yesno.YesNoAnswer;
import orthogon.core.questionnaire.EveryType;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Section;
import orthogon.formats.document.DocumentReader;
import orthogon.formats.progress.ProgressListener;
import orthogon.formats.responses.ExportForm;
import orthogon.formats.responses.ResponseTables;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.networknt.schema.InputFormat;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.io.ByteArrayInputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.apache.poi.xssf.usermodel.XSSFWorkbook;
import org.junit.jupiter.api.Test;

class DictionaryTest {

    private static Questionnaire demo(String name) throws Exception {
        return DocumentReader.read(Files.readAllBytes(Path.of("../app/src/main/resources/demo/" + name + ".orthogon.json")));
    }

    @Test
    void everyVariableIsARowInAllThreeForms() throws Exception {
        Questionnaire intake = demo("found_animal");
        List<Dictionary.Variable> variables = Dictionary.of(intake);
        Dictionary.Variable weight = variables.stream().filter(v -> v.code().equals("animals.1.weight")).findFirst().orElseThrow();
        assertEquals("animals", weight.roster());
        assertEquals("g", weight.unit());
        assertEquals("number", weight.type());
        Dictionary.Variable group = variables.stream().filter(v -> v.code().equals("group")).findFirst().orElseThrow();
        assertEquals("Bat", group.values().get("bat"));
        assertEquals("true", group.required());
        assertEquals(variables.size() + 1, Dictionary.csv(intake).lines().count());
        try (XSSFWorkbook book = new XSSFWorkbook(new ByteArrayInputStream(Dictionary.xlsx(intake, ProgressListener.NONE)))) {
            assertEquals(variables.size(), book.getSheetAt(0).getLastRowNum());
        }
        assertTrue(Dictionary.json(intake).contains("\"variable\" : \"animals.12.weight\""));
        assertTrue(Dictionary.of(demo("foster_home")).stream().anyMatch(v -> v.code().equals("skill.birds")),
                "a grid has a variable for each row");
    }

    @Test
    void theVariablesAreTheColumnsOfTheResponsesAndTheirConditionsAreWhole() throws Exception {
        for (Questionnaire document : List.of(demo("found_animal"), demo("foster_home"), demo("bat_count"), EveryType.document())) {
            List<String> columns = ResponseTables.of(document, ExportForm.ONE_TABLE).tables().getFirst().heads();
            assertEquals(columns.subList(7, columns.size()), Dictionary.of(document).stream()
                    .map(Dictionary.Variable::code).toList(),
                    document.code());
        }
        Questionnaire fen = Questionnaire.blank("fen", "Fen").withPages(List.of(Page.empty("p", "P").withOpenWhen("wet = true").withItems(
                List.of(new Section("s", "S", "deep > 2", List.of(Question.of("cold", "Cold?", new YesNoAnswer())
                        .withAskWhen("ice = true")))))));
        Dictionary.Variable cold = Dictionary.of(fen).getFirst();
        assertEquals("(wet = true) and (deep > 2) and (ice = true)", cold.askedWhen());
        assertEquals(Map.of("yes", "yes", "no", "no"), cold.values(), "as the responses write them");
    }

    @Test
    void theSchemaTakesAnswersAndRefusesOthers() throws Exception {
        Schema schema = SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
                .getSchema(ResponseSchema.of(demo("found_animal")), InputFormat.JSON);
        assertEquals(List.of(), schema.validate("""
                {"when_found": "2026-11-02", "group": "bird", "count": 2, "alive": true, "seen": ["blood", "cold"], "station": "north",
                 "animals": [{"size": "small", "weight": 12}], "finder": {"family": "Rook"}, "terms": true}
                """, InputFormat.JSON));
        for (Map.Entry<String, String> wrong : Map
                .of("group", "\"dragon\"", "count", "\"two\"", "alive", "1", "seen", "\"blood\"", "unknown", "1",
                        "animals", "[{\"size\": \"huge\"}]", "terms", "false")
                .entrySet()) {
            assertFalse(schema.validate("{\"" + wrong.getKey() + "\": " + wrong.getValue() + "}", InputFormat.JSON).isEmpty(),
                    wrong.toString());
        }
    }

    @Test
    void everyTypeHasASchema() {
        String schema = ResponseSchema.of(EveryType.document());
        EveryType.document().questions().forEach(q -> assertTrue(schema.contains("\"" + q.code() + "\" : {"), q.code()));
    }
}
