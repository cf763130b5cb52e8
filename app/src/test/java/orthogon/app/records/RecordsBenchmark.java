package orthogon.app.records;

import static org.mockito.Mockito.mock;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Random;
import javax.sql.DataSource;
import orthogon.app.offering.Offering;
import orthogon.app.store.DraftStore;
import orthogon.app.store.InterviewStore;
import orthogon.app.store.InterviewStore.Running;
import orthogon.app.store.KnownReleases;
import orthogon.app.store.RecordKeys;
import orthogon.app.store.RecordStore;
import orthogon.app.store.ReleaseStore;
import orthogon.app.store.ReleaseStore.Release;
import orthogon.app.store.ResponseStore;
import orthogon.app.store.TestDatabase;
import orthogon.app.store.TrailKey;
import orthogon.core.answer.Option;
import orthogon.core.answer.choice.OneChoice;
import orthogon.core.answer.lookup.LookupAnswer;
import orthogon.core.answer.lookup.RecordAnswer;
import orthogon.core.answer.number.NumberAnswer;
import orthogon.core.answer.parts.PartsAnswer;
import orthogon.core.expression.Wiring;
import orthogon.core.interview.Interview;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.datasource.DataSourceTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * How long suggestions among many records take: in milliseconds, the median and nine in ten of many searches, and as a ratio to a
 * twentieth of the records, in one run. {@code bin/bench-records [N] [h2|postgresql]}.
 */
final class RecordsBenchmark {

    private static final int SEARCHES = 60;
    private static final int WARM = 20;
    private static final int AT_ONCE = 1_000;
    private static final List<String> SYLLABLES = List.of("wen", "or", "ma", "pel", "i", "to", "sor", "an", "tre", "sal", "has", "ro",
            "fen",
            "mar", "al", "bro", "gle", "ell", "ham", "kin", "ley", "wyn", "da", "rin");
    private static final OneChoice AREA = new OneChoice(List.of(Option.of("harbour", "Harbour and town"), Option.of("fen", "The fen"),
            Option.of("hills", "Hills and woods")), false);
    private static final NumberAnswer BOXES = new NumberAnswer(BigDecimal.ONE, new BigDecimal(8), 0, "boxes");
    private static final Questionnaire REGISTER = Questionnaire.blank("drivers", "Drivers").withPages(List.of(Page.empty("p", "P")
            .withItems(List.of(Question.of("name", "Name?", PartsAnswer.name()), Question.of("area", "Area?", AREA),
                    Question.of("boxes", "Boxes?", BOXES)))));

    private final Random random = new Random(5);
    private final TransactionTemplate together;
    private final InterviewStore interviews;
    private final Registers registers;
    private final Release release;

    private RecordsBenchmark(DataSource database) {
        JdbcClient jdbc = JdbcClient.create(database);
        together = new TransactionTemplate(new DataSourceTransactionManager(database));
        ReleaseStore releases = new ReleaseStore(jdbc);
        KnownReleases known = new KnownReleases(releases);
        ResponseStore responses = new ResponseStore(jdbc, known);
        interviews = new InterviewStore(jdbc, known, responses);
        registers = new Registers(new RecordStore(jdbc), responses, new RecordKeys(new TrailKey("bench".getBytes())), mock(Offering.class));
        release = releases.create(new DraftStore(jdbc).create(REGISTER, "ines", "began"),
                new ReleaseStore.Made("{}", "", "ines", List.of("en"), List.of(), "", OffsetDateTime.now()));
    }

    private String word() {
        StringBuilder word = new StringBuilder();
        for (int n = 0; n < 2 + random.nextInt(2); n++) {
            word.append(SYLLABLES.get(random.nextInt(SYLLABLES.size())));
        }
        return Character.toUpperCase(word.charAt(0)) + word.substring(1);
    }

    private void fill(int count) {
        for (int from = 0; from < count; from += AT_ONCE) {
            int some = Math.min(AT_ONCE, count - from);
            together.executeWithoutResult(status -> {
                for (int n = 0; n < some; n++) {
                    Interview interview = Interview.start(release.wiring("en"), LocalDate.now(), Map.of()).keep(Map.of("name",
                            Map.of("given", word(), "family", word()), "area", AREA.options().get(random.nextInt(3)).code(), "boxes",
                            BigDecimal.valueOf(1 + random.nextInt(8))));
                    interview = ((Interview.LeaveResult.Passed) interview.leave(Map.of())).interview();
                    Running running = interviews.begin(release, interview, OffsetDateTime.now());
                    interviews.send(running.with(interview), OffsetDateTime.now());
                }
            });
        }
    }

    /** Milliseconds of each search, sorted. */
    private double[] search(String order, String offerWhen) {
        LookupAnswer lookup = new LookupAnswer("drivers", 1, List.of(new RecordAnswer("name", "Name", PartsAnswer.name()),
                new RecordAnswer("area", "Area", AREA), new RecordAnswer("boxes", "Boxes", BOXES)), "", offerWhen, order, false);
        Questionnaire rides = Questionnaire.blank("rides", "Rides").withPages(List.of(Page.empty("p", "P").withItems(List.of(
                Question.of("where", "Where?", AREA), Question.of("driver", "Driver?", lookup)))));
        Interview interview = Interview.start(Wiring.of(rides), LocalDate.now(), Map.of()).keep(Map.of("where", "fen"));
        List<Double> times = new ArrayList<>();
        for (int n = 0; n < WARM + SEARCHES; n++) {
            String typed = word().substring(0, 2) + (n % 3 == 0 ? " " + word().substring(0, 2) : "");
            long begun = System.nanoTime();
            registers.seek(interview, "driver", typed);
            if (n >= WARM) {
                times.add((System.nanoTime() - begun) / 1e6);
            }
        }
        return times.stream().mapToDouble(t -> t).sorted().toArray();
    }

    private void tell(String what, double[] few, double[] many) {
        System.out.printf("%-34s median %6.1f ms, nine in ten %6.1f ms, %.1f times as long as among a twentieth%n", what,
                many[many.length / 2], many[many.length * 9 / 10], many[many.length / 2] / few[few.length / 2]);
    }

    public static void main(String[] arguments) {
        int count = arguments.length > 0 ? Integer.parseInt(arguments[0]) : 50_000;
        boolean postgresql = Arrays.asList(arguments).contains("postgresql");
        RecordsBenchmark benchmark = new RecordsBenchmark((postgresql ? TestDatabase.POSTGRESQL : TestDatabase.H2).migrated());
        benchmark.fill(count / 20);
        double[][] few = {benchmark.search("", ""), benchmark.search("name", ""), benchmark.search("", "record.area = where")};
        benchmark.fill(count - count / 20);
        System.out.println(count + " records on " + (postgresql ? "PostgreSQL" : "H2"));
        benchmark.tell("the newest first", few[0], benchmark.search("", ""));
        benchmark.tell("listed by name", few[1], benchmark.search("name", ""));
        benchmark.tell("with a condition", few[2], benchmark.search("", "record.area = where"));
        System.exit(0);
    }
}
