package orthogon.app.work;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.Clock;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javax.sql.DataSource;
import orthogon.app.store.InterviewStore.Running;
import orthogon.app.store.RecordLinkStore;
import orthogon.app.store.ReleaseStore.Release;
import orthogon.app.store.TestDatabase;
import orthogon.core.answer.lookup.LookupAnswer;
import orthogon.core.answer.lookup.RecordAnswer;
import orthogon.core.answer.parts.PartsAnswer;
import orthogon.core.interview.Interview;
import orthogon.core.questionnaire.DispatchMessage;
import orthogon.core.questionnaire.MessageContents.ToldAnswers;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.Parameter;
import org.junit.jupiter.params.ParameterizedClass;
import org.junit.jupiter.params.provider.EnumSource;
import org.springframework.jdbc.core.simple.JdbcClient;

/** A record that is added out of an interview is chosen there once it is sent, on either database. */
@ParameterizedClass
@EnumSource(TestDatabase.class)
class AddRecordTest {

    private static final Questionnaire REGISTER = Questionnaire.blank("drivers", "Drivers").withPages(List.of(Page.empty("p", "P")
            .withItems(List.of(Question.of("name", "Name?", PartsAnswer.name()).withRequireWhen("true"))))).withMessages(List.of(
                    new DispatchMessage("listed", "", "", List.of("desk@quillmere.example"), List.of(), "Listed", "Seen.",
                            ToldAnswers.NOTHING, List.of())));
    private static final Questionnaire RIDES = Questionnaire.blank("rides", "Rides").withPages(List.of(Page.empty("p", "P").withItems(
            List.of(Question.of("driver", "Driver?", new LookupAnswer("drivers", 1,
                    List.of(new RecordAnswer("name", "Name", PartsAnswer.name())), "", "", "", true)).withRequireWhen("true")))));

    @Parameter
    private TestDatabase vendor;
    private CaseWork cases;
    private AddRecord adding;
    private Release register;
    private Running ride;

    @BeforeEach
    void open() {
        DataSource database = vendor.migrated();
        cases = new CaseWork(database, Clock.systemUTC());
        adding = new AddRecord(cases.interviews, new RecordLinkStore(JdbcClient.create(database)));
        register = cases.released(REGISTER);
        Release rides = cases.released(RIDES);
        ride = cases.interviews.begin(rides, Interview.start(rides.wiring("en"), LocalDate.now(), Map.of()), OffsetDateTime.now());
    }

    private Running found(String id) {
        return cases.interviews.find(id).orElseThrow();
    }

    private Running begun(String given, String family) {
        return found(adding.begin(ride, "driver", Map.of("name", Map.of("given", given, "family", family)), register,
                OffsetDateTime.now()));
    }

    private String sent(Running added) {
        Interview complete = ((Interview.LeaveResult.Passed) added.interview().leave(Map.of())).interview();
        return cases.sending.send(added.with(complete), OffsetDateTime.now());
    }

    @Test
    void onceItIsSentItIsChosen() {
        Running added = begun("Ida", "Rook");
        AddRecord.WantedRecord wanted = adding.wantedBy(added.id()).orElseThrow();
        assertEquals(ride.id(), wanted.host().id());
        assertEquals("driver", wanted.slot());
        String receipt = sent(added);
        Running now = found(ride.id());
        assertEquals(Map.of("record", receipt, "name", Map.of("given", "Ida", "family", "Rook")), now.interview().raw().get("driver"));
        assertTrue(now.interview().leave(Map.of()) instanceof Interview.LeaveResult.Passed);
    }

    @Test
    void whatIsSentAlreadyStaysAsItIs() {
        Running added = begun("Ida", "Rook");
        Running other = begun("Orrin", "Marl");
        sent(other);
        Running chosen = found(ride.id());
        Interview complete = ((Interview.LeaveResult.Passed) chosen.interview().leave(Map.of())).interview();
        cases.sending.send(chosen.with(complete), OffsetDateTime.now());
        sent(added);
        assertEquals("Orrin", ((Map<?, ?>) ((Map<?, ?>) found(ride.id()).interview().raw().get("driver")).get("name")).get("given"));
        assertEquals(Optional.empty(), adding.wantedBy(added.id()));
    }

    @Test
    void whatCannotBeSentIsNotChosen() {
        Running added = begun("Ida", "Rook");
        cases.isBroken = true;
        assertThrows(IllegalStateException.class, () -> sent(added));
        assertEquals(Map.of(), found(ride.id()).interview().raw());
        assertEquals(Optional.empty(), found(added.id()).receipt());
    }
}
