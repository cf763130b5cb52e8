package orthogon.core.questionnaire;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;

/**
 * What comes with the text of a message.
 *
 * @param tells which questions with their answers follow the body
 * @param told codes of these questions, where only some are told
 * @param nothingLeftOut whether the proof checks that every question is told that was asked
 * @param paper whether the response is attached as a PDF file
 * @param files whether the files that the respondent gave are attached
 */
public record MessageContents(ToldAnswers tells, List<String> told, boolean nothingLeftOut, boolean paper, boolean files) {

    /** Which questions a message tells, with their answers: those that the respondent was asked, in order. */
    public enum ToldAnswers {
        EVERYTHING, THESE, NOTHING;

        public String word() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /** Everything that was asked, with nothing attached. */
    public static final MessageContents EVERYTHING = new MessageContents(ToldAnswers.EVERYTHING, List.of(), false, false, false);

    public MessageContents {
        told = List.copyOf(told);
    }

    /** Whether the answer to a question is told, if it was asked. */
    boolean tells(String question) {
        return switch (tells) {
            case EVERYTHING -> true;
            case THESE -> told.contains(question);
            case NOTHING -> false;
        };
    }

    MessageContents withTold(List<String> changed) {
        return new MessageContents(tells, changed, nothingLeftOut, paper, files);
    }

    MessageContents withCodes(Map<String, String> codes) {
        return withTold(told.stream().map(c -> codes.getOrDefault(c, c)).toList());
    }

    MessageContents without(Set<String> gone) {
        return withTold(told.stream().filter(c -> !gone.contains(c)).toList());
    }
}
