package orthogon.core.interview;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import orthogon.core.questionnaire.Answer;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;

/**
 * How far an interview has come: the pages visited in order, the last of them the current one unless the interview is complete.
 *
 * @param effective the effective value of every asked question that is not blank
 * @param outcome empty while the interview runs, and where it ended without an outcome
 * @param endedBy {@code animal/finish/0} or {@code outcomeTable/1}; empty while it runs or where no row held
 * @param taken every skip and finish taken, as places
 */
public record Course(List<PageView> pages, boolean complete, Optional<String> outcome, Optional<String> endedBy, List<String> taken,
        Map<String, Object> effective, Set<String> asked) {

    /** One visited page as it stands. */
    public record PageView(Page page, List<Shown> shown, List<Problem> problems) {

        public Optional<Shown> shown(String code) {
            return shown.stream().filter(s -> s.item().code().equals(code)).findFirst();
        }
    }

    /**
     * One item that is shown.
     *
     * @param value what the respondent gave, which may be {@link Unreadable} or out of limits; null for blank
     * @param offered the options on offer
     */
    public record Shown(Item item, String wording, String help, boolean required, boolean locked, List<Answer.Option> offered,
            Object value) {

        public Optional<Question> question() {
            return item instanceof Question q ? Optional.of(q) : Optional.empty();
        }
    }

    /** The page to answer now; empty once complete. */
    public Optional<PageView> current() {
        return complete || pages.isEmpty() ? Optional.empty() : Optional.of(pages.getLast());
    }

    /** The codes of the questions asked, in order. */
    public List<String> askedQuestions() {
        return pages.stream().flatMap(p -> p.shown().stream()).filter(s -> s.item() instanceof Question).map(s -> s.item().code()).toList();
    }
}
