package orthogon.app.responses;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.concurrent.Callable;
import javax.sql.DataSource;
import orthogon.app.questions.OrdinaryAnswers;
import orthogon.app.store.DraftStore;
import orthogon.app.store.DraftStore.Draft;
import orthogon.app.store.FigureStore;
import orthogon.app.store.InterviewStore;
import orthogon.app.store.InterviewStore.Running;
import orthogon.app.store.KnownReleases;
import orthogon.app.store.ReleaseStore;
import orthogon.app.store.ReleaseStore.Release;
import orthogon.app.store.ResponseStore;
import orthogon.app.store.ResponseStore.Order;
import orthogon.app.store.ResponseStore.Wanted;
import orthogon.app.store.Schema;
import orthogon.app.store.TestDatabase;
import orthogon.core.interview.Interview;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.responses.AnswerFigures;
import orthogon.core.responses.ResponseDocument;
import orthogon.core.responses.ResponseFact;
import orthogon.core.responses.ResponseFilter;
import orthogon.core.responses.ResponseState;
import orthogon.formats.document.DocumentReader;
import orthogon.formats.progress.ProgressListener;
import orthogon.formats.responses.ExportForm;
import orthogon.formats.responses.ResponseLine;
import orthogon.formats.responses.ResponseTables;
import orthogon.formats.responses.ResponsesCsv;
import orthogon.formats.responses.ResponsesXlsx;
import org.springframework.core.io.ClassPathResource;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.datasource.DataSourceTransactionManager;
import org.springframework.jdbc.datasource.SingleConnectionDataSource;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * How long it takes to read many responses to the intake: in milliseconds, the median of several runs, and as a ratio to a twentieth of
 * them, in one run. {@code bin/bench-responses [N] [h2|postgresql] [FOLDER]}; with a folder, the responses on H2 are kept there for the
 * next run.
 */
final class ResponsesBenchmark {

    /** Interviews that are really answered; the others are copies of theirs under other receipts and at other times. */
    private static final int ANSWERED = 1_000;
    private static final int RUNS = 5;
    private static final OrdinaryAnswers ORDINARY = new OrdinaryAnswers(Map.of("where_found", List.of("Mill lane, by the weir",
            "Alder wood car park", "Quillmere harbour wall"), "map_reference", List.of("QM4417", "QM2208")), Map.of("alive", 90));

    private final JdbcClient jdbc;
    private final TransactionTemplate together;
    private final ResponseStore responses;
    private final InterviewStore interviews;
    private final FigureStore figures;
    private final Release release;
    private final Questionnaire document;
    private final ResponseDocument over;
    /** Whether the responses are there from an earlier run. */
    private final boolean isKept;

    private ResponsesBenchmark(DataSource database) throws Exception {
        Schema.migrate(database);
        jdbc = JdbcClient.create(database);
        together = new TransactionTemplate(new DataSourceTransactionManager(database));
        ReleaseStore releases = new ReleaseStore(jdbc);
        KnownReleases known = new KnownReleases(releases);
        responses = new ResponseStore(jdbc, known);
        interviews = new InterviewStore(jdbc, known, responses);
        figures = new FigureStore(jdbc);
        document = DocumentReader.read(new ClassPathResource("demo/found_animal.orthogon.json").getContentAsByteArray());
        Optional<Draft> kept = new DraftStore(jdbc).all().stream().findFirst();
        isKept = kept.isPresent();
        release = isKept
                ? known.of(kept.get().id()).getFirst()
                : releases.create(new DraftStore(jdbc).create(document, "ines", "began"),
                        new ReleaseStore.Made("{}", "", "ines", document.languages(), List.of(), "", OffsetDateTime.now()));
        over = ResponseDocument.of(document, Map.of("en", "English"), ResponseState.labels(""), Map.of("ines", "Ines"));
    }

    private void answer(int count, Random random) {
        together.executeWithoutResult(status -> {
            for (int sent = 0; sent < count;) {
                OffsetDateTime at = OffsetDateTime.now().minusMinutes(random.nextInt(1_000_000));
                Interview interview = Interview.start(release.wiring(), at.toLocalDate(), Map.of());
                Running running = interviews.begin(release, interview, at);
                int kept = 0;
                for (int tries = 0; tries < 200 && interview.course().current().isPresent(); tries++) {
                    Optional<Interview> next = ORDINARY.leave(interview, random);
                    interview = next.orElse(interview);
                    interviews.keep(new Running(running.id(), release, interview, at, Optional.empty(), 0, kept++), interview,
                            Optional.of(document.pages().getFirst().code()), at);
                }
                if (interview.course().complete()) {
                    interviews.send(running.with(interview), at);
                    sent++;
                }
            }
        });
    }

    /** Copies every response that was answered, once more for each number. */
    private void copy(int from, int to) {
        long last = jdbc.sql("select max(number) from response where receipt not like '%-%-%-%'").query(Long.class).single();
        for (int n = from; n < to; n++) {
            String own = "-" + n;
            together.executeWithoutResult(status -> {
                for (String sql : List.of("""
                        insert into interview (id, release_id, today, link, raw, started, passed, began_at, updated_at, language, page)
                        select concat(i.id, :own), i.release_id, i.today, i.link, i.raw, i.started, i.passed, i.began_at, i.updated_at,
                            i.language, i.page from interview i join response p on p.interview_id = i.id where p.number <= :last
                        """, """
                        insert into response (receipt, interview_id, release_id, questionnaire_id, language, outcome, state, in_charge,
                            sent_at, digest, route, indexed)
                        select concat(p.receipt, :own), concat(p.interview_id, :own), p.release_id, p.questionnaire_id, p.language,
                            p.outcome, p.state, p.in_charge, p.sent_at, p.digest, p.route, true from response p where p.number <= :last
                        """, """
                        insert into answer (receipt, question, given) select concat(a.receipt, :own), a.question, a.given
                        from response p join answer a on a.receipt = p.receipt where p.number <= :last
                        """, """
                        insert into answer_value (questionnaire_id, name, kind, text, number, response)
                        select v.questionnaire_id, v.name, v.kind, v.text, v.number, c.number from response p
                            join response c on c.receipt = concat(p.receipt, :own) join answer_value v on v.response = p.number
                        where p.number <= :last
                        """, """
                        insert into response_words (response, questionnaire_id, words)
                        select c.number, w.questionnaire_id, w.words from response p
                            join response c on c.receipt = concat(p.receipt, :own) join response_words w on w.response = p.number
                        where p.number <= :last
                        """, """
                        insert into response_tally (response, questionnaire_id, line)
                        select c.number, t.questionnaire_id, t.line from response p
                            join response c on c.receipt = concat(p.receipt, :own) join response_tally t on t.response = p.number
                        where p.number <= :last
                        """)) {
                    jdbc.sql(sql).param("own", own).param("last", last).update();
                }
            });
        }
    }

    private Wanted wanted(String filter, String search) throws Exception {
        ResponseFilter read = ResponseFilter.read(over, filter, LocalDate.now());
        return new Wanted(release.questionnaireId(), over, read.selection(), search, true);
    }

    private Object page(Wanted wanted, Order order) {
        if (wanted.isAll()) {
            return List.of(responses.page(wanted, order, 0, 100), responses.count(wanted));
        }
        List<Long> found = responses.numbers(wanted, order);
        return List.of(responses.all(found.subList(0, Math.min(100, found.size()))), found.size());
    }

    private Object figures(Wanted wanted) {
        return AnswerFigures.of(document, List.of(figures.of(wanted).answers()));
    }

    private Iterable<ResponseLine> lines(List<Long> numbers) {
        return () -> responses.each(numbers).map(r -> new ResponseLine(r.receipt(), r.release(), r.sentAt(), r.outcome(), r.language(),
                r.state(), r.inCharge(), r.answers())).iterator();
    }

    private Object csv() throws IOException {
        List<Long> all = responses.numbers(release.questionnaireId());
        ResponsesCsv.write(ResponseTables.of(document, ExportForm.ONE_TABLE), lines(all), all.size(), false,
                OutputStream.nullOutputStream(),
                ProgressListener.NONE);
        return all;
    }

    private Object xlsx() throws IOException {
        List<Long> all = responses.numbers(release.questionnaireId());
        ResponsesXlsx.write(document, ResponseTables.of(document, new ExportForm(false, false, true)), lines(all), all.size(),
                OutputStream.nullOutputStream(), ProgressListener.NONE);
        return all;
    }

    private Map<String, Callable<Object>> readings() throws Exception {
        String birds = "group = \"bird\" and list contains(seen, \"blood\") and state = \"new\"";
        Map<String, Callable<Object>> readings = new LinkedHashMap<>();
        readings.put("table opens", () -> page(wanted("", ""), Order.NEWEST));
        readings.put("search of two words", () -> page(wanted("", "weir bird"), Order.NEWEST));
        readings.put("filter of three conditions", () -> page(wanted(birds, ""), Order.NEWEST));
        readings.put("filter by a number and a day", () -> page(wanted("count > 5 and sent >= today() - duration(\"P30D\")", ""),
                Order.NEWEST));
        readings.put("sorted by an answer", () -> page(wanted("", ""), new Order(Optional.empty(), "count", true)));
        readings.put("sorted by state", () -> page(wanted("", ""), new Order(Optional.of(ResponseFact.STATE), "", true)));
        readings.put("filter, sorted by an answer", () -> page(wanted("group = \"bird\"", ""), new Order(Optional.empty(), "count", true)));
        readings.put("figures of all questions", () -> figures(wanted("", "")));
        readings.put("figures of a filter", () -> figures(wanted("group = \"bird\"", "")));
        return readings;
    }

    /** A row of every table changes, so that the database does not give what it gave before. */
    private void touch(int run) {
        String who = "run " + run;
        jdbc.sql("update response set in_charge = :who where number = (select min(number) from response)").param("who", who).update();
        jdbc.sql("update answer_value set text = :who where response = (select min(number) from response) and name = 'where_found'")
                .param("who", who).update();
        jdbc.sql("update response_words set words = :who where response = (select min(number) from response)").param("who", who).update();
    }

    private long median(Callable<Object> reading) throws Exception {
        long[] took = new long[RUNS];
        reading.call();
        for (int i = 0; i < RUNS; i++) {
            touch(i);
            long began = System.nanoTime();
            reading.call();
            took[i] = System.nanoTime() - began;
        }
        Arrays.sort(took);
        return took[RUNS / 2] / 1_000_000;
    }

    private static long once(Callable<Object> reading) throws Exception {
        long began = System.nanoTime();
        reading.call();
        return (System.nanoTime() - began) / 1_000_000;
    }

    /** Makes the responses, and says how long everything takes while there are a twentieth of them. */
    private Map<String, Long> make(int count) throws Exception {
        long began = System.nanoTime();
        answer(ANSWERED, new Random(7));
        copy(1, count / 20 / ANSWERED);
        Map<String, Long> few = new LinkedHashMap<>();
        for (Map.Entry<String, Callable<Object>> each : readings().entrySet()) {
            few.put(each.getKey(), median(each.getValue()));
        }
        copy(Math.max(1, count / 20 / ANSWERED), count / ANSWERED);
        System.out.printf("%d responses, made in %d s%n", count, (System.nanoTime() - began) / 1_000_000_000);
        return few;
    }

    public static void main(String[] args) throws Exception {
        int count = args.length > 0 ? Integer.parseInt(args[0]) : 100_000;
        TestDatabase vendor = args.length > 1 ? TestDatabase.valueOf(args[1].toUpperCase()) : TestDatabase.H2;
        Path folder = args.length > 2 ? Path.of(args[2]).toAbsolutePath() : Files.createTempDirectory("orthogon-responses");
        String address = vendor == TestDatabase.H2
                ? "jdbc:h2:file:" + folder.resolve("orthogon") + ";WRITE_DELAY=500;MAX_MEMORY_ROWS=300000"
                : vendor.address();
        try (SingleConnectionDataSource database = new SingleConnectionDataSource(address, vendor.user(), "", true)) {
            ResponsesBenchmark benchmark = new ResponsesBenchmark(database);
            Map<String, Long> few = benchmark.isKept ? Map.of() : benchmark.make(count);
            if (vendor == TestDatabase.POSTGRESQL) {
                benchmark.jdbc.sql("analyze").update();
            }
            for (Map.Entry<String, Callable<Object>> each : benchmark.readings().entrySet()) {
                long all = benchmark.median(each.getValue());
                String ratio = few.isEmpty()
                        ? ""
                        : ", %.1f times as long as of %d".formatted((double) all / Math.max(1, few.get(each.getKey())), count / 20);
                System.out.printf("%-30s %6d ms%s%n", each.getKey(), all, ratio);
            }
            List<String> files = new ArrayList<>();
            files.add("CSV of all " + once(benchmark::csv) + " ms");
            files.add("XLSX of all " + once(benchmark::xlsx) + " ms");
            System.out.println(String.join(", ", files) + ", heap of at most " + Runtime.getRuntime().maxMemory() / 1_048_576 + " MB");
        }
    }
}
