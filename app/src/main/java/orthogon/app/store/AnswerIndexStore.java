package orthogon.app.store;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Gatherers;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.responses.AnswerFigures;
import orthogon.core.responses.AnswerTally;
import orthogon.core.responses.ChosenRecords;
import orthogon.core.responses.KeptValue;
import orthogon.core.responses.PersonalAnswers;
import orthogon.core.responses.RecordWords;
import orthogon.core.responses.SearchWords;
import org.springframework.jdbc.core.simple.JdbcClient;

/** What responses are filtered, sorted, searched and counted by. Every method runs within a transaction of the caller's. */
final class AnswerIndexStore {

    private static final String WORDS = """
            insert into %s (response, questionnaire_id, words) values (:number, :questionnaire, :words)
            """;
    private static final String STRIP_WORDS = """
            update response_words set words = (select o.words from response_open_words o where o.response = :number)
            where response = :number
            """;
    private static final String TALLY = """
            insert into response_tally (response, questionnaire_id, line) values (:number, :questionnaire, :line)
            """;
    private static final String STRIP = """
            delete from %s where response = :number and (name = :name or name like :parts escape '\\')
            """;
    private static final String CHOICE = "insert into record_choice (response, slot, record) values (:number, :slot, :record)";
    /** The tables in which something stands for each response. */
    private static final List<String> KEPT = List.of("answer_value", "response_words", "response_open_words", "response_tally",
            "record_choice", "record_word");
    private static final int VALUES_AT_ONCE = 40;

    private final JdbcClient jdbc;

    AnswerIndexStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** @param answers as they were sent */
    void add(long number, long questionnaire, Questionnaire document, String receipt, Map<String, Object> answers) {
        List<KeptValue> values = KeptValue.of(document, answers);
        values.stream().gather(Gatherers.windowFixed(VALUES_AT_ONCE)).forEach(some -> insert(number, questionnaire, some));
        Map<String, Object> open = PersonalAnswers.without(answers, PersonalAnswers.of(document));
        Map.of("response_words", answers, "response_open_words", open)
                .forEach((table, searched) -> jdbc.sql(WORDS.formatted(table)).param("number", number).param("questionnaire", questionnaire)
                        .param("words", SearchWords.of(document, receipt, searched)).update());
        jdbc.sql(TALLY).param("number", number).param("questionnaire", questionnaire).param("line", line(document, values)).update();
        words(number, questionnaire, document, answers);
        ChosenRecords.of(document, answers).forEach((slot, receiptOfRecord) -> jdbc.sql(CHOICE).param("number", number).param("slot", slot)
                .param("record", receiptOfRecord).update());
    }

    private void words(long number, long questionnaire, Questionnaire document, Map<String, Object> answers) {
        RecordWords.of(document, answers).entrySet().stream()
                .flatMap(e -> e.getValue().stream().map(word -> List.<Object>of(questionnaire, e.getKey(), word, number)))
                .gather(Gatherers.windowFixed(VALUES_AT_ONCE)).forEach(some -> {
                    String rows = String.join(", ", Collections.nCopies(some.size(), "(?, ?, ?, ?)"));
                    jdbc.sql("insert into record_word (questionnaire_id, name, word, response) values " + rows)
                            .params(some.stream().flatMap(List::stream).toList()).update();
                });
    }

    /** Keeps it anew after answers have changed. */
    void again(long number, long questionnaire, Questionnaire document, String receipt, Map<String, Object> answers) {
        KEPT.forEach(table -> jdbc.sql("delete from " + table + " where response = :number").param("number", number).update());
        add(number, questionnaire, document, receipt, answers);
    }

    private void insert(long number, long questionnaire, List<KeptValue> values) {
        String rows = values.stream().map(v -> "(?, ?, ?, ?, ?, ?)").collect(Collectors.joining(", "));
        List<Object> parameters = new ArrayList<>();
        values.forEach(v -> parameters.addAll(Arrays.asList(questionnaire, v.code(), v.kind().sign(), v.text(), v.number(), number)));
        jdbc.sql("insert into answer_value (questionnaire_id, name, kind, text, number, response) values " + rows).params(parameters)
                .update();
    }

    private static String line(Questionnaire document, List<KeptValue> values) {
        return AnswerTally.line(values, new HashSet<>(AnswerFigures.counted(document)));
    }

    /**
     * Takes personal answers out.
     *
     * @param open the answers that stay
     * @param personal codes of those that go
     */
    void strip(long number, Questionnaire document, Map<String, Object> open, Set<String> personal) {
        List.of("answer_value", "record_word").forEach(table -> personal.forEach(code -> jdbc.sql(STRIP.formatted(table))
                .param("number", number).param("name", code).param("parts", ConditionSql.escaped(code) + ".%").update()));
        jdbc.sql(STRIP_WORDS).param("number", number).update();
        jdbc.sql("update response_tally set line = :line where response = :number").param("number", number)
                .param("line", line(document, KeptValue.of(document, open))).update();
    }
}
