package orthogon.core.edit;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Collections;
import java.util.List;
import orthogon.core.answer.contact.ContactAnswer;
import orthogon.core.answer.yesno.YesNoAnswer;
import orthogon.core.questionnaire.Dispatch;
import orthogon.core.questionnaire.DispatchMessage;
import orthogon.core.questionnaire.MessageContents.ToldAnswers;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Refused;
import org.junit.jupiter.api.Test;

class ChangeDispatchTest {

    private static final Questionnaire HERONS = Questionnaire.blank("herons", "Herons").withPages(List.of(Page.empty("bank", "Bank")
            .withItems(List.of(Question.of("nest", "A nest?", new YesNoAnswer()),
                    Question.of("mail", "Your address", new ContactAnswer(ContactAnswer.Standard.EMAIL, ""))))));

    private static DispatchMessage message(String code, String when, List<String> addresses, List<String> answers) {
        return new DispatchMessage(code, "", when, addresses, answers, "About {nest}", "", ToldAnswers.THESE, List.of("nest"));
    }

    private static Questionnaire with(DispatchMessage... messages) throws Refused {
        return new ChangeDispatch(new Dispatch(List.of(messages), List.of())).apply(HERONS);
    }

    private static String refused(DispatchMessage... messages) {
        return assertThrows(Refused.class, () -> with(messages)).getMessage();
    }

    @Test
    void whatCannotBeSentIsRefusedWithTheReason() {
        assertTrue(refused(message("to_us", "", List.of("no address"), List.of())).contains("not an email address"));
        assertTrue(refused(message("to_us", "", List.of("a@b.example\nBcc: c@d.example"), List.of())).contains("not an email address"));
        assertTrue(refused(message("to_us", "", List.of(), List.of("nest"))).contains("no question for an email address"));
        assertTrue(refused(message("nest", "", List.of(), List.of())).contains("used already"));
        assertTrue(refused(message("to us", "", List.of(), List.of())).contains("not a valid code"));
        assertTrue(refused(message("to_us", "nest = 3", List.of(), List.of())).contains("Send when"));
        assertTrue(refused(message("to_us", "", Collections.nCopies(DispatchMessage.MOST_ADDRESSES + 1, "a@b.example"), List.of()))
                .contains("at most 20 addresses"));
        DispatchMessage[] many = new DispatchMessage[DispatchMessage.MOST + 1];
        for (int i = 0; i < many.length; i++) {
            many[i] = message("m" + i, "", List.of(), List.of());
        }
        assertTrue(refused(many).contains("at most 50 messages"));
    }

    @Test
    void aConditionKnowsTheOutcomeAndAllAnswers() throws Refused {
        assertEquals(1, with(message("to_us", "outcome = \"sent\" and asked(nest) and nest", List.of("a@b.example"), List.of()))
                .messages().size());
        assertTrue(refused(message("to_us", "outcome = \"nowhere\"", List.of(), List.of())).contains("nowhere"));
    }

    /** Also where the question is changed or moved afterwards, and not where it was so before. */
    @Test
    void aQuestionThatAMessageGoesToKeepsAskingForAnAddress() throws Refused {
        Questionnaire document = with(message("to_us", "", List.of(), List.of("mail")));
        Question mail = document.question("mail").orElseThrow();
        String why = assertThrows(Refused.class, () -> new ChangeItem(mail.withAnswer(new YesNoAnswer()), "").apply(document))
                .getMessage();
        assertTrue(why.contains("mail is no question for an email address") && why.contains("to_us"), why);
        Questionnaire broken = document.withItem("mail", i -> mail.withAnswer(new YesNoAnswer()));
        assertEquals(List.of("mail"), broken.messages().getFirst().withoutAddress(broken));
        new ChangeItem(broken.question("nest").orElseThrow().withRequireWhen("true"), "").apply(broken);
    }

    @Test
    void messagesFollowWhatIsRenamedAndRemoved() throws Refused {
        Questionnaire document = with(message("to_us", "nest", List.of(), List.of("mail")));
        DispatchMessage renamed = new Rename("nest", "brood").apply(document).messages().getFirst();
        assertEquals(List.of("brood", "About {brood}", List.of("brood")),
                List.of(renamed.sendWhen(), renamed.subject(), renamed.with().told()));
        assertEquals(List.of("post"), new Rename("mail", "post").apply(document).messages().getFirst().answers());
        assertEquals("to_all", new Rename("to_us", "to_all").apply(document).messages().getFirst().code());
        assertTrue(assertThrows(Refused.class, () -> new Remove("mail").apply(document)).getMessage().contains("to_us"));
        assertEquals(List.of(), new Remove(List.of("mail"), true).apply(document).messages().getFirst().answers());
        DispatchMessage without = new Remove(List.of("nest"), true).apply(document).messages().getFirst();
        assertEquals(List.of("", List.of()), List.of(without.sendWhen(), without.with().told()));
    }
}
