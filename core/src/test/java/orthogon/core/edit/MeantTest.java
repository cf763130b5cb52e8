package orthogon.core.edit;

import orthogon.core.answer.Option;
import orthogon.core.answer.choice.OneChoice;
import orthogon.core.answer.number.NumberAnswer;
import orthogon.core.answer.text.TextAnswer;
import orthogon.core.answer.yesno.YesNoAnswer;
import orthogon.core.expression.Wiring;
import orthogon.core.place.RuleFamily;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Refused;
import static org.junit.jupiter.api.Assertions.assertEquals;

import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class MeantTest {

    private static final Questionnaire DOCUMENT = Questionnaire.blank("fen", "Fen")
            .withPages(List.of(Page.empty("p", "P").withItems(List.of(
                    Question.of("member", "Member?", new YesNoAnswer()),
                    Question.of("tool", "Which tool?",
                            new OneChoice(List.of(Option.of("saw", "A bow saw"), Option.of("axe", "An axe"),
                                    Option.of("yes", "Yes, all")), false)),
                    Question.of("count", "How many?", new NumberAnswer(BigDecimal.ZERO, null, 0, "")),
                    Question.of("remark", "Remark?", new TextAnswer(false, null, 40)),
                    Question.of("last", "Last?", new YesNoAnswer())))));

    private static Optional<String> meant(String text) {
        return Meant.of(Wiring.of(DOCUMENT), RuleFamily.ASK_WHEN, "last", text);
    }

    @Test
    void whatCanMeanOneThingIsUnderstood() {
        assertEquals(Optional.of("member = true"), meant("member = yes"));
        assertEquals(Optional.of("member = true"), meant("member is yes"));
        assertEquals(Optional.of("member != true"), meant("member is not yes"));
        assertEquals(Optional.of("tool = \"saw\""), meant("tool = saw"));
        assertEquals(Optional.of("tool = \"saw\""), meant("tool is A bow saw"));
        assertEquals(Optional.of("not(member)"), meant("not member"));
        assertEquals(Optional.of("tool = \"axe\" and count > 3"), meant("tool is axe and count > 3"));
        assertEquals(Optional.of("member = true and not(tool = \"saw\")"), meant("member is yes and not(tool = saw)"));
        assertEquals(Optional.of("tool = \"yes\""), meant("tool = yes"));
    }

    @Test
    void whatStandsInQuotationMarksStaysAsItIs() {
        assertEquals(Optional.of("remark = \"what is it OR not there\""), meant("remark is \"what is it OR not there\""));
        assertEquals(Optional.of("remark = \"it is wet\""), meant("remark is “it is wet”"));
        assertEquals(Optional.of("remark != \"it's wet\" and member = true"), meant("remark is not \"it's wet\" and member is yes"));
    }

    @Test
    void whatHasNoFaultOrMeansNothingIsLeftAlone() {
        for (String text : List.of("member", "tool = \"saw\"", "count > 3", "nobody = yes", "tool = hammer", "count = many", "")) {
            assertEquals(Optional.empty(), meant(text), text);
        }
    }

    @Test
    void anEditTakesAConditionForWhatItMeans() throws Refused {
        Questionnaire changed = new ChangeItem(DOCUMENT.question("last").orElseThrow().withAskWhen("tool is saw"), "ask when")
                .apply(DOCUMENT);
        assertEquals("tool = \"saw\"", changed.question("last").orElseThrow().askWhen());
    }
}
