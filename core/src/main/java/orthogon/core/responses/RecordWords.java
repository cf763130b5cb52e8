package orthogon.core.responses;

import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import orthogon.core.answer.Answer;
import orthogon.core.answer.Domain;
import orthogon.core.answer.Option;
import orthogon.core.answer.lookup.RecordAnswer;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;

/** The words of the texts in a response, by which lookups find it as a record. */
public final class RecordWords {

    /** Longest word that is kept, in UTF-16 units; of a longer one its beginning is. */
    public static final int LONGEST = 40;
    /** Most words that are kept of one text. */
    public static final int MOST_OF_TEXT = 12;

    private RecordWords() {}

    /**
     * The words of each text outside of rosters, by the name under which its value is kept: parts of names and addresses as
     * {@code name.family}.
     *
     * @param answers as they were sent
     */
    public static Map<String, Set<String>> of(Questionnaire document, Map<String, Object> answers) {
        Map<String, Set<String>> words = new LinkedHashMap<>();
        document.questions().filter(q -> RecordAnswer.canShow(q.answer()) && document.rosterOf(q.code()).isEmpty()).forEach(q -> {
            Object value = answers.get(q.code());
            names(q).forEach(name -> {
                Object text = value instanceof Map<?, ?> parts ? parts.get(name.substring(name.indexOf('.') + 1)) : value;
                if (text instanceof String typed && !typed.isBlank()) {
                    words.put(name, words(typed));
                }
            });
        });
        return words;
    }

    /** Under which names the texts of an answer are kept; none for answers that are no texts. */
    public static Stream<String> names(Question question) {
        return switch (question.answer().domain()) {
            case Domain.TextParts parts -> parts.parts().stream().map(p -> question.code() + "." + p);
            case Domain.FreeTexts t -> Stream.of(question.code());
            case Domain.Opaque o -> Stream.of(question.code());
            default -> Stream.empty();
        };
    }

    /** The codes of the options of an answer whose labels have a word that begins like this; none for answers without options. */
    public static List<String> codes(Answer answer, String beginning) {
        return answer.options().stream().filter(o -> sought(o.label()).stream().anyMatch(w -> w.startsWith(beginning))).map(Option::code)
                .toList();
    }

    /** The words of a text as they are sought, in small letters. */
    public static List<String> sought(String typed) {
        return Arrays.stream(typed.toLowerCase(Locale.ROOT).strip().split("\\s+")).filter(w -> !w.isEmpty()).map(RecordWords::beginning)
                .toList();
    }

    private static Set<String> words(String text) {
        return new LinkedHashSet<>(sought(text).stream().distinct().limit(MOST_OF_TEXT).toList());
    }

    private static String beginning(String word) {
        if (word.length() <= LONGEST) {
            return word;
        }
        // No database takes half of a pair of surrogates.
        return word.substring(0, Character.isHighSurrogate(word.charAt(LONGEST - 1)) ? LONGEST - 1 : LONGEST);
    }
}
