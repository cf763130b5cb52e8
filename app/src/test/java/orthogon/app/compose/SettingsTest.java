package orthogon.app.compose;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import orthogon.app.answer.kinds.AnswerControls;
import orthogon.core.answer.Answer;
import orthogon.core.answer.AnswerKind;
import orthogon.core.answer.Option;
import orthogon.core.answer.choice.ManyChoices;
import orthogon.core.answer.choice.OneChoice;
import orthogon.core.answer.kinds.AnswerMakers;
import orthogon.core.answer.number.NumberAnswer;
import orthogon.core.answer.scale.ScaleAnswer;
import orthogon.core.answer.text.TextAnswer;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Refused;
import org.junit.jupiter.api.Test;
import org.springframework.util.MultiValueMap;

class SettingsTest {

    private static List<Answer> everyKind() {
        List<Answer> all = new ArrayList<>();
        for (AnswerKind kind : AnswerKind.values()) {
            all.add(AnswerMakers.from(kind, new TextAnswer(false, null, null)));
        }
        AnswerMakers.lines().forEach(line -> all.add(AnswerMakers.typed(line.typed()).orElseThrow()));
        return all;
    }

    private static MultiValueMap<String, String> form(Answer answer) {
        return Fields.of(Questionnaire.blank("fen", "Fen").withPages(List.of(
                Page.empty("p", "P").withItems(List.of(Question.of("q", "Q?", answer))))), "q");
    }

    private static Answer read(Answer now, MultiValueMap<String, String> form) throws Refused {
        return ((Question) new Forms(form).item(Question.of("q", "Q?", now))).answer();
    }

    @Test
    void theInspectorReadsBackWhatItShows() throws Refused {
        for (Answer answer : everyKind()) {
            assertEquals(answer, read(answer, form(answer)), answer.type());
        }
    }

    @Test
    void everyKindIsToldInAFewWords() {
        for (Answer answer : everyKind()) {
            String words = AnswerControls.of(answer).inShort(answer);
            assertFalse(words.isBlank() || words.length() > 40, answer.type() + ": " + words);
        }
    }

    private static String refused(Answer now, String field, String value) {
        MultiValueMap<String, String> form = form(now);
        form.set(field, value);
        return assertThrows(Refused.class, () -> read(now, form), field).getMessage();
    }

    @Test
    void whatCannotBeIsRefusedInASentence() {
        assertEquals("A rating has steps from 2 to 20, not 21.", refused(ScaleAnswer.rating(5), "steps", "21"));
        assertEquals("Decimal places go from 0 to 9, not 10.", refused(new NumberAnswer(null, null, 0, ""), "decimals", "10"));
        assertEquals("A slider needs both limits: a least and a most.",
                refused(new NumberAnswer(BigDecimal.ONE, null, 0, ""), "slider", "true"));
        assertEquals("The limit, “ten”, is not a number.", refused(new NumberAnswer(null, null, 0, ""), "least", "ten"));
        assertEquals("“two” is not a whole number.", refused(new TextAnswer(false, null, null), "most", "two"));
    }

    @Test
    void noOptionStandsAloneWhereOneIsChosen() throws Refused {
        ManyChoices many = new ManyChoices(List.of(Option.of("a", "A"), new Option("none", "None", null, true, "")), null, null);
        MultiValueMap<String, String> form = form(many);
        OneChoice one = new OneChoice(List.of(Option.of("a", "A")), false);
        form.set("type", "oneChoice");
        assertEquals(List.of(false, false), read(one, form).options().stream().map(Option::exclusive).toList());
    }
}
