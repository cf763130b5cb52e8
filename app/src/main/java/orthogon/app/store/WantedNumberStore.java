package orthogon.app.store;

import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.BiConsumer;
import orthogon.app.store.ResponseStore.Wanted;
import orthogon.core.responses.Selection;
import org.springframework.jdbc.core.RowCallbackHandler;
import org.springframework.jdbc.core.simple.JdbcClient;

/**
 * Finds the numbers of the wanted responses to a questionnaire. Each condition and the search are one query, along one index or through
 * one table, and the sets are brought together here: a database that joins them looks up and compares every row.
 */
final class WantedNumberStore {

    private static final String ALL = "select number from response where questionnaire_id = :questionnaire";
    private static final String SEARCHED = "select w.response from %s w where w.questionnaire_id = :questionnaire";

    private final JdbcClient jdbc;
    private final Wanted wanted;
    private BitSet all;

    private WantedNumberStore(JdbcClient jdbc, Wanted wanted) {
        this.jdbc = jdbc;
        this.wanted = wanted;
    }

    static BitSet of(JdbcClient jdbc, Wanted wanted) {
        WantedNumberStore numbers = new WantedNumberStore(jdbc, wanted);
        BitSet found = numbers.of(wanted.selection());
        if (!wanted.words().isEmpty()) {
            found.and(numbers.searched());
        }
        return found;
    }

    /** A set of the caller's own. */
    private BitSet of(Selection selection) {
        return switch (selection) {
            case Selection.EveryResponse e -> everyResponse();
            case Selection.NoResponse n -> new BitSet();
            case Selection.Numbered n -> {
                BitSet numbers = new BitSet();
                n.numbers().forEach(number -> numbers.set(Math.toIntExact(number)));
                numbers.and(everyResponse());
                yield numbers;
            }
            case Selection.AllOf a -> joined(a.parts(), BitSet::and);
            case Selection.AnyOf a -> joined(a.parts(), BitSet::or);
            case Selection.Outside o -> {
                BitSet others = everyResponse();
                others.andNot(of(o.of()));
                yield others;
            }
            case Selection.Answered a -> asked(new ConditionSql(wanted.over(), a));
            case Selection.Holding h -> asked(new ConditionSql(wanted.over(), h));
            case Selection.Compared c -> asked(new ConditionSql(wanted.over(), c));
            case Selection.Sized s -> asked(new ConditionSql(wanted.over(), s));
            case Selection.Containing c -> asked(new ConditionSql(wanted.over(), c));
        };
    }

    private BitSet joined(List<Selection> parts, BiConsumer<BitSet, BitSet> by) {
        BitSet joined = of(parts.getFirst());
        parts.subList(1, parts.size()).forEach(part -> by.accept(joined, of(part)));
        return joined;
    }

    private BitSet everyResponse() {
        if (all == null) {
            all = read(ALL, Map.of());
        }
        return (BitSet) all.clone();
    }

    private BitSet asked(ConditionSql condition) {
        return read(condition.query(), condition.parameters());
    }

    private BitSet searched() {
        StringBuilder sql = new StringBuilder(SEARCHED.formatted(wanted.personal() ? "response_words" : "response_open_words"));
        Map<String, Object> parameters = new HashMap<>();
        for (String word : wanted.words()) {
            String name = "word" + parameters.size();
            sql.append(" and w.words like :").append(name).append(" escape '\\'");
            parameters.put(name, "%" + ConditionSql.escaped(word) + "%");
        }
        return read(sql.toString(), parameters);
    }

    private BitSet read(String sql, Map<String, ?> parameters) {
        BitSet numbers = new BitSet();
        RowCallbackHandler each = row -> numbers.set(Math.toIntExact(row.getLong(1)));
        jdbc.sql(sql).param("questionnaire", wanted.questionnaire()).params(parameters).query(each);
        return numbers;
    }
}
