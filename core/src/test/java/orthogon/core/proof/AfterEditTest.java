package orthogon.core.proof;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import orthogon.core.expression.Wiring;
import orthogon.core.proof.claim.Claim;
import orthogon.core.proof.diagram.Limits;
import orthogon.core.proof.diagram.Watch;
import orthogon.core.proof.fault.Faults;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import org.junit.jupiter.api.Test;

/** Claims that stand after an edit are told as if the document were proved anew. */
class AfterEditTest {

    private static Map<String, String> told(Proof proof) {
        Map<String, String> told = new TreeMap<>();
        for (Claim claim : proof.claims()) {
            told.put(claim.id(), claim.verdict() + " " + claim.blocking() + " " + claim.follows() + " "
                    + proof.words().because(claim));
        }
        return told;
    }

    /** The last page's last question reads otherwise, or is asked only of some; pages before it stay as they were. */
    private static List<Questionnaire> edits(Questionnaire document) {
        Page last = document.pages().getLast();
        Item item = last.items().stream().filter(Question.class::isInstance).reduce((a, b) -> b).orElse(null);
        if (!(item instanceof Question question)) {
            return List.of();
        }
        return List.of(document.withItem(question.code(), i -> question.withTexts("Anything else to add?", "")),
                document.withItem(question.code(), i -> question.withAskWhen("false")));
    }

    @Test
    void claimsOnUntouchedPagesAreToldInTheNewDocument() {
        int refuted = 0;
        for (long seed = 40; seed < 52; seed++) {
            Questionnaire document = RandomDocument.of(seed);
            if (!Faults.of(Wiring.of(document)).isEmpty() || document.pages().size() < 2) {
                continue;
            }
            Proof proof = Proof.of(document, RandomDocument.TODAY);
            for (Questionnaire edited : edits(document)) {
                Proof after = proof.after(edited, Limits.USUAL, Watch.NOBODY);
                assertEquals(told(Proof.of(edited, RandomDocument.TODAY)), told(after), "seed " + seed);
                refuted += (int) after.claims().stream().filter(c -> c.finding().conflict().isPresent()).count();
            }
        }
        assertTrue(refuted > 5, refuted + " have a core");
    }
}
