package orthogon.core.dispatch;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import orthogon.core.answer.contact.ContactAnswer;
import orthogon.core.answer.yesno.YesNoAnswer;
import orthogon.core.expression.Wiring;
import orthogon.core.interview.Interview;
import orthogon.core.proof.claim.Replay;
import orthogon.core.questionnaire.DispatchMessage;
import orthogon.core.questionnaire.MessageOccasion;
import orthogon.core.questionnaire.MessageOccasion.MessageMoment;
import orthogon.core.questionnaire.DispatchPassage;
import orthogon.core.questionnaire.DispatchPassage.PassageWording;
import orthogon.core.questionnaire.MessageContents.ToldAnswers;
import orthogon.core.questionnaire.MessageRecipients;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Questionnaire.Outcome;
import org.junit.jupiter.api.Test;

class DueMessageTest {

    private static DispatchMessage message(String code, String when, List<String> addresses, List<String> answers) {
        return new DispatchMessage(code, "", when, addresses, answers, "Subject", "", ToldAnswers.EVERYTHING, List.of());
    }

    private static final Questionnaire HERONS = Questionnaire.blank("herons", "Herons").withPages(List.of(Page.empty("bank", "Bank")
            .withItems(List.of(Question.of("nest", "A nest?", new YesNoAnswer()),
                    Question.of("mail", "Your address", new ContactAnswer(ContactAnswer.Standard.EMAIL, ""))))))
            .withMessages(List.of(message("always", "", List.of("a@b.example"), List.of()),
                    message("nests", "nest and outcome = \"sent\"", List.of("b@b.example", "wenna@b.example"), List.of("mail"))));

    private static List<String> due(Map<String, Object> answers) {
        return DueMessage.of(Replay.of(Wiring.of(HERONS), LocalDate.of(2026, 11, 30), answers, "")).stream()
                .map(d -> d.message().code() + " " + d.address() + " " + d.ofRespondent()).toList();
    }

    @Test
    void everyAddressIsWrittenToOnceForEachMessageWhoseConditionHolds() {
        assertEquals(List.of("always a@b.example false"), due(Map.of()));
        assertEquals(List.of("always a@b.example false", "nests b@b.example false", "nests wenna@b.example false"),
                due(Map.of("nest", true)));
        assertEquals(List.of("always a@b.example false", "nests wenna@b.example true", "nests b@b.example false"),
                due(Map.of("nest", true, "mail", "wenna@b.example")));
        assertEquals(List.of("always a@b.example false"), due(Map.of("nest", false, "mail", "wenna@b.example")));
    }

    private static Interview interview(Questionnaire document, Map<String, Object> answers) {
        return Replay.of(Wiring.of(document), LocalDate.of(2026, 11, 30), answers, "");
    }

    @Test
    void answersGoToWhoeverGaveTheirAddressOrToWhomTheAnalystSets() {
        Map<String, Object> given = Map.of("nest", true, "mail", "wenna@b.example");
        DispatchMessage message = HERONS.messages().getLast();
        for (String[] each : new String[][]{{"mail", "wenna@b.example"}, {"desk@b.example", "desk@b.example"}, {"", ""}, {"nest", ""}}) {
            DispatchMessage replied = message.withTo(new MessageRecipients(List.of(), List.of(), List.of(), each[0]));
            assertEquals(each[1], DueMessage.replyTo(interview(HERONS, given), replied), each[0]);
        }
        DispatchMessage toMail = message.withTo(new MessageRecipients(List.of(), List.of(), List.of(), "mail"));
        assertEquals("", DueMessage.replyTo(interview(HERONS, Map.of("nest", true)), toMail));
    }

    @Test
    void aMessageToWhoeverIsInvitedIsNotSentWithTheInterview() {
        DispatchMessage invited = message("come", "", List.of("a@b.example"), List.of())
                .withOccasion(new MessageOccasion(MessageMoment.INVITED, "", 0));
        assertEquals(List.of(), DueMessage.of(interview(HERONS.withMessages(List.of(invited)), Map.of("nest", true))));
    }

    /** The first wording whose condition holds, with what it names; where none holds, nothing. */
    @Test
    void aPassageIsPutInByItsFirstConditionThatHolds() {
        DispatchPassage ring = new DispatchPassage("ring", List.of(new PassageWording("answered(mail)", "write to {mail}")));
        DispatchPassage next = new DispatchPassage("next", List.of(new PassageWording("nest", "Leave the nest, {ring}."),
                new PassageWording("outcome = \"sent\" and not(nest)", "Look again.")));
        Questionnaire document = HERONS.withPassages(List.of(ring, next));
        String text = "Thank you. {next} {nest, select, yes {Because {ring}} other {}}";
        assertEquals("Thank you. Leave the nest, write to {mail}. {nest, select, yes {Because write to {mail}} other {}}",
                new Passages(interview(document, Map.of("nest", true, "mail", "wenna@b.example"))).putIn(text));
        assertEquals("Thank you. Leave the nest, . {nest, select, yes {Because } other {}}",
                new Passages(interview(document, Map.of("nest", true))).putIn(text));
        assertEquals("Thank you. Look again. {nest, select, yes {Because } other {}}",
                new Passages(interview(document, Map.of("nest", false))).putIn(text));
        assertEquals("Thank you.  {nest, select, yes {Because } other {}}", new Passages(interview(document, Map.of())).putIn(text));
    }

    @Test
    void anAddressTakesAnswersAsParameters() {
        Interview interview = interview(HERONS, Map.of("nest", true, "mail", "a&b=c#d@b.example"));
        Map<String, String> carries = new LinkedHashMap<>();
        carries.put("who", "mail");
        carries.put("nest", "nest");
        carries.put("none", "nothing");
        for (String[] each : new String[][]{{"https://b.example/p", "https://b.example/p?who=a%26b%3Dc%23d%40b.example&nest=true"},
                {"https://b.example/p?x=1#top", "https://b.example/p?x=1&who=a%26b%3Dc%23d%40b.example&nest=true#top"}}) {
            assertEquals(Optional.of(each[1]), LeadOn.address(interview, new Outcome("sent", "Sent", "", each[0], carries, "")));
        }
        assertEquals(Optional.of("https://b.example/p"),
                LeadOn.address(interview(HERONS, Map.of()), new Outcome("sent", "Sent", "", "https://b.example/p", carries, "")));
        assertEquals(Optional.empty(), LeadOn.address(interview, new Outcome("sent", "Sent", "", "javascript:alert(1)", carries, "")));
    }

    @Test
    void claimsAboutWhoHearsAreReadyUntilTheyAreMade() {
        DispatchMessage invited = message("come", "", List.of("a@b.example"), List.of())
                .withOccasion(new MessageOccasion(MessageMoment.INVITED, "", 0));
        Questionnaire document = HERONS.withMessages(List.of(HERONS.messages().getFirst(), HERONS.messages().getLast(), invited));
        List<ReadyClaim> ready = ReadyClaim.of(document);
        assertEquals(List.of("sends(nests)", "sends(always) or sends(nests)"), ready.stream().map(r -> r.claim().that()).toList());
        assertEquals(List.of(ready.getLast()), ReadyClaim.of(document.withClaims(List.of(ready.getFirst().claim()))));
        assertEquals(List.of(), ReadyClaim.of(document.withMessages(List.of(invited))));
    }
}
