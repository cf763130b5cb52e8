package orthogon.app.store;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import orthogon.app.store.ResponseStore.Wanted;
import org.springframework.jdbc.core.simple.JdbcClient;

/** What responses are wanted, as a condition over {@code response p join release r}, with its parameters. */
final class WantedSql {

    private static final String SEARCHED = """
             and p.number in (select w.response from response_words w where w.questionnaire_id = :questionnaire
                and w.%s like :word%d escape '\\')
            """;

    private final String condition;
    private final Map<String, Object> parameters = new LinkedHashMap<>();

    WantedSql(Wanted wanted) {
        SelectionSql selection = new SelectionSql(wanted.over(), wanted.selection());
        StringBuilder sql = new StringBuilder("p.questionnaire_id = :questionnaire and ").append(selection.condition());
        parameters.put("questionnaire", wanted.questionnaire());
        parameters.putAll(selection.parameters());
        List<String> words = wanted.words();
        for (int i = 0; i < words.size(); i++) {
            sql.append(SEARCHED.formatted(wanted.personal() ? "words" : "open_words", i));
            parameters.put("word" + i, "%" + SelectionSql.escaped(words.get(i)) + "%");
        }
        this.condition = sql.toString();
    }

    /** True or false of every row. */
    String condition() {
        return condition;
    }

    JdbcClient.StatementSpec given(JdbcClient.StatementSpec asked) {
        return asked.params(parameters);
    }
}
