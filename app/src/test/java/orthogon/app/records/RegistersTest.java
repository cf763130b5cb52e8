package orthogon.app.records;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.mockito.Mockito.mock;

import java.math.BigDecimal;
import java.time.Clock;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import javax.sql.DataSource;
import orthogon.app.answer.SoughtRecords;
import orthogon.app.answer.SoughtRecords.SearchEnd;
import orthogon.app.offering.Offering;
import orthogon.app.store.InterviewStore.Running;
import orthogon.app.store.ErasureStore;
import orthogon.app.store.RecordKeys;
import orthogon.app.store.RecordLinkStore;
import orthogon.app.store.RecordStore;
import orthogon.app.store.ReleaseStore.Release;
import orthogon.app.store.TestDatabase;
import orthogon.app.store.TrailKey;
import orthogon.app.work.CaseWork;
import orthogon.app.work.ForgetRecords;
import orthogon.core.answer.Option;
import orthogon.core.answer.choice.OneChoice;
import orthogon.core.answer.contact.ContactAnswer;
import orthogon.core.answer.lookup.LookupAnswer;
import orthogon.core.answer.lookup.RecordAnswer;
import orthogon.core.answer.number.NumberAnswer;
import orthogon.core.answer.parts.PartsAnswer;
import orthogon.core.answer.text.TextAnswer;
import orthogon.core.expression.Wiring;
import orthogon.core.interview.Interview;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Roster;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.Parameter;
import org.junit.jupiter.params.ParameterizedClass;
import org.junit.jupiter.params.provider.EnumSource;
import org.springframework.jdbc.core.simple.JdbcClient;

/** What is found among records, what of them leaves the server, and what is left of one that is erased, on either database. */
@ParameterizedClass
@EnumSource(TestDatabase.class)
class RegistersTest {

    private static final PartsAnswer NAME = PartsAnswer.name();
    private static final OneChoice AREA = new OneChoice(List.of(Option.of("harbour", "Harbour and town"), Option.of("fen", "The fen"),
            Option.of("hills", "Hills")), false);
    private static final NumberAnswer BOXES = new NumberAnswer(BigDecimal.ONE, new BigDecimal(8), 0, "boxes");
    private static final Questionnaire REGISTER = Questionnaire.blank("drivers", "Drivers").withPages(List.of(Page.empty("p", "P")
            .withItems(List.of(Question.of("name", "Name?", NAME).withRequireWhen("true"), Question.of("area", "Area?", AREA),
                    Question.of("boxes", "Boxes?", BOXES), Question.of("note", "Note?", new TextAnswer(false, null, 80)),
                    Question.of("mail", "Mail?", new ContactAnswer(ContactAnswer.Standard.EMAIL, ""))))));
    private static final LookupAnswer LOOKUP = new LookupAnswer("drivers", 1,
            List.of(new RecordAnswer("name", "Name", NAME), new RecordAnswer("area", "Area", AREA),
                    new RecordAnswer("boxes", "Boxes", BOXES)),
            "answered(record.name)", "", "name", false);

    @Parameter
    private TestDatabase vendor;
    private JdbcClient jdbc;
    private CaseWork cases;
    private Registers registers;
    private Release register;

    @BeforeEach
    void open() {
        DataSource database = vendor.migrated();
        jdbc = JdbcClient.create(database);
        cases = new CaseWork(database, Clock.systemUTC());
        registers = new Registers(new RecordStore(jdbc), cases.responses, new RecordKeys(new TrailKey("a key of the tests".getBytes())),
                mock(Offering.class));
        register = cases.released(REGISTER);
    }

    private static Questionnaire host(LookupAnswer lookup) {
        return Questionnaire.blank("rides", "Rides").withPages(List.of(Page.empty("p", "P").withItems(List.of(
                Question.of("where", "Where?", AREA), Question.of("driver", "Driver?", lookup),
                new Roster("others", "Others", "", "", 0, 3, List.of(Question.of("helper", "Helper?", lookup)))))));
    }

    private String sent(Release release, Map<String, Object> raw) {
        Interview interview = Interview.start(release.wiring("en"), LocalDate.now(), Map.of()).keep(raw);
        while (interview.course().current().isPresent()) {
            interview = ((Interview.LeaveResult.Passed) interview.leave(Map.of())).interview();
        }
        Running running = cases.interviews.begin(release, interview, OffsetDateTime.now());
        return cases.interviews.send(running.with(interview), OffsetDateTime.now());
    }

    private String driver(String given, String family, String area, int boxes, String note) {
        Map<String, Object> raw = new HashMap<>(Map.of("name", Map.of("given", given, "family", family), "area", area, "boxes",
                BigDecimal.valueOf(boxes)));
        raw.put("note", note);
        raw.put("mail", given.toLowerCase() + "@example.org");
        return sent(register, raw);
    }

    private Interview riding(LookupAnswer lookup, Map<String, Object> raw) {
        return Interview.start(Wiring.of(host(lookup)), LocalDate.now(), Map.of()).keep(raw);
    }

    private List<String> families(SoughtRecords sought) {
        return sought.found().stream().map(r -> (String) ((Map<?, ?>) r.get("name")).get("family")).toList();
    }

    @Test
    void recordsAreFoundByTheBeginningsOfTheirWords() {
        driver("Ida", "Rook", "fen", 2, "");
        driver("Orrin", "Marl", "fen", 3, "");
        driver("Pelham", "Orchard West", "harbour", 4, "");
        Interview interview = riding(LOOKUP, Map.of());
        assertEquals(List.of("Marl", "Orchard West"), families(registers.seek(interview, "driver", "OR")), "listed by name");
        assertEquals(List.of("Marl"), families(registers.seek(interview, "driver", "or fen")));
        assertEquals(List.of("Orchard West"), families(registers.seek(interview, "driver", "west")));
        assertEquals(List.of("Orchard West"), families(registers.seek(interview, "driver", "town")));
        assertEquals(SearchEnd.NONE, registers.seek(interview, "driver", "rchard").end());
        assertEquals(SearchEnd.NONE, registers.seek(interview, "driver", "o%").end());
        assertEquals(SearchEnd.NONE, registers.seek(interview, "driver", "o_").end());
        assertEquals(SearchEnd.SHORT, registers.seek(interview, "driver", " o ").end());
        assertEquals(SearchEnd.SHORT, registers.seek(interview, "where", "or").end(), "no lookup");
    }

    @Test
    void onlyWhatIsShownIsFoundAndTold() {
        driver("Ida", "Rook", "fen", 2, "Quiet roads only");
        Interview interview = riding(LOOKUP, Map.of());
        assertEquals(SearchEnd.NONE, registers.seek(interview, "driver", "quiet").end());
        assertEquals(SearchEnd.NONE, registers.seek(interview, "driver", "ida@example").end());
        Map<String, Object> found = registers.seek(interview, "driver", "rook").found().getFirst();
        assertEquals(Set.of("record", "name", "area", "boxes"), found.keySet());
        LookupAnswer less = LOOKUP.withShows(1, List.of(LOOKUP.shows().get(1)), "");
        assertEquals(SearchEnd.NONE, registers.seek(riding(less, Map.of()), "driver", "rook").end());
    }

    @Test
    void twentyAreToldAtOnce() {
        IntStream.range(0, SoughtRecords.MOST).forEach(n -> driver("Ida", "Rook " + n, "fen", 1, ""));
        Interview interview = riding(LOOKUP, Map.of());
        assertEquals(SearchEnd.FOUND, registers.seek(interview, "driver", "ida").end());
        driver("Ida", "Rook last", "fen", 1, "");
        SoughtRecords more = registers.seek(interview, "driver", "ida");
        assertEquals(SearchEnd.MORE, more.end());
        assertEquals(SoughtRecords.MOST, more.found().size());
    }

    @Test
    void theConditionOfTheLookupChoosesAmongAllThatAreFound() {
        for (int n = 0; n < 60; n++) {
            driver("Ida", "Rook " + n, n % 30 == 7 ? "hills" : "fen", 1, "");
        }
        LookupAnswer near = new LookupAnswer("drivers", 1, LOOKUP.shows(), LOOKUP.everyRecord(), "record.area = where", "", false);
        assertEquals(Set.of("Rook 7", "Rook 37"),
                Set.copyOf(families(registers.seek(riding(near, Map.of("where", "hills")), "driver", "ida"))));
        assertEquals(SearchEnd.NONE, registers.seek(riding(near, Map.of("where", "harbour")), "driver", "ida").end());
    }

    @Test
    void aRecordThatIsNotWhatTheLookupExpectsIsNotOnOffer() {
        driver("Ida", "Rook", "fen", 2, "");
        driver("Ida", "Marl", "hills", 2, "");
        OneChoice withoutHills = new OneChoice(AREA.options().subList(0, 2), false);
        LookupAnswer older = LOOKUP.withShows(1, List.of(LOOKUP.shows().getFirst(), new RecordAnswer("area", "Area", withoutHills)), "");
        assertEquals(List.of("Rook"), families(registers.seek(riding(older, Map.of()), "driver", "ida")));
        LookupAnswer many = new LookupAnswer("drivers", 1, LOOKUP.shows(), "record.boxes >= 3", "", "", false);
        assertEquals(SearchEnd.NONE, registers.seek(riding(many, Map.of()), "driver", "ida").end());
    }

    @Test
    void aKeyTellsNothingAndIsGoodForOneInterview() {
        String receipt = driver("Ida", "Rook", "fen", 2, "");
        RecordsOfInterview here = registers.of("here");
        String key = here.key(Map.of("record", receipt));
        assertTrue(!key.contains(receipt) && !key.contains(receipt.replace("-", "")), key);
        assertEquals(receipt, here.at(LOOKUP, key).orElseThrow().get("record"));
        assertEquals(Optional.empty(), registers.of("there").at(LOOKUP, key));
        assertEquals(Optional.empty(), here.at(LOOKUP, receipt));
        assertEquals(Optional.empty(), here.at(LOOKUP, key.substring(1) + "A"));
        assertEquals(Optional.empty(), here.at(LOOKUP, "x".repeat(10_000)));
        // A receipt of another questionnaire is no record of this one.
        String other = sent(cases.released(Questionnaire.blank("other", "Other")), Map.of());
        assertEquals(Optional.empty(), here.at(LOOKUP, here.key(Map.of("record", other))));
    }

    @Test
    void ofAnErasedRecordOnlyItsReceiptIsLeft() {
        String gone = driver("Ida", "Rook", "fen", 2, "");
        String stays = driver("Orrin", "Marl", "fen", 3, "");
        Map<String, Object> ida = registers.find(LOOKUP, gone).orElseThrow();
        Map<String, Object> orrin = registers.find(LOOKUP, stays).orElseThrow();
        Release rides = cases.released(host(LOOKUP));
        String ride = sent(rides, Map.of("driver", ida, "others", List.of("1", "2"), "others.1.helper", orrin, "others.2.helper", ida));
        Interview unsent = Interview.start(rides.wiring("en"), LocalDate.now(), Map.of()).keep(Map.of("driver", ida));
        Running running = cases.interviews.begin(rides, unsent, OffsetDateTime.now());
        cases.interviews.keepDraft(running, "p", Map.of("driver", ida));

        new ForgetRecords(new RecordLinkStore(jdbc), cases.responses, new ErasureStore(jdbc)).forget(List.of(gone));

        Map<String, Object> left = cases.responses.find(rides.questionnaireId(), ride).orElseThrow().answers();
        assertEquals(Map.of("record", gone), left.get("driver"));
        assertEquals(List.of(Map.of("helper", orrin), Map.of("helper", Map.of("record", gone))),
                new ArrayList<>((List<?>) left.get("others")));
        Running now = cases.interviews.find(running.id()).orElseThrow();
        assertEquals(Map.of("record", gone), now.interview().raw().get("driver"));
        assertEquals(Optional.of(Map.of("record", gone)),
                cases.interviews.draft(running.id(), "p", rides.document()).map(d -> d.get("driver")));
        // What is left is no answer any more, so that another record is chosen before it is sent.
        assertEquals(null, now.interview().course().effective().get("driver"));
        assertEquals(0, jdbc.sql("select count(*) from answer_value where text = 'Rook' and name <> 'name.family'")
                .query(Integer.class).single());
        assertEquals(1, jdbc.sql("select count(*) from response_words where words like '%marl%' and words not like"
                + " '%rook%' and questionnaire_id = " + rides.questionnaireId()).query(Integer.class).single());
    }
}
