package orthogon.app.proving;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import orthogon.app.background.Computations;
import orthogon.app.http.InFlight;
import orthogon.app.store.DraftStore.Draft;
import orthogon.core.edit.SetConditions;
import orthogon.core.expression.Wiring;
import orthogon.core.proof.drill.Drill;
import orthogon.core.proof.drill.Rerun;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.formats.document.DocumentReader;
import org.junit.jupiter.api.Test;
import org.springframework.core.io.ClassPathResource;

class DrillSetsTest {

    @Test
    void drillsAreWalkedAnewThroughWhateverDocumentIsGiven() throws Exception {
        Questionnaire document = DocumentReader.read(new ClassPathResource("demo/foster_home.orthogon.json").getContentAsByteArray());
        Draft draft = new Draft(1, document.code(), 1, document, "began", "ines", OffsetDateTime.now(), Optional.empty(), Optional.empty());
        List<Drill> drills = new DrillSets(new Computations(new InFlight())).of(draft).found().orElseThrow().drills();
        List<List<String>> replayed = replayed(drills, document);
        assertEquals(drills.size(), replayed.stream().filter(List::isEmpty).count());

        String first = document.questions().filter(q -> !q.isHidden()).findFirst().orElseThrow().code();
        List<List<String>> changed = replayed(drills, new SetConditions(Map.of(first + ".askWhen", "false")).apply(document));
        assertEquals(drills.size(), changed.size());
        assertTrue(changed.stream().allMatch(d -> !d.isEmpty() && d.getFirst().contains(first)), changed.toString());
    }

    private static List<List<String>> replayed(List<Drill> drills, Questionnaire document) {
        Wiring wiring = Wiring.of(document);
        return drills.stream().map(d -> Rerun.differences(wiring, LocalDate.now(), d)).toList();
    }
}
