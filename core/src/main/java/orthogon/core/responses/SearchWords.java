package orthogon.core.responses;

import java.math.BigDecimal;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import orthogon.core.answer.Option;
import orthogon.core.answer.file.Attachment;
import orthogon.core.interview.Slots;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;

/** The text in which a response is searched: everything that was answered, choices by their labels, in small letters. */
public final class SearchWords {

    /** Longest text that is kept to be searched, in UTF-16 units; what is beyond it is not found. */
    public static final int LONGEST = 100_000;
    private static final String BETWEEN = "\n";

    private SearchWords() {}

    /** @param answers as they were sent */
    public static String of(Questionnaire document, String receipt, Map<String, Object> answers) {
        StringBuilder words = new StringBuilder(small(receipt));
        answers.forEach((code, value) -> add(document, document.question(Slots.code(code)), value, words));
        if (words.length() <= LONGEST) {
            return words.toString();
        }
        return words.substring(0, Character.isHighSurrogate(words.charAt(LONGEST - 1)) ? LONGEST - 1 : LONGEST);
    }

    /** A text as it is searched for. */
    public static String small(String text) {
        return text.toLowerCase(Locale.ROOT);
    }

    private static void add(Questionnaire document, Optional<Question> question, Object value, StringBuilder into) {
        switch (value) {
            case null -> {}
            case Boolean b -> {}
            case List<?> list -> list.forEach(v -> add(document, question, v, into));
            case Map<?, ?> parts -> parts.forEach((part, v) -> add(document, document.question((String) part).or(() -> question), v, into));
            case Attachment file -> into.append(BETWEEN).append(small(file.name()));
            case BigDecimal number -> into.append(BETWEEN).append(number.toPlainString());
            default -> {
                String text = value.toString();
                String label = question.flatMap(q -> q.answer().option(text)).map(Option::label).orElse("");
                into.append(BETWEEN).append(small(label.isEmpty() ? text : label));
            }
        }
    }
}
