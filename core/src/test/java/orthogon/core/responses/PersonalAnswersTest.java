package orthogon.core.responses;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertSame;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import java.util.Set;
import orthogon.core.answer.number.NumberAnswer;
import orthogon.core.answer.text.TextAnswer;
import orthogon.core.questionnaire.Derived;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Refused;
import orthogon.core.questionnaire.Roster;
import orthogon.core.typing.RowLine;
import org.junit.jupiter.api.Test;

class PersonalAnswersTest {

    private static final Questionnaire ROOST = Questionnaire.blank("roost", "Roost").withPages(List.of(Page.empty("visit", "Visit")
            .withItems(List.of(Question.of("who", "Who?", new TextAnswer(false, null, 200)).withPersonal(true),
                    Question.of("count", "How many?", new NumberAnswer(null, null, 0, "")),
                    new Derived("greeting", "\"Dear \" + who"), new Derived("loud", "upper case(greeting)"),
                    new Derived("twice", "2 * count"),
                    new Roster("helpers", "Helpers", "", "", 0, 3, List.of(
                            Question.of("helper", "Name", new TextAnswer(false, null, 200)).withPersonal(true),
                            Question.of("hours", "Hours", new NumberAnswer(null, null, 0, "")))),
                    new Derived("hands", "count(helpers)"), new Derived("names", "string join(helpers.helper, \", \")")))));

    @Test
    void whatIsDerivedFromAPersonalAnswerIsPersonalToo() {
        assertEquals(Set.of("who", "helper", "greeting", "loud", "names"), PersonalAnswers.of(ROOST));
        assertEquals(Set.of(), PersonalAnswers.of(Questionnaire.blank("empty", "Empty")));
    }

    @Test
    void nothingPersonalIsLeftInEntriesAndInTextsBesideOptions() {
        Map<String, Object> answers = Map.of("who", "Ida", "who.other", "Wren", "count", BigDecimal.TWO, "helpers",
                List.of(Map.of("helper", "Osk", "hours", BigDecimal.ONE), Map.of("helper", "Jory")));
        assertEquals(Map.of("count", BigDecimal.TWO, "helpers", List.of(Map.of("hours", BigDecimal.ONE), Map.of())),
                PersonalAnswers.without(answers, PersonalAnswers.of(ROOST)));
        assertSame(answers, PersonalAnswers.without(answers, Set.of()));
    }

    @Test
    void aConditionIsKnownByThePersonalAnswersThatItUses() throws Refused {
        ResponseDocument over = ResponseDocument.of(ROOST, Map.of(), Map.of(), Map.of());
        Set<String> personal = PersonalAnswers.of(ROOST);
        for (String text : List.of("who = \"Ida\"", "count > 1 and not(contains(greeting, \"I\"))",
                "some h in helpers satisfies h.helper = \"Osk\"", "if answered(who) then true else false")) {
            assertTrue(PersonalAnswers.uses(ResponseFilter.read(over, text, RandomResponses.TODAY).condition().orElseThrow(), personal),
                    text);
        }
        for (String text : List.of("count > 1", "some h in helpers satisfies h.hours > 1", "hands = 2")) {
            assertFalse(PersonalAnswers.uses(ResponseFilter.read(over, text, RandomResponses.TODAY).condition().orElseThrow(), personal),
                    text);
        }
    }

    @Test
    void aTypedRowThatAsksForAPersonIsMarked() throws Refused {
        Item name = RowLine.read("Your name / name", code -> false);
        Item count = RowLine.read("How many? / number 1..20", code -> false);
        assertTrue(((Question) name).personal());
        assertFalse(((Question) count).personal());
    }
}
