package orthogon.core.release;

import orthogon.core.answer.yesno.YesNoAnswer;
import orthogon.core.proof.claim.ClaimKind;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Places;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Questionnaire.OwnClaim;
import orthogon.core.questionnaire.Questionnaire.Says;
import orthogon.core.questionnaire.Questionnaire.Translation;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class SubjectTest {

    private static final Questionnaire ONE = Questionnaire.blank("roost", "Roost")
            .withPages(List.of(Page.empty("visit", "Visit").withItems(List.of(Question.of("bats", "How many?", new YesNoAnswer()))),
                    Page.empty("after", "After").withItems(List.of(Question.of("more", "More?", new YesNoAnswer())))))
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
        for (ClaimKind kind : List.of(ClaimKind.REACH_QUESTION, ClaimKind.ANSWERS_KEPT, ClaimKind.NOTHING_BY_DEFAULT)) {
            assertTrue(Subject.isSame(kind, "bats", ONE, reworded("more")), kind.word());
            assertFalse(Subject.isSame(kind, "bats", ONE, reworded("bats")), kind.word());
        }
        assertFalse(Subject.isSame(ClaimKind.COMPARISON_MATTERS, "bats.askWhen#0", ONE, with("bats.askWhen", "true")));
        assertTrue(Subject.isSame(ClaimKind.COMPARISON_MATTERS, "bats.askWhen#0", ONE, with("more.askWhen", "true")));
    }

    @Test
    void aPageIsItsOwnWordsAndRulesButWhoeverIsStuckOnItMeetsItsQuestionsToo() {
        assertTrue(Subject.isSame(ClaimKind.REACH_PAGE, "visit", ONE, reworded("bats")));
        assertFalse(Subject.isSame(ClaimKind.REACH_PAGE, "visit", ONE, with("visit.openWhen", "true")));
        assertFalse(Subject.isSame(ClaimKind.PAGE_PASSABLE, "visit", ONE, reworded("bats")));
        assertTrue(Subject.isSame(ClaimKind.PAGE_PASSABLE, "visit", ONE, reworded("more")));
    }

    @Test
    void textsOutcomesAndOwnClaimsAreTheirOwnPlaces() {
        Questionnaire translated = ONE
                .withTranslations(Map.of("fr", Map.of("bats.wording", new Translation("Autre", "draft", "How many?"))));
        assertFalse(Subject.isSame(ClaimKind.TRANSLATED, "fr/bats.wording", ONE, translated));
        assertFalse(Subject.isSame(ClaimKind.TRANSLATED, "fr/bats.wording", ONE, reworded("bats")));
        assertTrue(Subject.isSame(ClaimKind.TRANSLATED, "fr/bats.wording", ONE, reworded("more")));
        assertTrue(Subject.isSame(ClaimKind.TEXT_FILLED, "sent.closing/bats", ONE, reworded("bats")));
        assertFalse(Subject.isSame(ClaimKind.TEXT_FILLED, "bats.wording/more", ONE, reworded("bats")));
        assertFalse(Subject.isSame(ClaimKind.OWN, "calm", ONE, with("claims/0", "bats = false")));
        assertTrue(Subject.isSame(ClaimKind.OWN, "calm", ONE, reworded("bats")));
        assertFalse(Subject.isSame(ClaimKind.REACH_ROW, "outcomeTable/0", ONE, with("outcomeTable/0", "bats = true")));
        assertFalse(Subject.isSame(ClaimKind.REACH_OUTCOME, "sent", ONE, with("outcomeTable/0", "bats = true")));
        assertTrue(Subject.isSame(ClaimKind.REACH_OUTCOME, "sent", ONE, reworded("bats")));
        assertFalse(Subject.isSame(ClaimKind.ONE_OUTCOME, "roost", ONE, reworded("bats")), "the whole questionnaire is its place");
    }
}
