package orthogon.formats.document;

import orthogon.core.proof.RandomDocument;
import orthogon.core.questionnaire.EveryType;
import orthogon.core.questionnaire.FollowUp;
import orthogon.core.questionnaire.FollowUpSeat;
import orthogon.core.questionnaire.MessageOccasion;
import orthogon.core.questionnaire.MessageOccasion.MessageMoment;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.formats.json.UnusableFile;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotNull;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.networknt.schema.InputFormat;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;

class DocumentFileTest {

    private static final String SMALL = """
            { "orthogon": 1, "code": "fen", "title": "Fen", "sourceLanguage": "en", "languages": ["en", "fr"],
              "pages": [ { "code": "p", "title": "P", "items": [
                { "question": "seen", "wording": "What did you see?", "answer": { "type": "manyChoices", "most": 2, "options": [
                  { "code": "heron", "label": "Heron", "score": 1.50 }, { "code": "none", "label": "None", "exclusive": true } ] } } ] } ],
              "outcomes": [ { "code": "sent", "label": "Sent" } ], "outcomeTable": [ { "outcome": "sent" } ],
              "translations": { "fr": { "p.title": { "text": "Le marais", "state": "reviewed", "of": "P" } } } }
            """;

    private static Schema schema() throws IOException {
        try (InputStream in = DocumentFileTest.class.getResourceAsStream("/orthogon/formats/document.schema.json")) {
            assertNotNull(in);
            return SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
                    .getSchema(new String(in.readAllBytes(), StandardCharsets.UTF_8));
        }
    }

    @Test
    void readWriteReadGivesTheSameDocumentAndTheSchemaAcceptsWhatIsWritten() throws Exception {
        Schema schema = schema();
        for (long seed = 1; seed <= 300; seed++) {
            Questionnaire document = RandomDocument.of(seed);
            String file = DocumentWriter.write(document);
            Questionnaire read = DocumentReader.read(file);
            assertEquals(document, read, "seed " + seed);
            assertEquals(file, DocumentWriter.write(read), "seed " + seed);
            assertEquals(List.of(), schema.validate(file, InputFormat.JSON), "seed " + seed);
        }
        Questionnaire small = DocumentReader.read(SMALL);
        assertEquals(small, DocumentReader.read(DocumentWriter.write(small)));
        assertEquals("Le marais", small.translations().get("fr").get("p.title").text());
    }

    @Test
    void everyAnswerTypeAndSettingSurvives() throws Exception {
        Questionnaire document = EveryType.document();
        String file = DocumentWriter.write(document);
        assertEquals(document, DocumentReader.read(file));
        assertEquals(List.of(), schema().validate(file, InputFormat.JSON));
    }

    @Test
    void settingsThatCannotBeAreNamedByTheirPointer() {
        assertEquals(List.of("/pages/0/items/0/answer/offered: \"XX\" is not the ISO code of a country"), faultsOf("""
                { "type": "country", "offered": ["FR", "XX"] }"""));
        assertEquals(List.of("/pages/0/items/0/answer/required: \"family\" is not among the parts"), faultsOf("""
                { "type": "personName", "parts": ["given"], "required": ["family"] }"""));
        assertEquals(List.of("/pages/0/items/0/answer/earliest: \"25:00\" is not a time of day: write it as 14:30"), faultsOf("""
                { "type": "time", "earliest": "25:00" }"""));
        assertEquals(List.of("/pages/0/items/0/answer: the member \"questionnaire\" is missing"), faultsOf("""
                { "type": "lookup" }"""));
        assertTrue(faultsOf("{ \"type\": \"shortText\", \"pattern\": \"(a\" }").getFirst().startsWith("/pages/0/items/0/answer/pattern: "));
        assertEquals(List.of("/pages: a questionnaire needs at least one page"),
                faults("{ \"orthogon\": 1, \"code\": \"fen\", \"title\": \"Fen\", \"pages\": [] }"));
        assertEquals(List.of("/pages/0/items/0/asMany: a roster with as many entries as an answer says has no other bounds worked out of "
                + "answers"), faults("""
                        { "orthogon": 1, "code": "a", "title": "A", "pages": [ { "code": "p", "items": [
                          { "roster": "r", "asMany": "1", "fewest": "1", "items": [] } ] } ] }"""));
        assertEquals(List.of("/pages/0/items/0: a roster cannot stand in a roster"), faults("""
                { "orthogon": 1, "code": "fen", "title": "Fen", "pages": [ { "code": "p", "items": [
                  { "roster": "r", "items": [ { "roster": "s", "items": [] } ] } ] } ] }""").stream()
                .map(f -> f.replace("/items/0/items/0", "/items/0")).toList());
    }

    private static List<String> faultsOfMessages(String messages) {
        return faults("{ \"orthogon\": 1, \"code\": \"fen\", \"title\": \"Fen\", \"pages\": [ { \"code\": \"p\", \"items\": [] } ],"
                + " \"outcomes\": [], \"outcomeTable\": [], \"messages\": [" + messages + "] }");
    }

    @Test
    void messagesThatCannotBeSentAreRefusedWhereTheyStand() {
        String message = "{ \"code\": \"m\", \"subject\": \"s\"%s }";
        assertEquals(List.of("/messages/0/addresses: “a@b\nBcc: c@d.example” is not an email address"),
                faultsOfMessages(message.formatted(", \"addresses\": [\"a@b\\nBcc: c@d.example\"]")));
        assertEquals(List.of("/messages/0/tells: one of these is needed here: [everything, these, nothing]"),
                faultsOfMessages(message.formatted(", \"tells\": \"some\"")));
        String address = "\"a@b.example\"";
        assertEquals(List.of("/messages/0/addresses: a message goes to at most 20 addresses of each kind"),
                faultsOfMessages(message.formatted(", \"addresses\": [" + String.join(",", Collections.nCopies(21, address)) + "]")));
        assertEquals(List.of("/messages/0/replyTo: “a@b c” is not an email address"),
                faultsOfMessages(message.formatted(", \"replyTo\": \"a@b c\"")));
        assertEquals(List.of("/messages/0/on: name the follow-up whose moment it is"),
                faultsOfMessages(message.formatted(", \"on\": \"overdue\"")));
        assertEquals(List.of("/messages/0/on: nobody is invited to a follow-up"),
                faultsOfMessages(message.formatted(", \"on\": \"invited\", \"followUp\": \"f\"")));
        assertEquals(List.of("/messages: a questionnaire takes at most 50 messages"),
                faultsOfMessages(String.join(",", Collections.nCopies(51, message.formatted("")))));
    }

    private static String withFollowUps(String followUps) {
        return "{ \"orthogon\": 1, \"code\": \"fen\", \"title\": \"Fen\", \"pages\": [ { \"code\": \"p\", \"items\": [] } ],"
                + " \"outcomes\": [], \"outcomeTable\": [], \"followUps\": [" + followUps + "] }";
    }

    @Test
    void followUpsAreWrittenAsTheyAreRead() throws Exception {
        String whole = withFollowUps(
                """
                        { "code": "ride", "title": "A ride", "questionnaire": "transport", "openWhen": "outcome = null", "wording": "Go on",
                          "carries": [ { "to": "kind", "value": "1", "locked": true }, { "to": "way", "value": "\\"x\\"" } ],
                          "brings": [ { "name": "safe", "of": "arrived", "kind": "yes or no" }, { "name": "word", "of": "outcome" } ],
                          "decidedBy": [ "role:reviewer" ], "decision": [ { "code": "fine", "label": "Fine" }, { "code": "back", "returns": true } ],
                          "dueAfterDays": 3, "expires": true, "againByHand": true },
                        { "code": "look", "questionnaire": "visit", "for": "people", "people": [ "ines" ] },
                        { "code": "mail", "questionnaire": "visit", "for": "address", "address": "q" } ],
                          "messages": [ { "code": "m", "subject": "s", "on": "reminder", "followUp": "look", "afterDays": 2 },
                        { "code": "n", "subject": "s", "on": "sent", "followUp": "ride" }""");
        assertEquals(new MessageOccasion(MessageMoment.REMINDER, "look", 2), DocumentReader.read(whole).messages().getFirst().occasion());
        assertEquals(new MessageOccasion(MessageMoment.SENT, "ride", 0), DocumentReader.read(whole).messages().getLast().occasion());
        Questionnaire read = DocumentReader.read(whole);
        assertEquals(read, DocumentReader.read(DocumentWriter.write(read)));
        FollowUp ride = read.followUp("ride").orElseThrow();
        assertEquals(List.of("decided", "expired", "withdrawn"), ride.ends());
        assertEquals(List.of("fine"), ride.decision().ends());
        assertEquals(new FollowUp.DueTime(3, true), ride.due());
        assertEquals(new FollowUp.Repeats("", true), ride.repeats());
        assertEquals(FollowUpSeat.Who.PEOPLE, read.followUp("look").orElseThrow().seat().who());
    }

    @Test
    void followUpsThatCannotBeOpenedAreRefusedWhereTheyStand() {
        String one = "{ \"code\": \"f\", \"questionnaire\": \"q\"%s }";
        assertEquals(List.of("/followUps/0/for: an address goes with \"address\" alone, and people with \"people\" alone"),
                faults(withFollowUps(one.formatted(", \"for\": \"people\""))));
        assertEquals(List.of("/followUps/0/decision: one choice at least must settle it, and not return it"),
                faults(withFollowUps(one.formatted(", \"decision\": [ { \"code\": \"b\", \"returns\": true } ]"))));
        assertEquals(List.of("/followUps/0/againByHand: what is opened for each entry is not opened again by hand"),
                faults(withFollowUps(one.formatted(", \"eachOf\": \"birds\", \"againByHand\": true"))));
        assertEquals(List.of("/followUps/0/dueAfterDays: a whole number from 0 to 3650 is needed here"),
                faults(withFollowUps(one.formatted(", \"dueAfterDays\": 3651"))));
        String carried = "{ \"to\": \"t\", \"value\": \"1\" }";
        assertEquals(List.of("/followUps/0/carries: a follow-up takes at most 100 here"), faults(withFollowUps(
                one.formatted(", \"carries\": [" + String.join(",", Collections.nCopies(101, carried)) + "]"))));
        assertEquals(List.of("/followUps: a questionnaire takes at most 20 follow-ups"),
                faults(withFollowUps(String.join(",", Collections.nCopies(21, one.formatted(""))))));
    }

    private static List<String> faultsOf(String answer) {
        return faults("{ \"orthogon\": 1, \"code\": \"fen\", \"title\": \"Fen\", \"pages\": [ { \"code\": \"p\", \"items\": [ "
                + "{ \"question\": \"q\", \"wording\": \"Q\", \"answer\": " + answer + " } ] } ] }");
    }

    private static List<String> faults(String file) {
        return assertThrows(UnusableFile.class, () -> DocumentReader.read(file)).faults().stream().map(Object::toString).toList();
    }

    @Test
    void everyFaultIsNamedByItsPointer() throws Exception {
        String broken = SMALL.replace("\"most\": 2", "\"most\": 2000, \"colour\": 1")
                .replace("\"code\": \"heron\"", "\"code\": \"Heron\"")
                .replace("\"label\": \"Sent\"", "\"lable\": \"Sent\"");
        assertEquals(Set.of(
                "/pages/0/items/0/answer/options/0/code: \"Heron\" is not a valid code: small letters, digits and _ only, a letter first, no "
                        + "reserved word",
                "/pages/0/items/0/answer/most: the most options go from 0 to 1000, not 2000",
                "/pages/0/items/0/answer/colour: this member is not known here; remove it, or check its spelling",
                "/outcomes/0: the member \"label\" is missing",
                "/outcomes/0/lable: this member is not known here; remove it, or check its spelling"), Set.copyOf(faults(broken)));
        assertTrue(!schema().validate(broken, InputFormat.JSON).isEmpty());
    }

    @Test
    void aLaterVersionAnUnknownTypeAndNonsenseAreRefusedWithAWord() {
        assertEquals(List.of("/orthogon: this file was written by a later Orthogon (format 2); this one reads format 1"),
                faults(SMALL.replace("\"orthogon\": 1", "\"orthogon\": 2")));
        assertEquals(List.of("/pages/0/items/0/answer/type: there is no answer type \"manyChoice\""),
                faults(SMALL.replace("manyChoices", "manyChoice")));
        assertTrue(faults("{ \"orthogon\": 1, ").getFirst().startsWith("the file: this is not JSON at line 1"));
        assertTrue(faults("[1]").getFirst().contains("one JSON object"));
        assertTrue(faults(SMALL.replace("\"title\": \"Fen\"", "\"title\": \"Fen\", \"title\": \"Two\"")).getFirst().contains("not JSON"));
    }

    @Test
    void damagedFilesGiveFaultsAndNothingElse() throws Exception {
        Random random = new Random(11);
        int refused = 0;
        for (int i = 0; i < 2000; i++) {
            StringBuilder file = new StringBuilder(SMALL);
            for (int n = 1 + random.nextInt(4); n > 0; n--) {
                int at = random.nextInt(file.length());
                switch (random.nextInt(3)) {
                    case 0 -> file.deleteCharAt(at);
                    case 1 -> file.insert(at, "{}[],:\"1a\u0000".charAt(random.nextInt(10)));
                    default -> file.setCharAt(at, (char) random.nextInt(0x2000));
                }
            }
            try {
                DocumentReader.read(file.toString());
            } catch (UnusableFile e) {
                refused++;
                assertTrue(!e.faults().isEmpty());
            }
        }
        assertTrue(refused > 1500, "most damage is noticed: " + refused);
    }
}
