package orthogon.app.store;

import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import orthogon.app.store.ResponseStore.Wanted;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.responses.AnswerFigures;
import orthogon.core.responses.AnswerFigures.AnsweredGroup;
import orthogon.core.responses.CountedRoute;
import orthogon.core.responses.CountedValue;
import orthogon.core.responses.KeptValue.ValueKind;
import orthogon.core.responses.TakenRoute;
import orthogon.core.responses.TakenRoutes;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** Counts what was answered, which routes were taken, and how far interviews came. */
@Component
public class FigureStore {

    private static final String FROM_ALL = " from answer_value v where v.questionnaire_id = :questionnaire";
    /** Without a condition on anything else, so that the values of the wanted responses are looked up, and no others. */
    private static final String FROM_SOME = """
             from answer_value v where v.response in
                (select p.number from response p join release r on r.id = p.release_id where %s)
            """;
    private static final String VALUES = "select v.name, v.kind, v.text, v.number, count(*) as n";
    private static final String COUNTED = " and (v.kind <> 'T' or v.name in (:closed)) group by v.name, v.kind, v.text, v.number";
    private static final String ANSWERED = "select v.name, count(*) as n";
    private static final String ROUTES = """
            select a.release_id, a.outcome, a.asked, count(*) as n from response p join release r on r.id = p.release_id
                join answer_route a on a.release_id = p.release_id and a.digest = p.route where
            """;
    private static final String LEFT = """
            select v.page, count(distinct v.interview_id) as n from page_visit v join interview i on i.id = v.interview_id
                join release r on r.id = i.release_id
            where r.questionnaire_id = :questionnaire group by v.page
            """;
    private static final String THERE = """
            select i.page, count(*) as n from interview i join release r on r.id = i.release_id
                left join response p on p.interview_id = i.id
            where r.questionnaire_id = :questionnaire and p.receipt is null group by i.page
            """;
    private static final String BEGUN = """
            select count(*) from interview i join release r on r.id = i.release_id where r.questionnaire_id = :questionnaire
            """;
    private static final String VISITS = """
            select v.interview_id, v.page, v.left_at, i.began_at from page_visit v join interview i on i.id = v.interview_id
            where i.id in (select j.id from interview j join release r on r.id = j.release_id
                where r.questionnaire_id = :questionnaire order by j.began_at desc fetch first %d rows only)
            order by v.interview_id, v.left_at
            """;

    /**
     * How far interviews came.
     *
     * @param left page to how many interviews left it at least once
     * @param there page to how many unfinished interviews are on it
     */
    public record ComeSoFar(int begun, Map<String, Integer> left, Map<String, Integer> there) {}

    private final JdbcClient jdbc;

    public FigureStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    private JdbcClient.StatementSpec ofValues(Wanted wanted, String select, String after) {
        WantedSql sql = new WantedSql(wanted);
        return wanted.isAll()
                ? jdbc.sql(select + FROM_ALL + after).param("questionnaire", wanted.questionnaire())
                : sql.given(jdbc.sql(select + FROM_SOME.formatted(sql.condition()) + after));
    }

    private JdbcClient.StatementSpec ofResponses(Wanted wanted, String select, String after) {
        WantedSql sql = new WantedSql(wanted);
        return sql.given(jdbc.sql(select + sql.condition() + after));
    }

    /**
     * Every value with how many have it, by code. Texts are counted for some questions only.
     *
     * @param closed names of which texts are counted, as those with options
     */
    public Map<String, List<CountedValue>> values(Wanted wanted, List<String> closed) {
        Map<String, List<CountedValue>> values = new HashMap<>();
        ofValues(wanted, VALUES, COUNTED).param("closed", closed.isEmpty() ? List.of("") : closed).query(row -> {
            String sign = row.getString("kind");
            ValueKind kind = Arrays.stream(ValueKind.values()).filter(k -> k.sign().equals(sign)).findFirst().orElseThrow();
            values.computeIfAbsent(row.getString("name"), n -> new ArrayList<>()).add(new CountedValue(row.getString("name"), kind,
                    row.getString("text"), row.getBigDecimal("number"), row.getInt("n")));
        });
        return values;
    }

    /** How many answered each question, and each part of an answer, by code. */
    public Map<String, Integer> answered(Wanted wanted) {
        Map<String, Integer> answered = new HashMap<>();
        ofValues(wanted, ANSWERED, " and v.kind <> 'E' group by v.name").query(row -> {
            answered.put(row.getString("name"), row.getInt("n"));
        });
        return answered;
    }

    /**
     * What a group of responses was asked and answered.
     *
     * @param routes that these responses took
     */
    public AnsweredGroup group(Questionnaire document, Wanted wanted, TakenRoutes routes) {
        return new AnsweredGroup(routes.asked(), answered(wanted), values(wanted, AnswerFigures.counted(document)));
    }

    /** Every route that was taken. */
    public TakenRoutes routes(Wanted wanted) {
        return new TakenRoutes(ofResponses(wanted, ROUTES, " group by a.release_id, a.outcome, a.asked order by n desc, a.asked")
                .query((row, n) -> new CountedRoute(row.getLong("release_id"), new TakenRoute(row.getString("asked").isEmpty()
                        ? List.of()
                        : List.of(row.getString("asked").split(" ")), row.getString("outcome")), row.getInt("n")))
                .list());
    }

    /** How many responses took the route of this one, itself among them; 0 where its route is not known. */
    public int onSameRoute(long response) {
        return jdbc.sql("select count(*) from response o join response p on p.number = :number where o.release_id = p.release_id"
                + " and o.route = p.route and p.route <> ''").param("number", response).query(Integer.class).single();
    }

    /** The receipt of the newest response that took a route. */
    public Optional<String> example(long questionnaireId, CountedRoute route) {
        return jdbc.sql("select receipt from response where questionnaire_id = :id and release_id = :release and route = :route"
                + " order by sent_at desc fetch first row only").param("id", questionnaireId).param("release", route.release())
                .param("route", Digests.ofRoute(String.join(" ", route.route().asked()), route.route().outcome())).query(String.class)
                .optional();
    }

    /** How many were sent on each day, from the first to the last. */
    public Map<LocalDate, Integer> byDay(Wanted wanted) {
        TreeMap<LocalDate, Integer> days = new TreeMap<>();
        ofResponses(wanted, "select p.sent_at from response p join release r on r.id = p.release_id where ", "").query(row -> {
            days.merge(Times.at(row, "sent_at").toLocalDate(), 1, Integer::sum);
        });
        Map<LocalDate, Integer> all = new LinkedHashMap<>();
        if (!days.isEmpty()) {
            days.firstKey().datesUntil(days.lastKey().plusDays(1)).forEach(day -> all.put(day, days.getOrDefault(day, 0)));
        }
        return all;
    }

    /** How far all interviews to a questionnaire came. */
    public ComeSoFar soFar(long questionnaireId) {
        Map<String, Integer> left = new HashMap<>();
        jdbc.sql(LEFT).param("questionnaire", questionnaireId).query(row -> {
            left.put(row.getString("page"), row.getInt("n"));
        });
        Map<String, Integer> there = new HashMap<>();
        jdbc.sql(THERE).param("questionnaire", questionnaireId).query(row -> {
            there.put(row.getString("page"), row.getInt("n"));
        });
        return new ComeSoFar(jdbc.sql(BEGUN).param("questionnaire", questionnaireId).query(Integer.class).single(), left, there);
    }

    /**
     * Seconds that respondents stayed on each page before they left it the first time, shortest first, of the interviews begun last.
     *
     * @param most interviews
     */
    public Map<String, List<Long>> stays(long questionnaireId, int most) {
        Map<String, List<Long>> stays = new HashMap<>();
        Map<String, OffsetDateTime> since = new HashMap<>();
        Map<String, List<String>> seen = new HashMap<>();
        jdbc.sql(VISITS.formatted(most)).param("questionnaire", questionnaireId).query(row -> {
            String interview = row.getString("interview_id");
            OffsetDateTime left = Times.at(row, "left_at");
            OffsetDateTime from = since.getOrDefault(interview, Times.at(row, "began_at"));
            if (!seen.computeIfAbsent(interview, i -> new ArrayList<>()).contains(row.getString("page"))) {
                seen.get(interview).add(row.getString("page"));
                stays.computeIfAbsent(row.getString("page"), p -> new ArrayList<>())
                        .add(Math.max(0, left.toEpochSecond() - from.toEpochSecond()));
            }
            since.put(interview, left);
        });
        stays.values().forEach(s -> s.sort(null));
        return stays;
    }
}
