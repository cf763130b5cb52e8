package orthogon.core.dispatch;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import orthogon.core.answer.contact.ContactAnswer;
import orthogon.core.answer.yesno.YesNoAnswer;
import orthogon.core.expression.Wiring;
import orthogon.core.proof.claim.Replay;
import orthogon.core.questionnaire.DispatchMessage;
import orthogon.core.questionnaire.MessageContents.ToldAnswers;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
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
}
