package orthogon.core.dispatch;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.List;
import org.junit.jupiter.api.Test;
import orthogon.core.answer.yesno.YesNoAnswer;
import orthogon.core.expression.Wiring;
import orthogon.core.questionnaire.FollowUp;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Questionnaire.Outcome;

class OpeningOutcomesTest {

    private static List<String> opening(String when) {
        FollowUp ride = FollowUp.of("ride", "ride", when);
        Questionnaire herons = Questionnaire.blank("herons", "Herons").withPages(List.of(
                Page.empty("page", "Page").withItems(List.of(Question.of("hurt", "Hurt?", new YesNoAnswer())))))
                .withEnding(List.of(new Outcome("now", "Now", ""), new Outcome("later", "Later", ""), new Outcome("never", "Never", "")),
                        List.of())
                .withFollowUps(List.of(ride));
        return OpeningOutcomes.of(Wiring.of(herons), ride);
    }

    @Test
    void onlyOutcomesThatTheConditionLeavesOpenIt() {
        assertEquals(List.of("now", "later", "never"), opening(""));
        assertEquals(List.of("now", "later", "never"), opening("hurt"));
        assertEquals(List.of("now"), opening("outcome = \"now\""));
        assertEquals(List.of("now"), opening("hurt and outcome = \"now\""));
        assertEquals(List.of("now", "later", "never"), opening("hurt or outcome = \"now\""));
        assertEquals(List.of("later", "never"), opening("not(outcome = \"now\")"));
        assertEquals(List.of("now", "never"), opening("outcome != \"later\" and not(hurt)"));
        assertEquals(List.of("now", "later"), opening("outcome in [\"now\", \"later\"]"));
        assertEquals(List.of("later"), opening("(outcome = \"later\" or outcome = \"now\") and outcome != \"now\""));
        assertEquals(List.of(), opening("outcome = \"now\" and outcome = \"later\""));
    }
}
