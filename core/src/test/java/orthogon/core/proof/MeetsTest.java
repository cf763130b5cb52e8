package orthogon.core.proof;

import orthogon.core.answer.yesno.YesNoAnswer;
import orthogon.core.proof.flow.Routes;
import orthogon.core.proof.flow.TextRoutes;
import orthogon.core.questionnaire.Note;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Questionnaire.Outcome;
import orthogon.core.questionnaire.Questionnaire.OutcomeRow;
import orthogon.core.questionnaire.Section;
import static org.junit.jupiter.api.Assertions.assertEquals;

import java.math.BigInteger;
import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.Test;

class MeetsTest {

    private static final Questionnaire ROOST = Questionnaire.blank("roost", "Roost").withPages(List.of(
            Page.empty("one", "One").withItems(List.of(Question.of("wet", "Wet?", new YesNoAnswer()).withRequireWhen("true"),
                    Question.of("cold", "Cold?", new YesNoAnswer()).withRequireWhen("true"),
                    Question.of("why", "Why?", new YesNoAnswer()).withAskWhen("wet = true"),
                    new Section("both", "Both", "wet = true and cold = true", List.of(Question.of("deep", "Deep?", new YesNoAnswer()))),
                    new Note("said", "Mind.", "", List.of()))),
            Page.empty("two", "Two").withOpenWhen("cold = true").withItems(List.of(Question.of("ice", "Ice?", new YesNoAnswer())))))
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
