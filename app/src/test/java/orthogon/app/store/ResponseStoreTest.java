package orthogon.app.store;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.OffsetDateTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import orthogon.app.store.DraftStore.Draft;
import orthogon.app.store.ReleaseStore.Made;
import orthogon.app.store.ReleaseStore.Release;
import orthogon.app.store.ResponseStore.Order;
import orthogon.app.store.ResponseStore.Response;
import orthogon.app.store.ResponseStore.Wanted;
import orthogon.core.interview.Interview;
import orthogon.core.interview.Problem.ProblemKind;
import orthogon.core.proof.RandomDocument;
import orthogon.core.questionnaire.EveryType;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Refused;
import orthogon.core.responses.AnswerFigures;
import orthogon.core.responses.KeptValue;
import orthogon.core.responses.RandomResponses;
import orthogon.core.responses.ResponseDocument;
import orthogon.core.responses.ResponseFact;
import orthogon.core.responses.ResponseFilter;
import orthogon.core.responses.Selection;
import orthogon.core.responses.TakenRoute;
import orthogon.formats.stored.StoredAnswers;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.Parameter;
import org.junit.jupiter.params.ParameterizedClass;
import org.junit.jupiter.params.provider.EnumSource;
import org.springframework.jdbc.core.simple.JdbcClient;

/** What the database finds is what the conditions say, on either database. */
@ParameterizedClass
@EnumSource(TestDatabase.class)
class ResponseStoreTest {

    private static final int DOCUMENTS = 12;
    private static final int RESPONSES = 25;
    private static final int CONDITIONS = 40;

    @Parameter
    private TestDatabase vendor;
    private JdbcClient jdbc;
    private DraftStore drafts;
    private ReleaseStore releases;
    private InterviewStore interviews;
    private ResponseStore responses;

    @BeforeEach
    void open() {
        jdbc = JdbcClient.create(vendor.migrated());
        drafts = new DraftStore(jdbc);
        releases = new ReleaseStore(jdbc);
        KnownReleases known = new KnownReleases(releases);
        responses = new ResponseStore(jdbc, known);
        interviews = new InterviewStore(jdbc, known, responses);
    }

    /** A questionnaire with three releases, so that their numbers differ. */
    private List<Release> released(Questionnaire document) {
        Draft draft = drafts.create(document, "ines", "began");
        List<Release> made = new ArrayList<>();
        for (int n = 0; n < 3; n++) {
            made.add(releases.create(draft, new Made("{}", "", "ines", List.of("en"), List.of(), "", OffsetDateTime.now())));
        }
        return made;
    }

    private String put(List<Release> released, Map<String, Object> answers, Map<ResponseFact, Object> facts) {
        int number = ((BigDecimal) facts.get(ResponseFact.RELEASE)).intValue();
        Release release = released.get(number - 1);
        String interview = interviews
                .begin(release, Interview.start(release.wiring(), RandomResponses.TODAY, Map.of()), OffsetDateTime.now())
                .id();
        String receipt = (String) facts.get(ResponseFact.RECEIPT);
        OffsetDateTime at = ((LocalDate) facts.get(ResponseFact.SENT)).atTime(LocalTime.of(answers.size() % 24, 0))
                .atZone(ZoneId.systemDefault()).toOffsetDateTime();
        jdbc.sql("""
                insert into response (receipt, interview_id, release_id, questionnaire_id, language, outcome, state, in_charge, sent_at)
                values (:receipt, :interview, :release, :questionnaire, :language, :outcome, :state, :charge, :at)
                """).param("receipt", receipt).param("interview", interview).param("release", release.id())
                .param("questionnaire", release.questionnaireId()).param("language", facts.get(ResponseFact.LANGUAGE))
                .param("outcome", facts.getOrDefault(ResponseFact.OUTCOME, "")).param("state", facts.get(ResponseFact.STATE))
                .param("charge", facts.getOrDefault(ResponseFact.IN_CHARGE, "")).param("at", at).update();
        answers.forEach((code, value) -> jdbc.sql("insert into answer (receipt, question, given) values (:receipt, :code, :given)")
                .param("receipt", receipt).param("code", code).param("given", StoredAnswers.write(Map.of(code, value))).update());
        return receipt;
    }

    /** As an older database is brought to the newest form. */
    private void indexed(List<Release> released) {
        for (List<Response> some = responses.unindexed(10); !some.isEmpty(); some = responses.unindexed(10)) {
            some.forEach(r -> responses.index(r.number(), released.get(r.release() - 1), r.receipt(), r.answers(),
                    new TakenRoute(List.of("a", "b"), r.outcome())));
        }
    }

    private static Wanted wanted(Release release, ResponseDocument over, Selection selection, String search) {
        return new Wanted(release.questionnaireId(), over, selection, search, true);
    }

    /** Where a filter is exact, the database finds what it lets through; otherwise that and perhaps more. */
    @Test
    void theDatabaseFindsWhatTheConditionsSay() throws Refused {
        int exact = 0;
        for (int seed = 0; seed < DOCUMENTS; seed++) {
            Questionnaire document = (seed == 0 ? EveryType.document() : RandomDocument.of(9000 + seed)).withCode("doc_" + seed);
            List<Release> released = released(document);
            RandomResponses random = new RandomResponses(document, new Random(seed));
            Map<String, Map<String, Object>> values = new LinkedHashMap<>();
            for (int i = 0; i < RESPONSES; i++) {
                Map<String, Object> answers = random.answers(document);
                Map<ResponseFact, Object> facts = random.facts(document);
                facts.put(ResponseFact.RECEIPT, facts.get(ResponseFact.RECEIPT) + "-" + seed + "-" + i);
                values.put(put(released, answers, facts), random.named(answers, facts));
            }
            indexed(released);
            for (int n = 0; n < CONDITIONS; n++) {
                String text = random.condition();
                ResponseFilter filter = ResponseFilter.read(random.over(), text, RandomResponses.TODAY);
                Set<String> through = new TreeSet<>();
                values.forEach((receipt, named) -> {
                    if (filter.lets(named, RandomResponses.TODAY)) {
                        through.add(receipt);
                    }
                });
                Wanted wanted = wanted(released.getFirst(), random.over(), filter.selection(), "");
                Set<String> found = new TreeSet<>(responses.receipts(responses.numbers(wanted, Order.NEWEST)));
                assertEquals(found.size(), responses.count(wanted), text);
                exact += filter.isExact() ? 1 : 0;
                if (filter.isExact()) {
                    assertEquals(through, found, () -> text + " " + filter.selection());
                } else {
                    assertTrue(found.containsAll(through), () -> text + " " + filter.selection());
                }
            }
        }
        assertTrue(exact > DOCUMENTS * CONDITIONS / 3, exact + " are exact");
    }

    @Test
    void answersComeBackAsTheyWereSentAndAreFoundByTheirWords() {
        Questionnaire document = EveryType.document();
        List<Release> released = released(document);
        RandomResponses random = new RandomResponses(document, new Random(3));
        Map<String, Object> answers = random.answers(document);
        answers.put("story", "Under the OLD viaduct, 100 % wet_\\ ß");
        Map<ResponseFact, Object> facts = random.facts(document);
        String receipt = put(released, answers, facts);
        put(released, Map.of("story", "Elsewhere"), random.facts(document));
        indexed(released);
        Response read = responses.find(released.getFirst().questionnaireId(), receipt).orElseThrow();
        assertEquals(answers, read.answers());
        for (String words : List.of("viaduct", "old VIADUCT", "100 %", "wet_\\", "ß", receipt.substring(0, 7))) {
            assertEquals(List.of(receipt), found(released, random, words), words);
        }
        assertEquals(List.of(), found(released, random, "viaduct elsewhere"), "all words must stand in one response");
        assertEquals(List.of(), found(released, random, "w_t"));
        assertEquals(2, found(released, random, " ").size());
    }

    private List<String> found(List<Release> released, RandomResponses random, String words) {
        Wanted wanted = wanted(released.getFirst(), random.over(), new Selection.EveryResponse(), words);
        return responses.page(wanted, Order.NEWEST, 0, 10).stream().map(Response::receipt).toList();
    }

    @Test
    void rowsStandInTheOrderThatIsWantedAndInPages() {
        Questionnaire document = EveryType.document();
        List<Release> released = released(document);
        RandomResponses random = new RandomResponses(document, new Random(5));
        List<String> receipts = new ArrayList<>();
        for (int i : new int[]{7, 3, -1, 12}) {
            Map<ResponseFact, Object> facts = random.facts(document);
            receipts.add(put(released, i < 0 ? Map.of() : Map.of("share", BigDecimal.valueOf(i)), facts));
        }
        indexed(released);
        Wanted all = wanted(released.getFirst(), random.over(), new Selection.EveryResponse(), "");
        Order up = new Order(Optional.empty(), "share", false);
        Order down = new Order(Optional.empty(), "share", true);
        assertEquals(List.of(receipts.get(1), receipts.get(0), receipts.get(3), receipts.get(2)),
                responses.page(all, up, 0, 9).stream().map(Response::receipt).toList(), "blank ones stand last");
        assertEquals(List.of(receipts.get(0), receipts.get(1)),
                responses.page(all, down, 1, 2).stream().map(Response::receipt).toList());
        assertEquals(responses.page(all, down, 0, 9).stream().map(Response::number).toList(), responses.numbers(all, down));
        List<String> byReceipt = responses.page(all, new Order(Optional.of(ResponseFact.RECEIPT), "", false), 0, 9).stream()
                .map(Response::receipt).toList();
        assertEquals(byReceipt.stream().sorted(Comparator.naturalOrder()).toList(), byReceipt);
    }

    @Test
    void statesPeopleAndNotesAreKeptAndGoWithTheResponse() {
        Questionnaire document = EveryType.document();
        List<Release> released = released(document);
        RandomResponses random = new RandomResponses(document, new Random(8));
        String receipt = put(released, random.answers(document), random.facts(document));
        String other = put(released, random.answers(document), random.facts(document));
        indexed(released);
        long questionnaire = released.getFirst().questionnaireId();
        assertEquals(1, responses.setState(questionnaire, List.of(receipt, "nobody"), "in_work"));
        assertEquals(0, responses.setState(questionnaire + 1, List.of(receipt), "done"), "of another questionnaire");
        assertEquals(1, responses.putInCharge(questionnaire, List.of(receipt), "jory"));
        Response read = responses.find(questionnaire, receipt).orElseThrow();
        assertEquals(List.of("in_work", "jory"), List.of(read.state(), read.inCharge()));
        ResponseNoteStore notes = new ResponseNoteStore(jdbc);
        notes.add(read.number(), "ines", "Rang back.", OffsetDateTime.now());
        assertEquals(List.of("Rang back."), notes.of(read.number()).stream().map(ResponseNoteStore.ResponseNote::text).toList());
        mailed(read.interviewId());
        mailed(responses.find(questionnaire, other).orElseThrow().interviewId());
        new ErasureStore(jdbc).erase(List.of(read.interviewId()), List.of());
        assertEquals(1, jdbc.sql("select count(*) from message").query(Integer.class).single(), "the other's message stays");
        assertEquals(Optional.empty(), responses.find(questionnaire, receipt));
        for (String table : List.of("answer_value", "response_words", "response_open_words", "response_tally", "response_note")) {
            assertEquals(0, jdbc.sql("select count(*) from " + table + " where response = :n").param("n", read.number())
                    .query(Integer.class).single(), table);
        }
        assertEquals(Optional.empty(), interviews.find(read.interviewId()));
        assertTrue(responses.find(questionnaire, other).isPresent());
    }

    private void mailed(String interview) {
        jdbc.sql("insert into message (sent_to, subject, text, sent_at, message_id, due_at, interview_id)"
                + " values ('wenna@example.org', 'Otter', 'An answer', :at, :interview, :at, :interview)")
                .param("at", OffsetDateTime.now()).param("interview", interview).update();
    }

    @Test
    void viewsWithANameAreEverybodysAndTheOthersOnesOwn() {
        long questionnaire = released(EveryType.document()).getFirst().questionnaireId();
        ResponseViewStore views = new ResponseViewStore(jdbc);
        views.keep(questionnaire, "", "ines", "{1}");
        views.keep(questionnaire, "", "jory", "{2}");
        views.keep(questionnaire, "Morning", "ines", "{3}");
        views.keep(questionnaire, "", "ines", "{4}");
        views.keep(questionnaire, "Morning", "jory", "{5}");
        assertEquals(Optional.of("{4}"), views.own(questionnaire, "ines"));
        assertEquals(Optional.of("{2}"), views.own(questionnaire, "jory"));
        assertEquals(List.of("Morning jory {5}"),
                views.named(questionnaire).stream().map(v -> v.name() + " " + v.author() + " " + v.settings()).toList());
        views.remove(questionnaire, "Morning", "jory");
        assertEquals(List.of(), views.named(questionnaire));
    }

    /** Figures are counts of what was kept, of all responses and of those that a filter lets through. */
    @Test
    void figuresCountWhatWasAnswered() throws Refused {
        FigureStore figures = new FigureStore(jdbc);
        Questionnaire document = RandomDocument.of(9100);
        List<Release> released = released(document);
        RandomResponses random = new RandomResponses(document, new Random(21));
        Map<Map<String, Object>, Map<String, Object>> values = new LinkedHashMap<>();
        for (int i = 0; i < RESPONSES; i++) {
            Map<String, Object> answers = random.answers(document);
            Map<ResponseFact, Object> facts = random.facts(document);
            facts.put(ResponseFact.RECEIPT, "R-" + i);
            put(released, answers, facts);
            values.put(random.named(answers, facts), answers);
        }
        indexed(released);
        List<String> names = AnswerFigures.counted(document);
        for (String text : List.of("", "state = \"new\"", "release > 1 and not(in_charge = \"ines\")")) {
            ResponseFilter filter = ResponseFilter.read(random.over(), text, RandomResponses.TODAY);
            Wanted wanted = wanted(released.getFirst(), random.over(), filter.selection(), "");
            Map<String, Integer> answered = new TreeMap<>();
            Map<String, Integer> counted = new TreeMap<>();
            values.forEach((named, answers) -> {
                if (filter.lets(named, RandomResponses.TODAY)) {
                    KeptValue.of(document, answers).forEach(v -> {
                        if (v.kind() != KeptValue.ValueKind.TEXT || names.contains(v.code())) {
                            counted.merge(v.code() + " " + v.kind() + " " + v.text() + " " + plain(v.number()), 1, Integer::sum);
                        }
                        if (v.kind() != KeptValue.ValueKind.ELEMENT) {
                            answered.merge(v.code(), 1, Integer::sum);
                        }
                    });
                }
            });
            FigureStore.ReadFigures read = figures.of(wanted);
            assertEquals(answered, new TreeMap<>(read.answers().answered()), text);
            Map<String, Integer> found = new TreeMap<>();
            read.answers().values().values().forEach(all -> all.forEach(
                    v -> found.put(v.code() + " " + v.kind() + " " + v.text() + " " + plain(v.number()), v.count())));
            assertEquals(counted, found, text);
            assertEquals(responses.count(wanted), read.routes().responses(), text);
            assertEquals(responses.count(wanted), read.responses(), text);
            assertEquals(responses.count(wanted), read.days().values().stream().mapToInt(Integer::intValue).sum(), text);
        }
    }

    private static String plain(BigDecimal number) {
        return number == null ? "" : number.stripTrailingZeros().toPlainString();
    }

    @Test
    void howFarPeopleComeIsCountedOnceForEach() {
        FigureStore figures = new FigureStore(jdbc);
        Questionnaire document = EveryType.document();
        List<Release> released = released(document);
        Release release = released.getFirst();
        OffsetDateTime at = OffsetDateTime.now().minusHours(2);
        String first = document.pages().getFirst().code();
        InterviewStore.Running running = interviews.begin(release, Interview.start(release.wiring(), RandomResponses.TODAY, Map.of()), at);
        interviews.begin(release, running.interview(), at);
        interviews.keep(running, running.interview(), Optional.of(first), at.plusSeconds(40));
        InterviewStore.Running again = interviews.find(running.id()).orElseThrow();
        interviews.keep(again, again.interview(), Optional.of(first), at.plusSeconds(90));
        assertEquals(new FigureStore.ComeSoFar(2, Map.of(first, 1), Map.of(first, 2)),
                figures.soFar(FigureStore.BegunInterviews.all(release.questionnaireId())));
        assertEquals(Map.of(first, List.of(40L)), figures.stays(release.questionnaireId(), 10), "the first time alone");
    }

    @Test
    void howFarPeopleComeIsCountedByLanguageAndLink() {
        Questionnaire document = EveryType.document().withLinkParameters(
                List.of(new Questionnaire.LinkParameter("station", List.of("north", "south_%"))));
        Release release = released(document).getFirst();
        for (String station : List.of("north", "south_%", "south_%")) {
            interviews.begin(release, Interview.start(release.wiring(), RandomResponses.TODAY, Map.of("station", station)),
                    OffsetDateTime.now());
        }
        FigureStore figures = new FigureStore(jdbc);
        long id = release.questionnaireId();
        assertEquals(3, figures.soFar(new FigureStore.BegunInterviews(id, "en", Map.of())).begun());
        assertEquals(0, figures.soFar(new FigureStore.BegunInterviews(id, "fr", Map.of())).begun());
        assertEquals(1, figures.soFar(new FigureStore.BegunInterviews(id, "", Map.of("station", "north"))).begun());
        FigureStore.ComeSoFar south = figures.soFar(new FigureStore.BegunInterviews(id, "en", Map.of("station", "south_%")));
        assertEquals(List.of(2, 2, 0), List.of(south.begun(), south.there().get(document.pages().getFirst().code()), south.sent()));
        assertEquals(0, figures.soFar(new FigureStore.BegunInterviews(id, "", Map.of("station", "south_x"))).begun());
    }

    @Test
    void refusalsAreCountedByQuestionAndReason() {
        RefusalStore refusals = new RefusalStore(jdbc);
        List<Release> released = released(EveryType.document());
        refusals.count(released.get(0).id(), "share", ProblemKind.LIMIT);
        refusals.count(released.get(1).id(), "share", ProblemKind.LIMIT);
        refusals.count(released.get(0).id(), "story", ProblemKind.REQUIRED);
        assertEquals(List.of(new RefusalStore.CountedRefusal("share", ProblemKind.LIMIT, 2),
                new RefusalStore.CountedRefusal("story", ProblemKind.REQUIRED, 1)), refusals.of(released.getFirst().questionnaireId()));
    }

    @Test
    void whatIsKeptHowLongIsDecidedForEachQuestionnaire() {
        RetentionStore retention = new RetentionStore(jdbc);
        long questionnaire = released(EveryType.document()).getFirst().questionnaireId();
        assertEquals(Optional.empty(), retention.of(questionnaire));
        retention.keep(new RetentionStore.Retention(questionnaire, 30, true, 7));
        retention.keep(new RetentionStore.Retention(questionnaire, 90, false, 0));
        assertEquals(List.of(new RetentionStore.Retention(questionnaire, 90, false, 0)), retention.all());
        assertEquals(List.of(), retention.sentBefore(questionnaire, OffsetDateTime.now(), true, 5));
        assertEquals(List.of(), retention.leftBefore(questionnaire, OffsetDateTime.now(), 5));
    }

    @Test
    void whoIsInChargeIsToldHowMuchWaits() {
        List<Release> released = released(EveryType.document());
        RandomResponses random = new RandomResponses(EveryType.document(), new Random(31));
        for (String state : List.of("new", "in_work", "done")) {
            Map<ResponseFact, Object> facts = random.facts(EveryType.document());
            facts.put(ResponseFact.STATE, state);
            facts.put(ResponseFact.IN_CHARGE, "jory");
            put(released, Map.of(), facts);
        }
        assertEquals(Map.of(released.getFirst().questionnaireId(), 2), responses.inCharge("jory"));
        assertEquals(Map.of(), responses.inCharge("ines"));
    }
}
