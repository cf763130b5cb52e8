package orthogon.app.store;

import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import orthogon.app.store.ResponseStore.Wanted;
import orthogon.core.responses.AnswerFigures.AnsweredGroup;
import orthogon.core.responses.AnswerTally;
import orthogon.core.responses.CountedRoute;
import orthogon.core.responses.TakenRoute;
import orthogon.core.responses.TakenRoutes;
import orthogon.formats.stored.StoredAnswers;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** Counts what was answered, which routes were taken, and how far interviews came. */
@Component
public class FigureStore {

    private static final String LINES = "select response, line from response_tally where questionnaire_id = :questionnaire";
    private static final String SENT = """
            select p.number, p.sent_at, p.release_id, p.route from response p where p.questionnaire_id = :questionnaire
            """;
    private static final String ROUTES = """
            select a.release_id, a.digest, a.outcome, a.asked from answer_route a join release r on r.id = a.release_id
            where r.questionnaire_id = :questionnaire
            """;
    private static final String LEFT = """
            select v.page, count(distinct v.interview_id) as n from page_visit v join interview i on i.id = v.interview_id
                join release r on r.id = i.release_id
            where r.questionnaire_id = :questionnaire and (:language = '' or i.language = :language) and i.link like :link escape '\\'
            group by v.page
            """;
    private static final String THERE = """
            select i.page, count(*) as n from interview i join release r on r.id = i.release_id
                left join response p on p.interview_id = i.id
            where r.questionnaire_id = :questionnaire and p.receipt is null and (:language = '' or i.language = :language)
                and i.link like :link escape '\\'
            group by i.page
            """;
    private static final String BEGUN = """
            select count(*) from interview i join release r on r.id = i.release_id where r.questionnaire_id = :questionnaire
                and (:language = '' or i.language = :language) and i.link like :link escape '\\'
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
    public record ComeSoFar(int begun, Map<String, Integer> left, Map<String, Integer> there) {

        /** How many were sent: all but the unfinished ones. */
        public int sent() {
            return begun - there.values().stream().mapToInt(Integer::intValue).sum();
        }
    }

    private final JdbcClient jdbc;

    public FigureStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /**
     * What is counted of some responses.
     *
     * @param routes that they took, the commonest first
     * @param days how many were sent on each day, from the first to the last
     */
    public record ReadFigures(int responses, AnsweredGroup answers, TakenRoutes routes, Map<LocalDate, Integer> days) {}

    /** Which route of which release. */
    private record RouteKey(long release, String digest) {}

    /** Counts the wanted responses and what was answered in them. */
    public ReadFigures of(Wanted wanted) {
        BitSet numbers = wanted.isAll() ? null : WantedNumberStore.of(jdbc, wanted);
        Map<RouteKey, Integer> taken = new HashMap<>();
        TreeMap<LocalDate, Integer> days = new TreeMap<>();
        jdbc.sql(SENT).param("questionnaire", wanted.questionnaire()).query(row -> {
            if (numbers == null || numbers.get(row.getInt("number"))) {
                taken.merge(new RouteKey(row.getLong("release_id"), row.getString("route")), 1, Integer::sum);
                days.merge(Times.at(row, "sent_at").toLocalDate(), 1, Integer::sum);
            }
        });
        TakenRoutes routes = routes(wanted.questionnaire(), taken);
        AnswerTally tally = new AnswerTally();
        jdbc.sql(LINES).param("questionnaire", wanted.questionnaire()).query(row -> {
            if (numbers == null || numbers.get(row.getInt("response"))) {
                tally.add(row.getString("line"));
            }
        });
        return new ReadFigures(taken.values().stream().mapToInt(Integer::intValue).sum(),
                new AnsweredGroup(routes.asked(), tally.answered(), tally.values()), routes, everyDay(days));
    }

    private TakenRoutes routes(long questionnaireId, Map<RouteKey, Integer> taken) {
        List<CountedRoute> routes = new ArrayList<>();
        jdbc.sql(ROUTES).param("questionnaire", questionnaireId).query(row -> {
            Integer count = taken.get(new RouteKey(row.getLong("release_id"), row.getString("digest")));
            if (count != null) {
                String asked = row.getString("asked");
                routes.add(new CountedRoute(row.getLong("release_id"),
                        new TakenRoute(asked.isEmpty() ? List.of() : List.of(asked.split(" ")), row.getString("outcome")), count));
            }
        });
        routes.sort(Comparator.comparing(CountedRoute::count).reversed().thenComparing(r -> String.join(" ", r.route().asked())));
        return new TakenRoutes(routes);
    }

    private static Map<LocalDate, Integer> everyDay(TreeMap<LocalDate, Integer> days) {
        Map<LocalDate, Integer> all = new LinkedHashMap<>();
        if (!days.isEmpty()) {
            days.firstKey().datesUntil(days.lastKey().plusDays(1)).forEach(day -> all.put(day, days.getOrDefault(day, 0)));
        }
        return all;
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

    /**
     * Which interviews are counted.
     *
     * @param language tag; empty for any
     * @param link parameters that the interview began with; empty for any
     */
    public record BegunInterviews(long questionnaire, String language, Map<String, String> link) {

        public static BegunInterviews all(long questionnaire) {
            return new BegunInterviews(questionnaire, "", Map.of());
        }

        /** A pattern of links as the database keeps them. */
        private String linked() {
            String json = StoredAnswers.write(link);
            return "%" + ConditionSql.escaped(json.substring(1, json.length() - 1)) + "%";
        }
    }

    private JdbcClient.StatementSpec begun(String sql, BegunInterviews which) {
        return jdbc.sql(sql).param("questionnaire", which.questionnaire()).param("language", which.language()).param("link",
                which.linked());
    }

    /** How far interviews came. */
    public ComeSoFar soFar(BegunInterviews which) {
        Map<String, Integer> left = new HashMap<>();
        begun(LEFT, which).query(row -> {
            left.put(row.getString("page"), row.getInt("n"));
        });
        Map<String, Integer> there = new HashMap<>();
        begun(THERE, which).query(row -> {
            there.put(row.getString("page"), row.getInt("n"));
        });
        return new ComeSoFar(begun(BEGUN, which).query(Integer.class).single(), left, there);
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
