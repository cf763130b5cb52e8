package orthogon.core.interview;

import orthogon.core.answer.file.Attachment;
import orthogon.core.answer.number.NumberAnswer;
import orthogon.core.expression.Wiring;
import orthogon.core.proof.Proof;
import orthogon.core.proof.claim.Claim;
import orthogon.core.proof.claim.Replay;
import orthogon.core.proof.claim.Verdict;
import orthogon.core.questionnaire.Derived;
import orthogon.core.questionnaire.EveryType;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Questionnaire.LinkParameter;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertInstanceOf;
import static org.junit.jupiter.api.Assertions.assertNotNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** Each answer type takes what fits, holds the page for what does not, and nothing downstream meets a value of the wrong kind. */
class EveryTypeTest {

    private static final LocalDate TODAY = LocalDate.of(2026, 11, 23);
    private final Questionnaire document = EveryType.document();
    private final Wiring wiring = Wiring.of(document);

    private static final Map<String, Object> FIRST = Map.of("agreed", true, "plain", "two words", "plate", "QM1234", "owner",
            Map.of("family", "Rowan"), "home", Map.of("line_1", "3 Mill Lane", "town", "Quillmere"), "mail", "wren@example.org");

    private static final Map<String, Object> SECOND = Map.ofEntries(Map.entry("weight", new BigDecimal("1.5")),
            Map.entry("ease", BigDecimal.ONE), Map.entry("hour", LocalTime.of(13, 0)), Map.entry("alive", true),
            Map.entry("bird", "other"), Map.entry("bird.other", "A crane"), Map.entry("seen", List.of("owl", "heron")),
            Map.entry("signs", Map.of("wing", "hurt", "leg", "fine")), Map.entry("order", List.of("c", "a")),
            Map.entry("photos", List.of(new Attachment("k", "wing.jpg", 1000, "image/jpeg"))), Map.entry("land", "PL"),
            Map.entry("story", "A heron stood there."));

    private Interview at(String page, Map<String, Object> more) {
        Map<String, Object> answers = new HashMap<>(FIRST);
        answers.putAll(SECOND);
        answers.put("from_station", "north");
        answers.putAll(more);
        return Replay.of(wiring, TODAY, answers, page);
    }

    private List<Problem> problems(String page, String question, Object value) {
        Map<String, Object> one = new HashMap<>();
        one.put(question, value);
        return at(page, one).course().current().orElseThrow().problems();
    }

    @Test
    void whatFitsPassesAndIsSent() {
        Interview interview = at("", Map.of("animals",
                List.of(Map.of("species", "heron", "bleeding", true), Map.of("species", "heron")), "last", "No more."));
        assertTrue(interview.course().complete(), interview.course().current().toString());
        Map<String, Object> sent = interview.submission();
        assertEquals("A crane", sent.get("bird.other"));
        assertEquals(List.of("heron", "owl"), sent.get("seen"));
        assertEquals(List.of("c", "a"), sent.get("order"));
        assertEquals("north", sent.get("from_station"));
        assertEquals(List.of(Map.of("species", "heron", "bleeding", true), Map.of("species", "heron")), sent.get("animals"));
        assertEquals("No more.", sent.get("last"));
        assertTrue(interview.course().asked().contains("thanks"));
        Map<String, Object> kept = interview.sent();
        assertEquals(sent.get("seen"), kept.get("seen"));
        assertEquals("north", kept.get("from_station"), "what came with the link");
        List<?> animals = (List<?>) kept.get("animals");
        assertEquals(new BigDecimal("1.5"), ((Map<?, ?>) animals.getFirst()).get("urgency"), "derived in an entry");
        kept.forEach((code, value) -> assertNotNull(value, code));
    }

    @Test
    void derivedValuesAndTheLinkAreKeptWithWhatWasSent() {
        Questionnaire counts = Questionnaire.blank("counts", "Counts").withLinkParameters(List.of(new LinkParameter("ward", List.of())))
                .withPages(List.of(Page.empty("p", "P").withItems(List.of(
                        Question.of("young", "Young?", new NumberAnswer(null, null, 0, "")),
                        Question.of("old", "Old?", new NumberAnswer(null, null, 0, "")),
                        new Derived("all_counted", "young + old"), new Derived("many", "all_counted > 5")))));
        Interview begun = Interview.start(Wiring.of(counts), LocalDate.of(2026, 11, 23), Map.of("ward", "east"));
        Map<String, Object> sent = begun.leave(Map.of("young", new BigDecimal(4), "old", new BigDecimal(3))).interview().sent();
        assertEquals(Map.of("ward", "east", "young", new BigDecimal(4), "old", new BigDecimal(3), "all_counted", new BigDecimal(7), "many",
                true), sent);
        assertEquals(Map.of("ward", "east"), begun.leave(Map.of()).interview().sent(), "what is blank is not kept");
    }

    @Test
    void whatDoesNotFitHoldsThePage() {
        Map<String, Object> bad = new HashMap<>();
        bad.put("plain", "no 1");
        bad.put("plate", "QM12345");
        bad.put("owner", Map.of("given", "Wren"));
        bad.put("mail", new Unreadable("wren"));
        bad.forEach((code, value) -> assertEquals(code, problems("first", code, value).getFirst().slot()));
        bad.clear();
        bad.put("weight", new BigDecimal("90.1"));
        bad.put("ease", new BigDecimal(8));
        bad.put("again", new BigDecimal("2.5"));
        bad.put("day", TODAY.plusDays(1));
        bad.put("hour", LocalTime.of(7, 59));
        bad.put("seen", List.of("heron", "owl", "other"));
        bad.put("order", List.of("a"));
        bad.put("photos", List.of(new Attachment("k", "notes.pdf", 1000, "application/pdf")));
        bad.forEach((code, value) -> assertEquals(code,
                problems("second", code, value).stream().findFirst().map(Problem::slot).orElse("none")));
    }

    @Test
    void anAgreementThatIsNotGivenIsBlankAndSaysSo() {
        Interview interview = at("first", Map.of("agreed", false));
        Problem problem = interview.course().current().orElseThrow().problems().getFirst();
        assertEquals("agreed", problem.slot());
        assertEquals(Problem.ProblemKind.REQUIRED, problem.kind());
    }

    @Test
    void aValueOfTheWrongKindCountsAsBlank() {
        Interview interview = at("second", Map.of("order", "a", "signs", "wing", "hour", "noon", "photos", List.of("x"), "land", "XX"));
        Map<String, Object> counts = interview.course().effective();
        List.of("order", "signs", "hour", "photos", "land").forEach(code -> assertTrue(!counts.containsKey(code), code));
    }

    @Test
    void entriesAreAddedRemovedAndNeverFewerThanTheLeast() {
        Interview interview = at("third", Map.of());
        assertEquals(List.of("1"), interview.course().pages().getLast().at("animals").orElseThrow().value());
        Interview.LeaveResult more = interview.leave(Map.of("animals", List.of("1", "2"), "animals.1.species", "heron"));
        assertInstanceOf(Interview.LeaveResult.Appeared.class, more);
        Interview two = more.interview().keep(Map.of("animals.2.species", "owl"));
        assertEquals(2, ((List<?>) two.course().effective().get("animals")).size());
        Interview one = two.keep(Map.of("animals", List.of("2")));
        assertEquals(List.of(Map.of("species", "owl")), one.course().effective().get("animals"));
        assertEquals(List.of("1"), one.keep(Map.of("animals", List.of())).course().pages().getLast().at("animals").orElseThrow().value());
        Interview.LeaveResult many = two.leave(Map.of("animals", List.of("1", "2", "3", "4", "5")));
        assertTrue(many.interview().course().current().orElseThrow().problems().stream().anyMatch(p -> p.slot().equals("animals")));
    }

    @Test
    void textsChangeWithTheirCondition() {
        Course.ShownItem bird = at("second", Map.of()).course().pages().getLast().at("bird").orElseThrow();
        assertEquals("Which bird is it?", bird.wording());
        assertEquals(List.of("Heron", "An owl", "Another"), bird.offered().stream().map(o -> o.label()).toList());
    }

    @Test
    void theProofSpeaksOfEveryType() {
        Proof proof = Proof.of(document, TODAY);
        // Only a person can say whether what a lookup shows may be read.
        assertEquals(List.of("lookup-discloses driver"), proof.claims().stream()
                .filter(c -> c.blocking() && c.verdict() != Verdict.PROVED).map(Claim::id).toList());
        Interview last = Replay.of(wiring, TODAY, proof.claim("reach-question", "last").orElseThrow().finding().witness().orElseThrow(),
                "third");
        assertTrue(last.course().asked().contains("last"));
    }
}
