package orthogon.core.proof;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.math.BigInteger;
import java.time.LocalDate;
import java.util.List;
import orthogon.core.proof.flow.TextRoutes;
import orthogon.core.proof.flow.Routes;
import orthogon.core.questionnaire.Answer;
import orthogon.core.questionnaire.Note;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Questionnaire.Outcome;
import orthogon.core.questionnaire.Questionnaire.OutcomeRow;
import orthogon.core.questionnaire.Section;
import org.junit.jupiter.api.Test;

class MeetsTest {

    private static final Questionnaire ROOST = Questionnaire.blank("roost", "Roost").withPages(List.of(
            Page.empty("one", "One").withItems(List.of(Question.of("wet", "Wet?", new Answer.YesNo()).withRequireWhen("true"),
                    Question.of("cold", "Cold?", new Answer.YesNo()).withRequireWhen("true"),
                    Question.of("why", "Why?", new Answer.YesNo()).withAskWhen("wet = true"),
                    new Section("both", "Both", "wet = true and cold = true", List.of(Question.of("deep", "Deep?", new Answer.YesNo()))),
                    new Note("said", "Mind.", "", List.of()))),
            Page.empty("two", "Two").withOpenWhen("cold = true").withItems(List.of(Question.of("ice", "Ice?", new Answer.YesNo())))))
            .withEnding(List.of(new Outcome("bad", "Bad", ""), new Outcome("fine", "Fine", "")),
                    List.of(new OutcomeRow("wet = true", "bad"), new OutcomeRow("", "fine")));

    private static int met(String unit) {
        Routes routes = Proof.of(ROOST, LocalDate.of(2026, 11, 2)).figures().everyRoute().orElseThrow();
        assertEquals(BigInteger.valueOf(4), routes.count());
        return TextRoutes.routes(ROOST, routes, unit).intValueExact();
    }

    @Test
    void aTextIsMetOnTheRoutesThatComeByItsPlace() {
        assertEquals(4, met("wet.wording"));
        assertEquals(2, met("why.wording"));
        assertEquals(1, met("deep.help"));
        assertEquals(1, met("both.title"));
        assertEquals(2, met("two.title"));
        assertEquals(4, met("said.wording"));
        assertEquals(2, met("bad.closing"));
        assertEquals(2, met("fine.label"));
        assertEquals(4, met("button.next"));
    }
}
