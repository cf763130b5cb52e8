package orthogon.core.proof;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Map;
import orthogon.core.expression.Wiring;
import orthogon.core.interview.Interview;
import orthogon.core.interview.Slots;
import orthogon.core.questionnaire.Presentation;
import orthogon.core.questionnaire.Questionnaire;
import org.junit.jupiter.api.Test;

/** What may be sent is the same whether pages are checked one by one or all at the end, so that one proof holds for both. */
class CheckedAtEndTest {

    private static final Presentation AT_THE_END = Presentation.PLAIN
            .withNavigation(new Presentation.Navigation(Presentation.StepLabel.TITLE, Presentation.Check.END, false, false));

    private int sent;
    private int held;

    @Test
    void theSameAnswersAreSent() {
        for (long seed = 0; seed < Sample.of(300); seed++) {
            Questionnaire document = RandomDocument.of(seed).withPresentation(AT_THE_END);
            Wiring wiring = Wiring.of(document);
            for (Map<String, Object> answers : RandomDocument.someAnswers(document)) {
                compare("seed " + seed + " " + answers, wiring, Slots.flat(document, answers));
            }
        }
        assertTrue(sent > Sample.mustPass(300), "some are sent: " + sent);
        assertTrue(held > Sample.mustPass(300), "some are held: " + held);
    }

    private void compare(String at, Wiring wiring, Map<String, Object> flat) {
        Interview interview = Interview.start(wiring, RandomDocument.TODAY, Map.of()).checkedAsWanted();
        while (interview.course().current().isPresent()) {
            interview = interview.leave(flat).interview();
        }
        Interview checked = interview.checkedByPage();
        assertEquals(checked.course().complete(), interview.course().acceptable(), at);
        if (checked.course().complete()) {
            sent++;
            assertEquals(checked.submission(), interview.submission(), at);
            assertEquals(checked.course().outcome(), interview.course().outcome(), at);
        } else {
            held++;
        }
    }
}
