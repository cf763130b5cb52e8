package orthogon.core.proof.change;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;

import java.math.BigInteger;
import java.util.List;
import java.util.Optional;
import orthogon.core.answer.contact.ContactAnswer;
import orthogon.core.answer.yesno.YesNoAnswer;
import orthogon.core.proof.RandomDocument;
import orthogon.core.proof.change.Difference.DifferenceKind;
import orthogon.core.proof.diagram.Limits;
import orthogon.core.proof.diagram.Watch;
import orthogon.core.questionnaire.DispatchMessage;
import orthogon.core.questionnaire.DispatchPassage;
import orthogon.core.questionnaire.FollowUp;
import orthogon.core.questionnaire.FollowUp.DueTime;
import java.util.Set;
import orthogon.core.questionnaire.DispatchPassage.PassageWording;
import orthogon.core.questionnaire.MessageContents.ToldAnswers;
import orthogon.core.questionnaire.MessageRecipients;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import org.junit.jupiter.api.Test;

class SentOtherwiseTest {

    private static final Questionnaire HERONS = Questionnaire.blank("herons", "Herons").withPages(List.of(Page.empty("bank", "Bank")
            .withItems(List.of(Question.of("nest", "A nest?", new YesNoAnswer()).withRequireWhen("true"),
                    Question.of("eggs", "Eggs?", new YesNoAnswer()).withAskWhen("nest").withRequireWhen("true"))),
            Page.empty("you", "You").withItems(List.of(
                    Question.of("mail", "Address", new ContactAnswer(ContactAnswer.Standard.EMAIL, ""))))));

    private static DispatchMessage message(String when) {
        return new DispatchMessage("m", "", when, List.of("office@example.org"), List.of(), "Subject", "Text", ToldAnswers.EVERYTHING,
                List.of());
    }

    private static Change change(List<DispatchMessage> before, List<DispatchMessage> after) {
        return Change.between(HERONS.withMessages(before), HERONS.withMessages(after), RandomDocument.TODAY, Limits.USUAL, Watch.NOBODY);
    }

    private static List<String> differences(Change change) {
        assertEquals(Optional.empty(), change.undecided());
        return change.differences().stream().map(d -> d.kind() + " " + d.place() + " " + d.paths().orElse(BigInteger.ZERO)).toList();
    }

    /** Six answer paths: no nest, a nest with eggs, one without, each with or without an address. */
    @Test
    void whoIsSentWhatIsCounted() {
        DispatchMessage always = message("");
        assertEquals(List.of("SENT_NOW m 6"), differences(change(List.of(), List.of(always))));
        assertEquals(List.of("SENT_NO_MORE m 6"), differences(change(List.of(always), List.of())));
        assertEquals(List.of("SENT_NO_MORE m 2"), differences(change(List.of(always), List.of(message("asked(eggs)")))));
        assertEquals(List.of("SENT_NO_MORE m 2", "SENT_NOW m 2"),
                differences(change(List.of(message("eggs")), List.of(message("asked(eggs) and not(eggs)")))));
        DispatchMessage toFinder = always.withTo(new MessageRecipients(List.of(), List.of("mail"), List.of(), ""));
        assertEquals(List.of("SENT_NO_MORE m 3"), differences(change(List.of(always), List.of(toFinder))));
        assertEquals(List.of("SENT_NOW m 4"),
                differences(change(List.of(message("outcome = \"sent\" and not(nest)")), List.of(message("outcome = \"sent\"")))));
    }

    @Test
    void whatIsMoreThanTextsIsNamed() {
        DispatchMessage before = message("");
        assertEquals(true, change(List.of(before), List.of(before.withTexts("Other", "Words"))).isOfTextsOnly());
        Change others = change(List.of(before), List.of(before.withTo(new MessageRecipients(List.of("desk@example.org"), List.of(),
                List.of(), ""))));
        assertEquals(List.of("m"), others.dispatchedOtherwise());
        assertFalse(others.isOfTextsOnly());
        Questionnaire document = HERONS.withMessages(List.of(before));
        Change passages = Change.between(document.withPassages(List.of(new DispatchPassage("p", List.of(new PassageWording("nest", "a"))))),
                document.withPassages(List.of(new DispatchPassage("p", List.of(new PassageWording("", "a"))))), RandomDocument.TODAY,
                Limits.USUAL, Watch.NOBODY);
        assertEquals(List.of("p"), passages.dispatchedOtherwise());
        assertEquals(List.of(), passages.differences().stream().map(Difference::kind).filter(k -> k != DifferenceKind.SENT_NOW).toList());
    }

    @Test
    void followUpsThatAreOpenedOtherwiseAreNamed() {
        FollowUp ride = FollowUp.of("ride", "transport", "nest");
        FollowUp later = FollowUp.of("later", "visit", "ride.state = \"sent\"");
        Questionnaire before = HERONS.withFollowUps(List.of(ride, FollowUp.of("gone", "visit", "eggs"), FollowUp.of("same", "visit", ""),
                later, FollowUp.of("last", "visit", "ride.state = null")));
        Questionnaire after = HERONS.withFollowUps(List.of(ride.withOpenWhen(""), FollowUp.of("same", "visit", "")
                .withTexts((unit, text) -> "Other words"), FollowUp.of("fresh", "visit", "not(nest)"),
                later.withOpenWhen("ride.state = \"withdrawn\"")));
        Change change = Change.between(before, after, RandomDocument.TODAY, Limits.USUAL, Watch.NOBODY);
        // Six answer paths: no nest, a nest with eggs, one without, each with or without an address.
        assertEquals(Set.of("OPENED_NOW ride 2", "OPENED_NO_MORE gone 2", "OPENED_NOW fresh 2"), Set.copyOf(differences(change)));
        assertEquals(List.of("later", "last"), change.dispatchedOtherwise(), "what rests on another follow-up is named");
        Change due = Change.between(HERONS.withFollowUps(List.of(ride)), HERONS.withFollowUps(List.of(ride.withDue(new DueTime(3, true)))),
                RandomDocument.TODAY, Limits.USUAL, Watch.NOBODY);
        assertEquals(List.of("ride"), due.dispatchedOtherwise());
        assertEquals(List.of(), differences(due));
    }
}
