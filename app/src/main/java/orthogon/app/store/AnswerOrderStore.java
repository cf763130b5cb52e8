package orthogon.app.store;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import orthogon.app.store.ResponseStore.Order;
import orthogon.core.responses.KeptValue.ValueKind;
import org.springframework.jdbc.core.RowCallbackHandler;
import org.springframework.jdbc.core.simple.JdbcClient;

/**
 * Reads the responses to a questionnaire sorted by an answer. Values of one kind stand sorted in an index, which the database reads from
 * either end; so they are asked for kind by kind, and those without an answer last.
 */
final class AnswerOrderStore {

    private static final String VALUED = " from answer_value v where v.questionnaire_id = :questionnaire and v.name = :sorted and ";
    private static final String COUNTED = "select v.kind, count(*) as n" + VALUED + "v.kind <> 'E' group by v.kind";
    private static final String SORTED = "select v.response" + VALUED + "v.kind = :kind order by v.questionnaire_id%1$s, v.name%1$s,"
            + " v.kind%1$s, v.text%1$s, v.number%1$s, v.response%1$s offset :from rows fetch next :most rows only";
    private static final String HAVING = "select v.response" + VALUED + "v.kind <> 'E'";
    private static final String NEWEST = "select p.number from response p where p.questionnaire_id = :questionnaire"
            + " order by p.questionnaire_id desc, p.sent_at desc, p.number desc";

    private final JdbcClient jdbc;
    private final long questionnaire;
    private final Order order;

    AnswerOrderStore(JdbcClient jdbc, long questionnaire, Order order) {
        this.jdbc = jdbc;
        this.questionnaire = questionnaire;
        this.order = order;
    }

    /** The numbers of some of the responses, in order; equal answers in the order in which they came, turned round with the rest. */
    List<Long> numbers(int from, int most) {
        Map<String, Integer> counts = counts();
        List<Long> numbers = new ArrayList<>();
        int skip = from;
        for (String kind : kinds()) {
            int there = counts.getOrDefault(kind, 0);
            if (skip < there && numbers.size() < most) {
                numbers.addAll(asked(SORTED.formatted(order.down() ? " desc" : ""), skip, most - numbers.size()).param("kind", kind)
                        .query(Long.class).list());
            }
            skip = Math.max(0, skip - there);
        }
        if (numbers.size() < most) {
            blank().skip(skip).limit(most - numbers.size()).forEach(numbers::add);
        }
        return numbers;
    }

    /** Those without an answer, the newest first. */
    private Stream<Long> blank() {
        BitSet having = new BitSet();
        RowCallbackHandler each = row -> having.set(Math.toIntExact(row.getLong("response")));
        jdbc.sql(HAVING).param("questionnaire", questionnaire).param("sorted", order.answer()).query(each);
        return jdbc.sql(NEWEST).param("questionnaire", questionnaire).query(Long.class).list().stream()
                .filter(number -> !having.get(Math.toIntExact(number)));
    }

    private List<String> kinds() {
        Comparator<String> sorted = order.down() ? Comparator.reverseOrder() : Comparator.naturalOrder();
        return Arrays.stream(ValueKind.values()).filter(k -> k != ValueKind.ELEMENT).map(ValueKind::sign).sorted(sorted).toList();
    }

    private Map<String, Integer> counts() {
        Map<String, Integer> counts = new HashMap<>();
        jdbc.sql(COUNTED).param("questionnaire", questionnaire).param("sorted", order.answer()).query(row -> {
            counts.put(row.getString("kind"), row.getInt("n"));
        });
        return counts;
    }

    private JdbcClient.StatementSpec asked(String sql, int from, int most) {
        return jdbc.sql(sql).param("questionnaire", questionnaire).param("sorted", order.answer()).param("from", from).param("most", most);
    }
}
