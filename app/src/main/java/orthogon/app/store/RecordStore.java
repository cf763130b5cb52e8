package orthogon.app.store;

import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** Finds responses by the beginnings of words in some of their answers. */
@Component
public class RecordStore {

    private static final String HAVING = """
            p.number in (select v.response from answer_value v where v.questionnaire_id = :questionnaire and (%s))
            """;
    private static final String TEXT = "v.name in (:names) and v.kind = 'T' and (lower(v.text) like :begins%1$d escape '\\'"
            + " or lower(v.text) like :inside%1$d escape '\\')";
    private static final String CODED = "v.name = :coded%1$s and v.kind in ('T', 'E') and v.text in (:codes%1$s)";
    private static final String NEWEST = " order by p.questionnaire_id desc, p.sent_at desc, p.number desc";
    private static final String SORTED = """
            (select min(lower(o.text)) from answer_value o where o.response = p.number and o.name = :sorted%1$d),
                (select min(o.number) from answer_value o where o.response = p.number and o.name = :sorted%1$d),
            """;

    private static final int AT_ONCE = 200;

    private final JdbcClient jdbc;

    public RecordStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /**
     * One word that is sought.
     *
     * @param text in small letters
     * @param coded name of a choice to the codes of the options whose labels have the word
     */
    public record SoughtWord(String text, Map<String, List<String>> coded) {}

    /** @param slot of the lookup in the other interview */
    public record AddedFor(String interview, String slot) {}

    /** Notes that an interview adds a record for another one, within the transaction that begins it. */
    public void adds(String interview, AddedFor wanted) {
        jdbc.sql("insert into record_adding (interview_id, for_interview, slot) values (:id, :for, :slot)").param("id", interview)
                .param("for", wanted.interview()).param("slot", wanted.slot()).update();
    }

    /** For which interview another one adds a record; empty where it is one like any other. */
    public Optional<AddedFor> addedFor(String interview) {
        return jdbc.sql("select for_interview, slot from record_adding where interview_id = :id").param("id", interview)
                .query((row, n) -> new AddedFor(row.getString("for_interview"), row.getString("slot"))).optional();
    }

    /** The numbers of the responses that chose one of these records. */
    public List<Long> chosenBy(Collection<String> receipts) {
        List<String> all = receipts.stream().distinct().toList();
        return IntStream.range(0, Math.ceilDiv(all.size(), AT_ONCE)).boxed()
                .flatMap(i -> jdbc.sql("select distinct response from record_choice where record in (:some)")
                        .param("some", all.subList(i * AT_ONCE, Math.min(all.size(), (i + 1) * AT_ONCE))).query(Long.class).list().stream())
                .distinct().toList();
    }

    /** The number of a questionnaire by its code; empty where there is none. */
    public Optional<Long> questionnaire(String code) {
        return jdbc.sql("select id from questionnaire where code = :code").param("code", code).query(Long.class).optional();
    }

    /** Whether anybody has answered a questionnaire. */
    public boolean hasAny(long questionnaireId) {
        return jdbc.sql("select count(*) from (select p.number from response p where p.questionnaire_id = :id"
                + " fetch first 1 rows only) one").param("id", questionnaireId).query(Integer.class).single() > 0;
    }

    /**
     * The numbers of the responses in which every word stands at the beginning of a word, in order.
     *
     * @param names of the texts that are looked at, with their parts
     * @param sorted names of the answers by which they are sorted, the first before the second; none for the newest first
     */
    public List<Long> numbers(long questionnaireId, List<String> names, List<SoughtWord> words, List<String> sorted, int from, int most) {
        Map<String, Object> parameters = new LinkedHashMap<>();
        List<String> parts = new ArrayList<>();
        for (SoughtWord word : words) {
            int n = parts.size();
            List<String> either = new ArrayList<>();
            if (!names.isEmpty()) {
                either.add(TEXT.formatted(n));
                parameters.put("begins" + n, ConditionSql.escaped(word.text()) + "%");
                parameters.put("inside" + n, "% " + ConditionSql.escaped(word.text()) + "%");
                parameters.put("names", names);
            }
            word.coded().forEach((name, codes) -> {
                String at = n + "_" + either.size();
                either.add(CODED.formatted(at));
                parameters.put("coded" + at, name);
                parameters.put("codes" + at, codes);
            });
            if (either.isEmpty()) {
                return List.of();
            }
            parts.add(HAVING.formatted(String.join(" or ", either)));
        }
        String order = sorted.isEmpty()
                ? NEWEST
                : IntStream.range(0, sorted.size()).mapToObj(SORTED::formatted).collect(Collectors.joining("", " order by ", " p.number desc"));
        for (int n = 0; n < sorted.size(); n++) {
            parameters.put("sorted" + n, sorted.get(n));
        }
        String sql = "select p.number from response p where p.questionnaire_id = :questionnaire"
                + parts.stream().map(part -> " and " + part).collect(Collectors.joining()) + order
                + " offset :from rows fetch next :most rows only";
        return jdbc.sql(sql).params(parameters).param("questionnaire", questionnaireId).param("from", from).param("most", most)
                .query(Long.class).list();
    }
}
