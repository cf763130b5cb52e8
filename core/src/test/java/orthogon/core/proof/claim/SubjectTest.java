package orthogon.core.proof.claim;

import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Map;
import orthogon.core.questionnaire.Answer;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Places;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Questionnaire.OwnClaim;
import orthogon.core.questionnaire.Questionnaire.Says;
import orthogon.core.questionnaire.Questionnaire.Translation;
import org.junit.jupiter.api.Test;

class SubjectTest {

    private static final Questionnaire ONE = Questionnaire.blank("roost", "Roost")
            .withPages(List.of(Page.empty("visit", "Visit").withItems(List.of(Question.of("bats", "How many?", new Answer.YesNo()))),
                    Page.empty("after", "After").withItems(List.of(Question.of("more", "More?", new Answer.YesNo())))))
            .withClaims(List.of(new OwnClaim("calm", Says.ALWAYS, "bats = true")))
            .withTranslations(Map.of("fr", Map.of("bats.wording", new Translation("Combien ?", "draft", "How many?"))));

    private static Questionnaire with(String place, String text) {
        return Places.with(ONE, Map.of(place, text));
    }

    private static Questionnaire reworded(String code) {
        return ONE.withItem(code, i -> ((Question) i).withTexts("Other words", ""));
    }

    @Test
    void aClaimStandsAsLongAsItsPlaceReadsTheSame() {
        for (String kind : List.of("reach-question", "answers-kept", "nothing-by-default")) {
            assertTrue(Subject.isSame(kind, "bats", ONE, reworded("more")), kind);
            assertFalse(Subject.isSame(kind, "bats", ONE, reworded("bats")), kind);
        }
        assertFalse(Subject.isSame("comparison-matters", "bats.askWhen#0", ONE, with("bats.askWhen", "true")));
        assertTrue(Subject.isSame("comparison-matters", "bats.askWhen#0", ONE, with("more.askWhen", "true")));
    }

    @Test
    void aPageIsItsOwnWordsAndRulesButWhoeverIsStuckOnItMeetsItsQuestionsToo() {
        assertTrue(Subject.isSame("reach-page", "visit", ONE, reworded("bats")));
        assertFalse(Subject.isSame("reach-page", "visit", ONE, with("visit.openWhen", "true")));
        assertFalse(Subject.isSame("page-passable", "visit", ONE, reworded("bats")));
        assertTrue(Subject.isSame("page-passable", "visit", ONE, reworded("more")));
    }

    @Test
    void textsOutcomesAndOwnClaimsAreTheirOwnPlaces() {
        Questionnaire translated = ONE
                .withTranslations(Map.of("fr", Map.of("bats.wording", new Translation("Autre", "draft", "How many?"))));
        assertFalse(Subject.isSame("translated", "fr/bats.wording", ONE, translated));
        assertFalse(Subject.isSame("translated", "fr/bats.wording", ONE, reworded("bats")));
        assertTrue(Subject.isSame("translated", "fr/bats.wording", ONE, reworded("more")));
        assertTrue(Subject.isSame("text-filled", "sent.closing/bats", ONE, reworded("bats")));
        assertFalse(Subject.isSame("text-filled", "bats.wording/more", ONE, reworded("bats")));
        assertFalse(Subject.isSame("own", "calm", ONE, with("claims/0", "bats = false")));
        assertTrue(Subject.isSame("own", "calm", ONE, reworded("bats")));
        assertFalse(Subject.isSame("reach-row", "outcomeTable/0", ONE, with("outcomeTable/0", "bats = true")));
        assertFalse(Subject.isSame("reach-outcome", "sent", ONE, with("outcomeTable/0", "bats = true")));
        assertTrue(Subject.isSame("reach-outcome", "sent", ONE, reworded("bats")));
        assertFalse(Subject.isSame("one-outcome", "roost", ONE, reworded("bats")), "the whole questionnaire is its place");
    }
}
