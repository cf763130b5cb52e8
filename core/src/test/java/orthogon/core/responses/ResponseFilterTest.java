package orthogon.core.responses;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Map;
import java.util.Random;
import orthogon.core.answer.Option;
import orthogon.core.answer.choice.OneChoice;
import orthogon.core.answer.choice.OptionLayout;
import orthogon.core.answer.number.NumberAnswer;
import orthogon.core.proof.RandomDocument;
import orthogon.core.proof.Sample;
import orthogon.core.questionnaire.EveryType;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Refused;
import org.junit.jupiter.api.Test;

/** Conditions over responses, and what a database may decide of them. */
class ResponseFilterTest {

    private static final Questionnaire ROOST = Questionnaire.blank("roost", "Roost").withPages(List.of(Page.empty("visit", "Visit")
            .withItems(List.of(
                    Question.of("group", "What was it?", new OneChoice(List.of(Option.of("bat", "Bat"), Option.of("bird", "Bird")),
                            OptionLayout.PLAIN)),
                    Question.of("release", "How many were released?", new NumberAnswer(null, null, 0, ""))))));

    private static ResponseDocument over(Questionnaire document) {
        return ResponseDocument.of(document, Map.of("en", "English"), Map.of("new", "New"), Map.of("ines", "Ines"));
    }

    private static ResponseFilter read(String text) throws Refused {
        return ResponseFilter.read(over(ROOST), text, RandomResponses.TODAY);
    }

    @Test
    void factsAreNamesUnlessAQuestionHasTheName() throws Refused {
        assertEquals("state", over(ROOST).codes().get(ResponseFact.STATE));
        assertEquals("response_release", over(ROOST).codes().get(ResponseFact.RELEASE));
        assertTrue(read("release = 7 and response_release = 1").isExact());
        assertEquals(ResponseFact.RELEASE, over(ROOST).fact("response_release").orElseThrow());
        assertTrue(over(ROOST).fact("release").isEmpty());
    }

    @Test
    void aFilterThatCannotBeReadSaysWhyAndWhere() {
        assertTrue(assertThrows(Refused.class, () -> read("group = \"bta\"")).getMessage().contains("bat"));
        assertTrue(assertThrows(Refused.class, () -> read("stat = \"new\"")).getMessage().contains("state"));
        assertTrue(assertThrows(Refused.class, () -> read("group")).getMessage().startsWith("The filter cannot be used: at character 1"));
        assertThrows(Refused.class, () -> read("group = ".repeat(600)));
    }

    @Test
    void anEmptyFilterLetsEverythingThrough() throws Refused {
        assertTrue(read("  ").lets(Map.of(), RandomResponses.TODAY));
        assertEquals(new Selection.EveryResponse(), read("").selection());
    }

    @Test
    void aBlankAnswerIsNeitherMoreNorLess() throws Refused {
        assertFalse(read("release > 3").lets(Map.of(), RandomResponses.TODAY));
        assertFalse(read("not(release > 3)").lets(Map.of(), RandomResponses.TODAY));
        assertTrue(read("release != 3").lets(Map.of(), RandomResponses.TODAY));
        assertEquals(new Selection.Compared("release", Selection.Relation.AT_MOST, java.math.BigDecimal.valueOf(3)),
                read("not(release > 3)").selection());
    }

    /** What the database selects holds every response that the filter lets through, and is the same where it is said to be exact. */
    @Test
    void theSelectionIsTheFilterOrHoldsIt() throws Refused {
        int exact = 0;
        int narrowed = 0;
        int all = 0;
        int met = 0;
        for (int run = 0; run < Sample.of(400); run++) {
            Questionnaire document = run % 20 == 0 ? EveryType.document() : RandomDocument.of(5000 + run);
            Random random = new Random(run);
            RandomResponses responses = new RandomResponses(document, random);
            List<Map<String, Object>> some = java.util.stream.IntStream.range(0, 12)
                    .mapToObj(i -> responses.named(responses.answers(document), responses.facts(document))).toList();
            for (int n = 0; n < 25; n++) {
                String text = responses.condition();
                ResponseFilter filter = ResponseFilter.read(responses.over(), text, RandomResponses.TODAY);
                all++;
                exact += filter.isExact() ? 1 : 0;
                narrowed += filter.isExact() || filter.selection() instanceof Selection.EveryResponse ? 0 : 1;
                for (Map<String, Object> values : some) {
                    boolean lets = filter.lets(values, RandomResponses.TODAY);
                    boolean selected = InMemory.selects(filter.selection(), values);
                    met += lets ? 1 : 0;
                    assertTrue(selected || !lets, () -> text + " lets through " + values + " but is selected by " + filter.selection());
                    if (filter.isExact()) {
                        assertEquals(lets, selected, () -> text + " of " + values + " is selected by " + filter.selection());
                    }
                }
            }
        }
        assertTrue(exact > all / 3, exact + " of " + all + " are exact");
        assertTrue(narrowed > all / 20, narrowed + " of " + all + " are narrowed");
        assertTrue(met > all, "hardly anything is let through");
    }
}
