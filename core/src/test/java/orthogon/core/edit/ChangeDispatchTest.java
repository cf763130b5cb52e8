package orthogon.core.edit;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Collections;
import java.util.List;
import orthogon.core.answer.contact.ContactAnswer;
import orthogon.core.answer.yesno.YesNoAnswer;
import orthogon.core.language.Texts;
import orthogon.core.questionnaire.Dispatch;
import orthogon.core.questionnaire.DispatchMessage;
import orthogon.core.questionnaire.MessageOccasion;
import orthogon.core.questionnaire.MessageOccasion.MessageMoment;
import orthogon.core.questionnaire.DispatchPassage;
import orthogon.core.questionnaire.DispatchPassage.PassageWording;
import orthogon.core.questionnaire.MessageContents;
import orthogon.core.questionnaire.MessageContents.ToldAnswers;
import orthogon.core.questionnaire.MessageRecipients;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Questionnaire.OwnClaim;
import orthogon.core.questionnaire.Questionnaire.Says;
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

    private static String refused(Questionnaire document, List<DispatchMessage> messages, DispatchPassage... passages) {
        return assertThrows(Refused.class, () -> new ChangeDispatch(new Dispatch(messages, List.of(passages))).apply(document))
                .getMessage();
    }

    @Test
    void limitsAndMomentsAreHeldToWithTheReason() throws Refused {
        DispatchMessage plain = message("to_us", "", List.of(), List.of());
        assertTrue(refused(plain.withTo(new MessageRecipients(List.of(), List.of(), List.of(), "no address"))).contains("not an email"));
        assertTrue(
                refused(plain.withTo(new MessageRecipients(List.of(), List.of(), List.of(), "nest"))).contains("no question for an email"));
        assertTrue(refused(plain.withOccasion(new MessageOccasion(MessageMoment.INVITED, "", 0))).contains("before there are answers"));
        assertTrue(refused(plain.withOccasion(new MessageOccasion(MessageMoment.SENT, "", 3))).contains("1 to 365 days"));
        DispatchMessage reminder = plain.withContents(new MessageContents(ToldAnswers.NOTHING, List.of(), false, false, false));
        assertTrue(refused(reminder.withOccasion(new MessageOccasion(MessageMoment.REMINDER, "", 366))).contains("1 to 365 days"));
        assertEquals(365,
                with(reminder.withOccasion(new MessageOccasion(MessageMoment.REMINDER, "", 365))).messages().getFirst().afterDays());
        assertEquals(20_000, with(plain.withTexts("S", "x".repeat(20_000))).messages().getFirst().body().length());
        assertTrue(refused(plain.withTexts("S", "x".repeat(20_001))).contains("at most 20000 fit"));
        PassageWording wording = new PassageWording("", "text");
        assertTrue(refused(HERONS, List.of(), new DispatchPassage("part", List.of())).contains("1 to 20 wordings"));
        assertTrue(refused(HERONS, List.of(), new DispatchPassage("part", Collections.nCopies(21, wording))).contains("1 to 20 wordings"));
        assertTrue(refused(HERONS, List.of(plain), new DispatchPassage("to_us", List.of(wording))).contains("used already"));
        DispatchPassage[] many = new DispatchPassage[DispatchPassage.MOST + 1];
        for (int i = 0; i < many.length; i++) {
            many[i] = new DispatchPassage("g" + i, List.of(wording));
        }
        assertTrue(refused(HERONS, List.of(), many).contains("at most 50 passages"));
    }

    @Test
    void whatNamesAMessageOrAPassageFollowsItsCodeAndKeepsItFromBeingRemoved() throws Refused {
        DispatchMessage message = message("to_us", "", List.of("a@b.example"), List.of()).withTexts("S", "Then {part}");
        DispatchPassage part = new DispatchPassage("part", List.of(new PassageWording("nest", "text")));
        Questionnaire document = new ChangeDispatch(new Dispatch(List.of(message), List.of(part))).apply(HERONS)
                .withClaims(List.of(new OwnClaim("heard", Says.ALWAYS, "sends(to_us)")));
        assertTrue(refused(document, List.of(), part).contains("to_us is named in claims/0"));
        assertTrue(refused(document, List.of(message)).contains("part is named in to_us.body"));
        Questionnaire renamed = new ChangeDispatch(new Dispatch(List.of(message.withCode("to_all")), List.of(part))).apply(document);
        assertEquals("sends(to_all)", renamed.claims().getFirst().that());
        Questionnaire other = new ChangeDispatch(new Dispatch(renamed.messages(), List.of(part.withCode("piece")))).apply(renamed);
        assertEquals("Then {piece}", other.messages().getFirst().body());
        assertEquals("text", Texts.all(other).get("piece/includeWhen/0.text"));
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
