package orthogon.app.responses;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import orthogon.app.questions.AnswersInWords;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Roster;

/** What the table of responses says of one question in one response. */
final class Cells {

    /** Between the answers of two entries of a roster. */
    private static final String NEXT_ENTRY = " / ";

    private Cells() {}

    /**
     * The answer in words; inside a roster the answers of all entries in order, with a dash for a blank one.
     *
     * @param answers question or roster code to value
     * @return empty where the question is not in the document, or nothing was answered
     */
    static String of(Questionnaire document, String code, Map<String, Object> answers) {
        Optional<Question> question = document.question(code);
        if (question.isEmpty()) {
            return "";
        }
        Optional<Roster> roster = document.rosterOf(code);
        if (roster.isEmpty()) {
            return AnswersInWords.of(question.get(), answers.get(code)).orElse("");
        }
        return answers.get(roster.get().code()) instanceof List<?> entries
                ? entries.stream().map(e -> AnswersInWords.of(question.get(), ((Map<?, ?>) e).get(code)).orElse("–"))
                        .collect(Collectors.joining(NEXT_ENTRY))
                : "";
    }
}
