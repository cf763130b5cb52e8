package orthogon.app.sending;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import orthogon.app.account.People;
import orthogon.app.outbox.Outbox.Mail;
import orthogon.app.outbox.Outbox.Mail.MailAttachment;
import orthogon.app.store.InterviewStore.Running;
import orthogon.app.store.ReleaseStore.Release;
import orthogon.core.answer.contact.ContactAnswer;
import orthogon.core.answer.text.TextAnswer;
import orthogon.core.answer.yesno.YesNoAnswer;
import orthogon.core.expression.Wiring;
import orthogon.core.language.Texts;
import orthogon.core.proof.claim.Replay;
import orthogon.core.questionnaire.DispatchMessage;
import orthogon.core.questionnaire.DispatchPassage;
import orthogon.core.questionnaire.DispatchPassage.PassageWording;
import orthogon.core.questionnaire.MessageContents;
import orthogon.core.questionnaire.MessageContents.ToldAnswers;
import orthogon.core.questionnaire.MessageRecipients;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Questionnaire.Translation;
import org.junit.jupiter.api.Test;

class SendMessagesTest {

    private static final DispatchMessage OFFICE = new DispatchMessage("to_office", "", "nest", List.of("office@example.org"), List.of(),
            "Herons at {place}", "Seen.", ToldAnswers.EVERYTHING, List.of())
            .withTo(new MessageRecipients(List.of("office@example.org"), List.of(), List.of("role:reviewer", "jory"), "mail"))
            .withContents(new MessageContents(ToldAnswers.EVERYTHING, List.of(), true, true, true));
    private static final DispatchMessage WATCHER = new DispatchMessage("to_watcher", "", "answered(mail)", List.of(), List.of("mail"),
            "Thank you", "{next}\n\nYours, *the station*", ToldAnswers.NOTHING, List.of());
    private static final Questionnaire HERONS = translated(Questionnaire.blank("herons", "Herons").withLanguages(List.of("en", "ar", "pl"))
            .withPages(List.of(Page.empty("bank", "Bank").withItems(List.of(Question.of("nest", "A nest?", new YesNoAnswer()),
                    Question.of("place", "Where?", new TextAnswer(false, null, null)),
                    Question.of("mail", "Your address", new ContactAnswer(ContactAnswer.Standard.EMAIL, ""))))))
            .withMessages(
                    List.of(OFFICE, WATCHER))
            .withPassages(List.of(new DispatchPassage("next", List.of(new PassageWording("nest", "Keep away from {place}."),
                    new PassageWording("", "Look again."))))));

    private static Questionnaire translated(Questionnaire document) {
        Map<String, Map<String, Translation>> all = new HashMap<>();
        Map.of("ar", "بالعربية ", "pl", "po polsku ").forEach((language, words) -> {
            Map<String, Translation> units = new HashMap<>();
            Texts.all(document).forEach((unit, text) -> units.put(unit, new Translation(words + text, "reviewed", text)));
            all.put(language, units);
        });
        return document.withTranslations(all);
    }

    private final List<Mail> sent = new ArrayList<>();
    private final People people = mock(People.class);

    private void send(String language, Map<String, Object> answers) {
        sent.clear();
        when(people.addresses(List.of("role:reviewer", "jory"), "herons")).thenReturn(List.of("mirja@example.org", "office@example.org"));
        Release release = new Release(1, 1, 1, 1, Wiring.of(HERONS), "", "ines", OffsetDateTime.now(), "t", HERONS.languages(), List.of(),
                "", new ConcurrentHashMap<>());
        Running running = new Running("i-1", release, Replay.of(Wiring.of(HERONS), LocalDate.of(2026, 11, 30), answers, "")
                .with(release.wiring(language)), OffsetDateTime.now(), Optional.empty(), 100, 1);
        new SendMessages(sent::add, people).of(running);
    }

    private List<String> heads() {
        return sent.stream().map(m -> m.to() + " | " + m.subject() + " | " + m.language()).toList();
    }

    @Test
    void eachIsWrittenToInTheirLanguageWhereTheConditionHolds() {
        Map<String, Object> nest = Map.of("nest", true, "place", "the weir", "mail", "wenna@example.org");
        send("pl", nest);
        assertEquals(List.of("office@example.org | Herons at the weir | en", "mirja@example.org | Herons at the weir | en",
                "wenna@example.org | po polsku Thank you | pl"), heads());
        assertEquals("po polsku po polsku Keep away from the weir.\n\nYours, the station", sent.getLast().text());
        assertTrue(sent.getLast().html().contains("<em>the station</em>") && sent.getLast().html().contains("lang=\"pl\" dir=\"ltr\""),
                sent.getLast().html());
        assertEquals(Set.of(MailAttachment.RESPONSE, MailAttachment.FILES), sent.getFirst().attached());
        assertEquals("wenna@example.org", sent.getFirst().replyTo());
        assertTrue(sent.getFirst().text().contains("Where?\nthe weir"), sent.getFirst().text());

        send("ar", Map.of("nest", false, "mail", "wenna@example.org"));
        assertEquals(List.of("wenna@example.org | بالعربية Thank you | ar"), heads());
        assertTrue(sent.getFirst().html().contains("dir=\"rtl\""));
        assertTrue(sent.getFirst().text().contains("Look again."), sent.getFirst().text());

        send("en", Map.of("nest", true));
        assertEquals(List.of("office@example.org | Herons at | en", "mirja@example.org | Herons at | en"), heads());
        assertEquals("", sent.getFirst().replyTo(), "nobody gave an address");
        send("en", Map.of());
        assertEquals(List.of(), heads());
    }

    @Test
    void nothingThatARespondentGaveIsMarkupOrAHeader() {
        String hostile = "<img src=x onerror=alert(1)>\r\nBcc: all@example.org **bold** [x](javascript:alert(1)) {nest}";
        send("en", Map.of("nest", true, "place", hostile, "mail", "wenna@example.org\r\nBcc: all@example.org"));
        assertEquals(2, sent.size(), "an address with a line break is none");
        for (Mail mail : sent) {
            assertFalse(mail.subject().contains("\n") || mail.subject().contains("\r"), mail.subject());
            assertFalse(mail.html().contains("<img") || mail.html().contains("<strong>") || mail.html().contains("href"), mail.html());
            assertEquals("", mail.replyTo());
        }
    }
}
