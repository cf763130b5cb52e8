package orthogon.app.prove;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import orthogon.core.proof.Proof;
import orthogon.core.proof.claim.Claim;
import orthogon.core.proof.claim.Verdict;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Questionnaire.OutcomeRow;
import orthogon.formats.document.DocumentReader;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.core.io.ClassPathResource;

/** What excludes what in a questionnaire of real size, with a roster: setting all of its conditions free at once would be too much. */
class ConflictsTest {

    private static final LocalDate TODAY = LocalDate.of(2026, 11, 27);

    private Questionnaire document;

    @BeforeEach
    void readTheScreening() throws Exception {
        document = DocumentReader.read(new ClassPathResource("demo/foster_home.orthogon.json").getContentAsByteArray());
    }

    private static String details(Questionnaire document, Claim claim) {
        return Proof.of(document, TODAY).words().details(claim);
    }

    private static Claim refuted(Questionnaire document, String kind, String place) {
        Claim claim = Proof.of(document, TODAY).claim(kind, place).orElseThrow();
        assertEquals(Verdict.REFUTED, claim.verdict());
        return claim;
    }

    private Questionnaire asking(String code, String when) {
        return document.withItem(code, i -> ((Question) i).withAskWhen(when));
    }

    @Test
    void whatComesBehindAPageHasNoPartInIt() {
        Questionnaire asking = asking("garden_size", "home_garden and not(home_garden)");
        Claim never = refuted(asking, "reach-question", "garden_size");
        assertEquals(List.of("garden_size.askWhen"), never.finding().core());
        assertEquals("This can never hold: garden_size is asked when home_garden and home_garden is not yes.",
                details(asking, never));
    }

    @Test
    void conditionsOfTwoQuestionsExcludeEachOther() {
        Questionnaire both = asking("fenced", "answered(garden_size) and home_garden").withItem("garden_size",
                i -> ((Question) i).withAskWhen("home_garden = false"));
        assertEquals(List.of("garden_size.askWhen", "fenced.askWhen"),
                refuted(both, "reach-question", "fenced").finding().core());
    }

    @Test
    void atTheEndWhatIsNearIsToldAsEverythingElseStands() {
        List<OutcomeRow> rows = new ArrayList<>(document.outcomeTable());
        rows.set(0, new OutcomeRow("fostered and not(fostered)", rows.getFirst().outcome()));
        Questionnaire ending = document.withEnding(document.outcomes(), rows);
        Claim never = refuted(ending, "reach-row", "outcomeTable/0");
        assertEquals(List.of("outcomeTable/0"), never.finding().core());
        assertEquals(
                "With everything else as it is, this can never hold: row 1 of the outcome table takes all for whom fostered and fostered is "
                        + "not yes.",
                details(ending, never));
        Claim idle = refuted(ending, "condition-varies", "outcomeTable/0");
        assertEquals("reach-row outcomeTable/0", idle.follows().orElseThrow().text());
    }
}
