package orthogon.app.work;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.anyList;
import static org.mockito.ArgumentMatchers.eq;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import java.nio.charset.StandardCharsets;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import orthogon.app.outbox.KeptMessage;
import orthogon.app.outbox.KeptMessage.MessageState;
import orthogon.app.outbox.MessageStore;
import orthogon.app.outbox.Outbox.Mail;
import orthogon.app.store.AuditStore;
import orthogon.app.store.DraftStore.Draft;
import orthogon.app.store.ResponseStore;
import orthogon.app.store.ResponseStore.Response;
import orthogon.app.store.TestDatabase;
import orthogon.app.store.TrailKey;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Refused;
import org.junit.jupiter.api.Test;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.datasource.DataSourceTransactionManager;

class SendMessagesAgainTest {

    private static final OffsetDateTime NOW = OffsetDateTime.parse("2026-11-30T08:00:00Z");
    private static final Draft HERONS = new Draft(1, "herons", 1, Questionnaire.blank("herons", "Herons"), "", "ines", NOW,
            Optional.empty(),
            Optional.empty());

    private final List<Mail> sent = new ArrayList<>();
    private final MessageStore messages = mock(MessageStore.class);
    private final ResponseStore responses = mock(ResponseStore.class);
    private final AuditStore trail;
    private final SendMessagesAgain again;

    SendMessagesAgainTest() {
        var database = TestDatabase.H2.migrated();
        trail = new AuditStore(JdbcClient.create(database), new TrailKey("key".getBytes(StandardCharsets.UTF_8)));
        again = new SendMessagesAgain(messages, responses, sent::add, new Acts(trail, new DataSourceTransactionManager(database)));
    }

    private static KeptMessage kept(long id, String to) {
        Mail mail = new Mail(to, "Subject", "Text", "<p>Text</p>", "pl", "i-1", "desk@example.org", Set.of(Mail.MailAttachment.RESPONSE),
                "to_finder");
        return new KeptMessage(id, id + "@orthogon", mail, NOW, MessageState.DELIVERED, 1, NOW, "");
    }

    private static Response response() {
        return new Response(7, "ABC-DEF-GHI", "i-1", 1, 1, "sent", NOW, "pl", "new", "", false, Map.of());
    }

    @Test
    void aMessageOfAResponseGoesOutAsItWasWritten() throws Refused {
        when(messages.of("i-1")).thenReturn(List.of(kept(3, "wenna@example.org")));
        again.one(HERONS, response(), 3, "jory");
        assertEquals(List.of(kept(3, "wenna@example.org").mail()), sent);
        assertEquals("sent message to_finder of response ABC-DEF-GHI again to wenna@example.org", trail.newest(1).getFirst().did());
        assertTrue(assertThrows(Refused.class, () -> again.one(HERONS, response(), 4, "jory")).getMessage().contains("no such message"));
        assertEquals(1, sent.size());
    }

    @Test
    void aMessageGoesOutAgainToEverybodyOfTheChosenResponses() throws Refused {
        List<String> receipts = List.of("ABC-DEF-GHI");
        when(responses.numbers(1, receipts)).thenReturn(List.of(7L));
        when(responses.all(List.of(7L))).thenReturn(List.of(response()));
        when(messages.firstOf(List.of("i-1"), "to_finder")).thenReturn(List.of(3L, 5L));
        when(messages.find(3)).thenReturn(Optional.of(kept(3, "wenna@example.org")));
        when(messages.find(5)).thenReturn(Optional.of(kept(5, "orrin@example.org")));
        assertEquals(2, again.all(HERONS, receipts, "to_finder", "jory"));
        assertEquals(List.of("wenna@example.org", "orrin@example.org"), sent.stream().map(Mail::to).toList());
        when(messages.firstOf(anyList(), eq("to_office"))).thenReturn(List.of());
        assertTrue(assertThrows(Refused.class, () -> again.all(HERONS, receipts, "to_office", "jory")).getMessage().contains("None of"));
        when(responses.numbers(eq(1L), any())).thenReturn(List.of());
        assertEquals("Messages of at most 200 responses are sent again at a time; 201 are chosen.", assertThrows(Refused.class,
                () -> again.all(HERONS, Collections.nCopies(201, "A"), "to_finder", "jory")).getMessage());
    }
}
