package orthogon.app.responses;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import orthogon.app.frame.Frame;
import orthogon.app.questions.AnswersInWords;
import orthogon.app.responses.ResponseColumns.ResponseColumn;
import orthogon.app.questions.ResponsePaper;
import orthogon.app.store.ResponseStore.Response;
import orthogon.core.interview.Reasons;
import orthogon.core.questionnaire.Derived;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Roster;
import orthogon.core.responses.PersonalAnswers;
import orthogon.core.responses.ResponseFact;

/**
 * What the table of responses says in each cell.
 *
 * @param states labels of states by code
 * @param people names of persons by account
 * @param hidden codes of personal answers that are not for this reader
 */
record ResponseCells(Map<String, String> states, Map<String, String> people, Set<String> hidden) {

    /** Stands for an answer that is not for this reader. */
    static final String PERSONAL = ResponsePaper.HIDDEN;

    /**
     * One cell.
     *
     * @param heads of the questions of each entry, where the cell is a roster
     * @param entries answers of each entry of a roster
     * @param hidden whether an answer is there that is not for this reader
     */
    record ResponseCell(String text, List<String> heads, List<List<String>> entries, boolean hidden) {

        static ResponseCell plain(String text) {
            return new ResponseCell(text, List.of(), List.of(), false);
        }
    }

    /** @param document that was answered */
    ResponseCell of(Questionnaire document, Response response, ResponseColumn column) {
        if (column.hidden()) {
            return new ResponseCell(response.answers().containsKey(column.code()) ? PERSONAL : "", List.of(), List.of(), true);
        }
        return column.fact().map(fact -> ResponseCell.plain(fact(document, response, fact)))
                .orElseGet(() -> answer(document, column.code(), PersonalAnswers.without(response.answers(), hidden)));
    }

    private String fact(Questionnaire document, Response response, ResponseFact fact) {
        return switch (fact) {
            case RECEIPT -> response.receipt();
            case SENT -> Frame.when(response.sentAt());
            case OUTCOME -> document.outcome(response.outcome()).map(Questionnaire.Outcome::label).orElse(response.outcome());
            case RELEASE -> String.valueOf(response.release());
            case LANGUAGE -> response.language();
            case STATE -> states.getOrDefault(response.state(), response.state());
            case IN_CHARGE -> people.getOrDefault(response.inCharge(), response.inCharge());
        };
    }

    private static ResponseCell answer(Questionnaire document, String code, Map<String, Object> answers) {
        Object value = answers.get(code);
        return switch (document.item(code).orElse(null)) {
            case Question q -> ResponseCell.plain(AnswersInWords.of(q, value).orElse(""));
            case Roster r when value instanceof List<?> entries -> entries(r, entries);
            case Derived d -> ResponseCell.plain(value == null ? "" : Reasons.said(value));
            case null, default -> ResponseCell.plain(value instanceof String s ? s : "");
        };
    }

    private static ResponseCell entries(Roster roster, List<?> entries) {
        List<Question> inside = roster.withInner().filter(Question.class::isInstance).map(Question.class::cast).toList();
        List<List<String>> rows = new ArrayList<>();
        entries.forEach(
                entry -> rows.add(inside.stream().map(q -> AnswersInWords.of(q, ((Map<?, ?>) entry).get(q.code())).orElse("")).toList()));
        return new ResponseCell(rows.size() + (rows.size() == 1 ? " entry" : " entries"), inside.stream().map(Item::code).toList(), rows,
                false);
    }
}
