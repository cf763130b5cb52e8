package orthogon.app.store;

import java.math.BigDecimal;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.IntStream;
import orthogon.core.responses.KeptValue.ValueKind;
import org.springframework.jdbc.core.RowCallbackHandler;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** Finds responses by the beginnings of words in some of their answers. */
@Component
public class RecordStore {

    private static final String WORD = """
            select w.response from record_word w
            where w.questionnaire_id = :questionnaire and w.name = :name and w.word >= :from and w.word < :to
            """;
    private static final String CODED = """
            select v.response from answer_value v
            where v.questionnaire_id = :questionnaire and v.name = :name and v.kind in ('T', 'E') and v.text in (:codes)
            """;
    private static final String ALL = "select p.number from response p where p.questionnaire_id = :questionnaire order by p.number desc"
            + " fetch first :most rows only";
    private static final String KEYS = """
            select v.response, v.name, v.text, v.number from answer_value v
            where v.response in (:some) and v.name in (:names) and v.kind <> 'E' and v.kind <> 'W'
            """;
    private static final String SORTED = """
            select v.response from answer_value v where v.questionnaire_id = :questionnaire and v.name = :name and v.kind = :kind
            order by v.questionnaire_id, v.name, v.kind, v.text, v.number, v.response
            """;
    private static final String CHOSE = """
            select q.code, c.record as receipt, c.slot from record_choice c left join response p on p.receipt = c.record
                left join questionnaire q on q.id = p.questionnaire_id where c.response = :number order by c.slot
            """;
    private static final String CHOSEN_BY = """
            select q.code, p.receipt, c.slot from record_choice c join response p on p.number = c.response
                join questionnaire q on q.id = p.questionnaire_id where c.record = :receipt
            order by p.number desc fetch first :most rows only
            """;
    private static final String ADDED = """
            select q.code, p.receipt, a.slot from record_adding a join interview i on i.id = a.for_interview
                join release r on r.id = i.release_id join questionnaire q on q.id = r.questionnaire_id
                left join response p on p.interview_id = i.id where a.interview_id = :interview
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

    /**
     * A response that another one has to do with.
     *
     * @param questionnaire its code; empty where the response is erased
     * @param receipt empty where the interview is not sent yet
     * @param slot of the lookup; empty where none is meant
     */
    public record LinkedResponse(String questionnaire, String receipt, String slot) {

        private static LinkedResponse of(ResultSet row, int n) throws SQLException {
            return new LinkedResponse(Objects.toString(row.getString("code"), ""), Objects.toString(row.getString("receipt"), ""),
                    Objects.toString(row.getString("slot"), ""));
        }
    }

    /** The records that a response chose. */
    public List<LinkedResponse> chosenIn(long response) {
        return jdbc.sql(CHOSE).param("number", response).query(LinkedResponse::of).list();
    }

    /**
     * The responses that chose a record, the newest first.
     *
     * @param most how many are told
     */
    public List<LinkedResponse> choosing(String receipt, int most) {
        return jdbc.sql(CHOSEN_BY).param("receipt", receipt).param("most", most).query(LinkedResponse::of).list();
    }

    /** The response out of which an interview added a record; empty where it is one like any other. */
    public Optional<LinkedResponse> addedOutOf(String interview) {
        return jdbc.sql(ADDED).param("interview", interview).query(LinkedResponse::of).optional();
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
     * @param most how many are wanted
     */
    public List<Long> numbers(long questionnaireId, List<String> names, List<SoughtWord> words, List<String> sorted, int most) {
        if (words.isEmpty()) {
            return jdbc.sql(ALL).param("questionnaire", questionnaireId).param("most", most).query(Long.class).list();
        }
        BitSet all = having(questionnaireId, names, words.getFirst());
        words.stream().skip(1).forEach(word -> all.and(having(questionnaireId, names, word)));
        if (sorted.isEmpty()) {
            return newest(all, most);
        }
        return all.cardinality() > most ? inOrder(questionnaireId, all, sorted.getFirst(), most) : sorted(newest(all, most), sorted);
    }

    private BitSet having(long questionnaireId, List<String> names, SoughtWord word) {
        BitSet having = new BitSet();
        RowCallbackHandler each = row -> having.set(Math.toIntExact(row.getLong("response")));
        names.forEach(name -> jdbc.sql(WORD).param("questionnaire", questionnaireId).param("name", name).param("from", word.text())
                .param("to", behind(word.text())).query(each));
        word.coded().forEach((name, codes) -> jdbc.sql(CODED).param("questionnaire", questionnaireId).param("name", name)
                .param("codes", codes).query(each));
        return having;
    }

    /** The first text behind all that begin like this one, compared letter by letter. */
    private static String behind(String beginning) {
        int last = beginning.codePointBefore(beginning.length());
        String before = beginning.substring(0, beginning.length() - Character.charCount(last));
        int next = last + 1 == Character.MIN_SURROGATE ? Character.MAX_SURROGATE + 1 : Math.min(last + 1, Character.MAX_CODE_POINT);
        return before + Character.toString(next);
    }

    private static List<Long> newest(BitSet numbers, int most) {
        List<Long> newest = new ArrayList<>();
        for (int n = numbers.previousSetBit(numbers.length()); n >= 0 && newest.size() < most; n = numbers.previousSetBit(n - 1)) {
            newest.add((long) n);
        }
        return newest;
    }

    /** Many numbers by one answer, as the database has it in order; those without it come last. */
    private List<Long> inOrder(long questionnaireId, BitSet numbers, String name, int most) {
        List<Long> ordered = new ArrayList<>();
        BitSet left = (BitSet) numbers.clone();
        for (ValueKind kind : ValueKind.values()) {
            jdbc.sql(SORTED).param("questionnaire", questionnaireId).param("name", name).param("kind", kind.sign()).query(row -> {
                int number = Math.toIntExact(row.getLong("response"));
                if (left.get(number) && ordered.size() < most) {
                    left.clear(number);
                    ordered.add((long) number);
                }
            });
        }
        ordered.addAll(newest(left, most - ordered.size()));
        return ordered;
    }

    /** What a response is sorted by. */
    private record SortKey(String text, BigDecimal number) implements Comparable<SortKey> {

        private static final SortKey BLANK = new SortKey("", null);

        @Override
        public int compareTo(SortKey other) {
            if (number == null || other.number == null) {
                return number == null && other.number == null ? text.compareTo(other.text) : number == null ? 1 : -1;
            }
            return number.compareTo(other.number);
        }
    }

    private List<Long> sorted(List<Long> numbers, List<String> names) {
        Map<String, Map<Long, SortKey>> keys = new HashMap<>();
        names.forEach(name -> keys.put(name, new HashMap<>()));
        for (int from = 0; from < numbers.size(); from += AT_ONCE) {
            jdbc.sql(KEYS).param("some", numbers.subList(from, Math.min(numbers.size(), from + AT_ONCE))).param("names", names)
                    .query(row -> {
                        keys.get(row.getString("name")).put(row.getLong("response"),
                                new SortKey(row.getString("text").toLowerCase(Locale.ROOT), row.getBigDecimal("number")));
                    });
        }
        Comparator<Long> order = names.stream().map(name -> Comparator.comparing((Long n) -> keys.get(name).getOrDefault(n, SortKey.BLANK)))
                .reduce(Comparator::thenComparing).orElseThrow();
        return numbers.stream().sorted(order).toList();
    }
}
