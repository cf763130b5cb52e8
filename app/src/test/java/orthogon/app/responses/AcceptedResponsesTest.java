package orthogon.app.responses;

import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.mockito.ArgumentMatchers.anyString;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.times;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import orthogon.app.store.InterviewStore;
import orthogon.app.store.InterviewStore.Running;
import orthogon.app.store.ResponseStore.Response;
import orthogon.core.answer.yesno.YesNoAnswer;
import orthogon.core.expression.Wiring;
import orthogon.core.interview.Interview;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import org.junit.jupiter.api.Test;

class AcceptedResponsesTest {

    private static final Questionnaire HERONS = Questionnaire.blank("herons", "Herons")
            .withPages(List.of(Page.empty("page", "Page")
                    .withItems(List.of(Question.of("seen", "Seen?", new YesNoAnswer()).withRequireWhen("true")))));

    private static Response response(String interview, String outcome) {
        return new Response(1, "R-1", interview, 1, 1, outcome, OffsetDateTime.now(), "en", "new", "", false, Map.of());
    }

    private static Running running(Map<String, Object> answers) {
        Interview begun = Interview.start(Wiring.of(HERONS), LocalDate.of(2026, 11, 23), Map.of());
        return new Running("i", null, begun.leave(answers).interview(), OffsetDateTime.now(), Optional.empty(), 0, 0);
    }

    @Test
    void eachResponseIsWalkedOnceAndComparedWithItsOutcome() {
        InterviewStore interviews = mock(InterviewStore.class);
        Running answered = running(Map.of("seen", true));
        Running held = running(Map.of());
        when(interviews.find("answered")).thenReturn(Optional.of(answered));
        when(interviews.find("held")).thenReturn(Optional.of(held));
        when(interviews.find("gone")).thenReturn(Optional.empty());
        AcceptedResponses accepted = new AcceptedResponses(interviews);
        String outcome = answered.interview().course().outcome().orElse("");
        for (int n = 0; n < 3; n++) {
            assertTrue(accepted.isAccepted(response("answered", outcome)));
            assertFalse(accepted.isAccepted(response("held", "")));
            assertFalse(accepted.isAccepted(response("gone", "")));
        }
        verify(interviews, times(3)).find(anyString());
        assertFalse(new AcceptedResponses(interviews).isAccepted(response("answered", "elsewhere")), "another outcome");
    }

    @Test
    void theOldestIsForgottenBeyondTheLimit() {
        InterviewStore interviews = mock(InterviewStore.class);
        when(interviews.find(anyString())).thenReturn(Optional.empty());
        AcceptedResponses accepted = new AcceptedResponses(interviews);
        for (int n = 0; n <= AcceptedResponses.REMEMBERED; n++) {
            accepted.isAccepted(response("i" + n, ""));
        }
        accepted.isAccepted(response("i" + AcceptedResponses.REMEMBERED, ""));
        verify(interviews, times(AcceptedResponses.REMEMBERED + 1)).find(anyString());
        accepted.isAccepted(response("i0", ""));
        verify(interviews, times(AcceptedResponses.REMEMBERED + 2)).find(anyString());
    }
}
