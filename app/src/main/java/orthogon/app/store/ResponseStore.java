package orthogon.app.store;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import java.util.stream.Gatherers;
import orthogon.app.store.ReleaseStore.Release;
import orthogon.core.interview.Slots;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.answer.Domain;
import orthogon.core.responses.ChosenRecords;
import orthogon.core.responses.ResponseDocument;
import orthogon.core.responses.ResponseFact;
import orthogon.core.responses.ResponseState;
import orthogon.core.responses.SearchWords;
import orthogon.core.responses.Selection;
import orthogon.core.responses.TakenRoute;
import orthogon.formats.stored.StoredAnswers;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Responses, as those who work on them find, read and mark them. */
@Component
public class ResponseStore {

    private static final String RESPONSES = """
            select p.number, p.receipt, p.interview_id, p.outcome, p.sent_at, p.language, p.state, p.in_charge, p.stripped,
                r.number as release_number, r.id as release_id
            from response p join release r on r.id = p.release_id
            """;
    private static final String NUMBERS = "select p.number from response p where p.questionnaire_id = :questionnaire";
    private static final String PART = " offset :from rows fetch next :most rows only";
    private static final String COUNT = "select count(*) from response p where p.questionnaire_id = :questionnaire";
    private static final String IN_CHARGE = """
            select questionnaire_id, count(*) as n from response where in_charge = :account and state <> :done group by questionnaire_id
            """;
    private static final String UNINDEXED = """
            where p.number in (select number from response where not indexed order by number fetch first %d rows only)
            """;
    private static final String ROUTE = """
            merge into answer_route using (select cast(:release as bigint) as release_id, cast(:digest as varchar(64)) as digest) as given
            on answer_route.release_id = given.release_id and answer_route.digest = given.digest
            when not matched then insert (release_id, digest, outcome, asked) values (:release, :digest, :outcome, :asked)
            """;
    private static final String UNSENT = """
            select i.id, i.release_id, i.raw, i.draft from interview i
            where not exists (select 1 from response p where p.interview_id = i.id) and (i.raw like :inside or i.draft like :inside)
            """;
    /** Receipts in one question to the database. */
    private static final int AT_ONCE = 100;

    /**
     * A response that was sent.
     *
     * @param number that the database gives it, for its own use
     * @param outcome code; empty for none
     * @param language tag of the language in which it was answered
     * @param state code of the state
     * @param inCharge account of the person in charge; empty for nobody
     * @param stripped whether its personal answers were erased
     * @param answers question, derived value, link parameter or roster to value, in the order of the questionnaire
     */
    public record Response(long number, String receipt, String interviewId, long releaseId, int release, String outcome,
            OffsetDateTime sentAt, String language, String state, String inCharge, boolean stripped, Map<String, Object> answers) {}

    /** By what responses are sorted: a fact, or else the answer of this name. */
    public record Order(Optional<ResponseFact> fact, String answer, boolean down) {

        /** The newest first. */
        public static final Order NEWEST = new Order(Optional.of(ResponseFact.SENT), "", true);
    }

    /**
     * Which responses are wanted.
     *
     * @param search words that must all stand in the answers; may be empty
     * @param personal whether personal answers are searched too
     */
    public record Wanted(long questionnaire, ResponseDocument over, Selection selection, String search, boolean personal) {

        private static final int MOST_WORDS = 8;

        /** Those of these numbers alone. */
        public Wanted only(List<Long> numbers) {
            return new Wanted(questionnaire, over, new Selection.Numbered(numbers), "", personal);
        }

        /** Whether every response to the questionnaire is wanted. */
        public boolean isAll() {
            return selection instanceof Selection.EveryResponse && words().isEmpty();
        }

        List<String> words() {
            return Arrays.stream(SearchWords.small(search).strip().split("\\s+")).filter(w -> !w.isEmpty()).limit(MOST_WORDS).toList();
        }
    }

    private final JdbcClient jdbc;
    private final AnswerIndexStore index;
    private final KnownReleases releases;

    public ResponseStore(JdbcClient jdbc, KnownReleases releases) {
        this.jdbc = jdbc;
        this.index = new AnswerIndexStore(jdbc);
        this.releases = releases;
    }

    /**
     * Keeps what a response is found by, within the transaction that makes it.
     *
     * @param answers as they were sent
     */
    @Transactional
    public void index(long number, Release release, String receipt, Map<String, Object> answers, TakenRoute route) {
        index.add(number, release.questionnaireId(), release.document(), receipt, answers);
        route(number, release, route);
    }

    /** Keeps anew what a response from before is found by. */
    @Transactional
    public void indexAgain(Response response, TakenRoute route) {
        Release release = releases.get(response.releaseId());
        index.again(response.number(), release.questionnaireId(), release.document(), response.receipt(), response.answers());
        route(response.number(), release, route);
    }

    private void route(long number, Release release, TakenRoute route) {
        String asked = String.join(" ", route.asked());
        String digest = Digests.ofRoute(asked, route.outcome());
        jdbc.sql(ROUTE).param("release", release.id()).param("digest", digest).param("outcome", route.outcome()).param("asked", asked)
                .update();
        jdbc.sql("update response set indexed = true, route = :route where number = :number").param("route", digest)
                .param("number", number).update();
    }

    /**
     * Responses that an older Orthogon kept and that are not found yet.
     *
     * @param most how many at once
     */
    public List<Response> unindexed(int most) {
        return read(jdbc.sql(RESPONSES + UNINDEXED.formatted(most)).query(SentRow::of).list());
    }

    public Optional<Response> find(long questionnaireId, String receipt) {
        return read(jdbc.sql(RESPONSES + " where p.questionnaire_id = :id and p.receipt = :receipt").param("id", questionnaireId)
                .param("receipt", receipt).query(SentRow::of).list()).stream().findFirst();
    }

    /** Some of the wanted responses, in order. Where all are wanted, the database reads no more than these. */
    public List<Response> page(Wanted wanted, Order order, int from, int most) {
        if (!wanted.isAll()) {
            List<Long> numbers = numbers(wanted, order);
            return all(numbers.subList(Math.min(from, numbers.size()), Math.min(from + most, numbers.size())));
        }
        return all(sorted(wanted.questionnaire(), order, from, most));
    }

    public int count(Wanted wanted) {
        return wanted.isAll()
                ? jdbc.sql(COUNT).param("questionnaire", wanted.questionnaire()).query(Integer.class).single()
                : WantedNumberStore.of(jdbc, wanted).cardinality();
    }

    /** The numbers of all wanted responses, in order. */
    public List<Long> numbers(Wanted wanted, Order order) {
        List<Long> sorted = sorted(wanted.questionnaire(), order, 0, Integer.MAX_VALUE);
        if (wanted.isAll()) {
            return sorted;
        }
        BitSet numbers = WantedNumberStore.of(jdbc, wanted);
        return sorted.stream().filter(number -> numbers.get(Math.toIntExact(number))).toList();
    }

    private List<Long> sorted(long questionnaireId, Order order, int from, int most) {
        return order.fact().isEmpty()
                ? new AnswerOrderStore(jdbc, questionnaireId, order).numbers(from, most)
                : jdbc.sql(NUMBERS + ordered(order) + PART).param("questionnaire", questionnaireId).param("from", from).param("most", most)
                        .query(Long.class).list();
    }

    /** The responses of these numbers, in their order. */
    public List<Response> all(List<Long> numbers) {
        return each(numbers).toList();
    }

    /** The responses of these numbers, in their order, a few at a time in memory. */
    public Stream<Response> each(List<Long> numbers) {
        return numbers.stream().gather(Gatherers.windowFixed(AT_ONCE)).flatMap(some -> {
            Map<Long, Response> found = read(
                    jdbc.sql(RESPONSES + " where p.number in (:some)").param("some", some).query(SentRow::of).list())
                    .stream().collect(Collectors.toMap(Response::number, r -> r));
            return some.stream().filter(found::containsKey).map(found::get);
        });
    }

    /** The numbers of all responses to a questionnaire, the newest first. */
    public List<Long> numbers(long questionnaireId) {
        return jdbc.sql("select number from response where questionnaire_id = :id order by sent_at desc, number desc")
                .param("id", questionnaireId).query(Long.class).list();
    }

    /** The numbers of the responses with these receipts, the newest first. */
    public List<Long> numbers(long questionnaireId, List<String> receipts) {
        return receipts.stream().gather(Gatherers.windowFixed(AT_ONCE))
                .flatMap(some -> jdbc.sql("select number from response where questionnaire_id = :id and receipt in (:receipts)"
                        + " order by sent_at desc, number desc").param("id", questionnaireId).param("receipts", some).query(Long.class)
                        .list().stream())
                .toList();
    }

    /** The receipts of the responses of these numbers, in their order. */
    public List<String> receipts(List<Long> numbers) {
        return numbers.stream().gather(Gatherers.windowFixed(AT_ONCE)).flatMap(some -> {
            Map<Long, String> found = new HashMap<>();
            jdbc.sql("select number, receipt from response where number in (:some)").param("some", some).query(row -> {
                found.put(row.getLong("number"), row.getString("receipt"));
            });
            return some.stream().filter(found::containsKey).map(found::get);
        }).toList();
    }

    /**
     * Takes the personal answers from a response and from the interview that it came of, within a transaction of the caller's.
     *
     * @param open the answers that stay
     * @param personal codes of those that go
     */
    public void strip(Response response, Map<String, Object> open, Set<String> personal) {
        Questionnaire document = releases.get(response.releaseId()).document();
        Map<String, String> given = answered(response, open);
        index.strip(response.number(), document, open, personal);
        // A message tells personal answers among the others.
        jdbc.sql("delete from message where interview_id = :id").param("id", response.interviewId()).update();
        jdbc.sql("select raw from interview where id = :id").param("id", response.interviewId()).query(String.class).optional()
                .ifPresent(raw -> jdbc.sql("update interview set raw = :raw, draft = null, version = version + 1 where id = :id")
                        .param("id", response.interviewId()).param("raw", StoredAnswers.write(slots(document, raw, personal))).update());
        jdbc.sql("update response set stripped = true, digest = :digest where number = :number").param("number", response.number())
                .param("digest",
                        Digests.ofResponse(response.receipt(), response.interviewId(), response.releaseId(), response.outcome(), given))
                .update();
    }

    /** Puts other answers in the place of a response's. */
    private Map<String, String> answered(Response response, Map<String, Object> answers) {
        Map<String, String> given = new LinkedHashMap<>();
        answers.forEach((code, value) -> given.put(code, StoredAnswers.write(Map.of(code, value))));
        jdbc.sql("delete from answer where receipt = :receipt").param("receipt", response.receipt()).update();
        given.forEach((code, json) -> jdbc.sql("insert into answer (receipt, question, given) values (:receipt, :question, :given)")
                .param("receipt", response.receipt()).param("question", code).param("given", json).update());
        return given;
    }

    /**
     * Leaves nothing of some records in a response but their receipts, within a transaction of the caller's; nor in the interview that it
     * came of.
     */
    public void forgetRecords(Response response, Set<String> receipts) {
        Release release = releases.get(response.releaseId());
        Map<String, Object> left = ChosenRecords.without(response.answers(), receipts);
        Map<String, String> given = answered(response, left);
        index.again(response.number(), release.questionnaireId(), release.document(), response.receipt(), left);
        jdbc.sql("update response set digest = :digest where number = :number").param("number", response.number()).param("digest",
                Digests.ofResponse(response.receipt(), response.interviewId(), response.releaseId(), response.outcome(), given)).update();
        forgetRecords(response.interviewId(), release.document(), receipts);
    }

    /** Leaves nothing of some records in an interview but their receipts. */
    private void forgetRecords(String interview, Questionnaire document, Set<String> receipts) {
        for (String column : List.of("raw", "draft")) {
            jdbc.sql("select " + column + " from interview where id = :id and " + column + " is not null").param("id", interview)
                    .query(String.class).optional()
                    .ifPresent(kept -> jdbc.sql("update interview set " + column + " = :kept, version = version + 1 where id = :id")
                            .param("id", interview)
                            .param("kept", StoredAnswers.write(ChosenRecords.without(StoredAnswers.read(document, kept), receipts)))
                            .update());
        }
    }

    /** Leaves nothing of some records in interviews that were not sent but their receipts, within a transaction of the caller's. */
    public void forgetRecordsUnsent(Set<String> receipts) {
        Map<String, Long> holding = new LinkedHashMap<>();
        jdbc.sql(UNSENT).param("inside", "%\"" + Domain.OneRecord.RECEIPT + "\"%").query(row -> {
            String kept = row.getString("raw") + row.getString("draft");
            if (receipts.stream().anyMatch(kept::contains)) {
                holding.put(row.getString("id"), row.getLong("release_id"));
            }
        });
        holding.forEach((id, release) -> forgetRecords(id, releases.get(release).document(), receipts));
    }

    private static Map<String, Object> slots(Questionnaire document, String raw, Set<String> personal) {
        Map<String, Object> slots = new LinkedHashMap<>(StoredAnswers.read(document, raw));
        slots.keySet().removeIf(slot -> personal.contains(Slots.code(slot)));
        return slots;
    }

    /** How many responses somebody is in charge of that are not done, by questionnaire. */
    public Map<Long, Integer> inCharge(String account) {
        Map<Long, Integer> counts = new HashMap<>();
        jdbc.sql(IN_CHARGE).param("account", account).param("done", ResponseState.DONE.code()).query(row -> {
            counts.put(row.getLong("questionnaire_id"), row.getInt("n"));
        });
        return counts;
    }

    /** @param receipts of responses to the questionnaire; others are left alone */
    public int setState(long questionnaireId, List<String> receipts, String state) {
        return mark(questionnaireId, receipts, "state", state);
    }

    /** @param account of the person; empty for nobody */
    public int putInCharge(long questionnaireId, List<String> receipts, String account) {
        return mark(questionnaireId, receipts, "in_charge", account);
    }

    private int mark(long questionnaireId, List<String> receipts, String column, String value) {
        return receipts.stream().gather(Gatherers.windowFixed(AT_ONCE))
                .mapToInt(some -> jdbc
                        .sql("update response set " + column + " = :value where questionnaire_id = :id and receipt in (:receipts)")
                        .param("value", value).param("id", questionnaireId).param("receipts", some).update())
                .sum();
    }

    private static String ordered(Order order) {
        String way = order.down() ? " desc" : " asc";
        return order.fact().orElseThrow() == ResponseFact.SENT
                ? " order by p.questionnaire_id%1$s, p.sent_at%1$s, p.number%1$s".formatted(way)
                : " order by " + order.fact().map(ConditionSql::column).orElseThrow() + way + ", p.sent_at desc, p.number desc";
    }

    /** Brings the answers to what is known of each. */
    private List<Response> read(List<SentRow> rows) {
        Map<String, List<String>> given = new HashMap<>();
        rows.stream().map(SentRow::receipt).gather(Gatherers.windowFixed(AT_ONCE))
                .forEach(some -> jdbc.sql("select receipt, given from answer where receipt in (:receipts)").param("receipts", some)
                        .query(row -> {
                            given.computeIfAbsent(row.getString("receipt"), r -> new ArrayList<>()).add(row.getString("given"));
                        }));
        Map<Long, AnswersOfRelease> readers = new HashMap<>();
        return rows.stream().map(s -> response(s, readers.computeIfAbsent(s.releaseId(),
                id -> new AnswersOfRelease(releases.get(id).document())).read(given.getOrDefault(s.receipt(), List.of())))).toList();
    }

    private static Response response(SentRow sent, Map<String, Object> answers) {
        return new Response(sent.number(), sent.receipt(), sent.interviewId(), sent.releaseId(), sent.release(), sent.outcome(), sent.at(),
                sent.language(), sent.state(), sent.inCharge(), sent.stripped(), answers);
    }

    /** One row of the responses. */
    private record SentRow(long number, String receipt, String interviewId, long releaseId, int release, String outcome, OffsetDateTime at,
            String language, String state, String inCharge, boolean stripped) {

        static SentRow of(ResultSet row, int n) throws SQLException {
            return new SentRow(row.getLong("number"), row.getString("receipt"), row.getString("interview_id"), row.getLong("release_id"),
                    row.getInt("release_number"), row.getString("outcome"), Times.at(row, "sent_at"), row.getString("language"),
                    row.getString("state"), row.getString("in_charge"), row.getBoolean("stripped"));
        }
    }
}
