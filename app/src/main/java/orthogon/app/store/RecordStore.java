package orthogon.app.store;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Gatherers;
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

    /** The number of a questionnaire by its code; empty where there is none. */
    public Optional<Long> questionnaire(String code) {
        return jdbc.sql("select id from questionnaire where code = :code").param("code", code).query(Long.class).optional();
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
        numbers.stream().gather(Gatherers.windowFixed(AT_ONCE))
                .forEach(some -> jdbc.sql(KEYS).param("some", some).param("names", names).query(row -> {
                    keys.get(row.getString("name")).put(row.getLong("response"),
                            new SortKey(row.getString("text").toLowerCase(Locale.ROOT), row.getBigDecimal("number")));
                }));
        Comparator<Long> order = names.stream().map(name -> Comparator.comparing((Long n) -> keys.get(name).getOrDefault(n, SortKey.BLANK)))
                .reduce(Comparator::thenComparing).orElseThrow();
        return numbers.stream().sorted(order).toList();
    }
}
