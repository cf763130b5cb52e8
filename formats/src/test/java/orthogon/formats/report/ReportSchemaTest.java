package orthogon.formats.report;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.networknt.schema.InputFormat;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.LocalDate;
import java.util.List;
import orthogon.core.proof.Proof;
import orthogon.core.proof.RandomChange;
import orthogon.core.proof.RandomDocument;
import orthogon.core.proof.change.Change;
import orthogon.core.proof.diagram.Limits;
import orthogon.core.proof.diagram.Watch;
import orthogon.core.proof.drill.Drills;
import orthogon.core.questionnaire.Questionnaire;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Every report has the published shape. */
class ReportSchemaTest {

    private static final LocalDate TODAY = RandomDocument.TODAY;
    private static final int DOCUMENTS = 60;
    private static Schema schema;

    @BeforeAll
    static void read() throws Exception {
        try (InputStream in = ReportSchemaTest.class.getResourceAsStream("/orthogon/formats/report.schema.json")) {
            schema = SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
                    .getSchema(new String(in.readAllBytes(), StandardCharsets.UTF_8));
        }
    }

    private static JsonNode fits(String json) {
        assertEquals(List.of(), schema.validate(json, InputFormat.JSON).stream().map(Object::toString).toList(), json);
        return JsonMapper.builder().build().readTree(json);
    }

    @Test
    void proofsWhateverTheyFind() {
        boolean refuted = false;
        boolean mended = false;
        for (long seed = 1; seed <= DOCUMENTS; seed++) {
            String json = ProofReport.json(Proof.of(RandomDocument.of(seed), TODAY));
            fits(json);
            refuted |= json.contains("\"core\"");
            mended |= json.contains("\"mend\"");
        }
        assertTrue(refuted && mended, "conflicts and fixes occur");
        Questionnaire document = RandomDocument.of(1);
        fits(ProofReport.json(Proof.of(document, TODAY, new Limits(1 << 12, Duration.ofNanos(1)), Watch.NOBODY)));
    }

    @Test
    void drillsAndChanges() throws Exception {
        int differences = 0;
        for (long seed = 1; seed <= DOCUMENTS; seed++) {
            Questionnaire before = RandomDocument.of(seed);
            Questionnaire after = new RandomChange(seed).of(before);
            Change change = Change.between(before, after, TODAY, Limits.USUAL, Watch.NOBODY);
            JsonNode report = fits(ChangeReport.json(before, after, TODAY, change));
            differences += report.get("differences").size();
            assertEquals(change.undecided().isPresent(), report.get("undecided").isString());
            assertTrue(ChangeReport.text(before, after, TODAY, change).lines().count() > change.differences().size());
        }
        assertTrue(differences > DOCUMENTS / 4, differences + " differences");
        Questionnaire document = RandomDocument.of(2);
        JsonNode drills = fits(DrillReport.json(document, TODAY, Drills.of(document, TODAY, Limits.USUAL, Watch.NOBODY)));
        assertTrue(drills.get("drills").size() >= drills.get("atLeast").asInt());
    }

    @Test
    void whatIsNoReportIsRefused() {
        String proof = ProofReport.json(Proof.of(RandomDocument.of(3), TODAY));
        for (String damaged : List.of(proof.replace("\"proved\"", "\"perhaps\""), proof.replace("\"asOf\"", "\"day\""),
                proof.replaceFirst("\"routes\":\"", "\"routes\":\"-"), "{}", "[]")) {
            assertFalse(schema.validate(damaged, InputFormat.JSON).isEmpty(), damaged);
        }
    }
}
