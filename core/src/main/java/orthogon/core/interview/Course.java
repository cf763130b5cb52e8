package orthogon.core.interview;

import orthogon.core.answer.Answer;
import orthogon.core.answer.Option;
import orthogon.core.place.Place.Rule;
import orthogon.core.questionnaire.Burden;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Roster;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * How far an interview has come: the pages visited in order, the last of them the current one unless the interview is complete.
 *
 * @param effective the effective value of every asked question that is not blank; of a roster, its entries
 * @param outcome empty while the interview runs, and where it ended without an outcome
 * @param endedBy the finish or the row of the outcome table; empty while it runs or where no row held
 * @param taken every skip and finish taken, in the order of the interview
 */
public record Course(List<PageView> pages, boolean complete, Optional<String> outcome, Optional<Rule> endedBy, List<Rule> taken,
        Map<String, Object> effective, Set<String> asked) {

    /** One visited page as it stands. */
    public record PageView(Page page, List<ShownItem> shown, List<Problem> problems) {

        /** The item as shown outside of rosters, or in the first entry that shows it. */
        public Optional<ShownItem> shown(String code) {
            return shown.stream().filter(s -> s.item().code().equals(code)).findFirst();
        }

        /** What is shown at a slot. */
        public Optional<ShownItem> at(String slot) {
            return shown.stream().filter(s -> s.slot().equals(slot)).findFirst();
        }

        /** What the question at a slot takes; empty where no question that takes answers of this type is shown there. */
        public <T extends Answer> Optional<T> answer(String slot, Class<T> type) {
            return at(slot).flatMap(ShownItem::question).map(Question::answer).filter(type::isInstance).map(type::cast);
        }
    }

    /**
     * One item that is shown.
     *
     * @param slot where its answer is kept, see {@link Slots}; for what takes no answer, likewise unique on the page
     * @param roster code of the roster in whose entry it stands; empty outside
     * @param entry number of that entry in its roster, from 1; 0 outside
     * @param value what the respondent gave, which may be {@link Unreadable} or out of limits; null for blank; of a roster, its entries
     * @param offered the options on offer, with the labels they have now
     * @param rows codes of the rows of a grid that are asked
     * @param other the text beside an "other" option; may be empty
     */
    public record ShownItem(Item item, String slot, String roster, int entry, String wording, String help, boolean required, boolean locked,
            List<Option> offered, List<String> rows, Object value, String other) {

        public Optional<Question> question() {
            return item instanceof Question q ? Optional.of(q) : Optional.empty();
        }
    }

    /** The effective value of what is shown; null for blank. */
    public Object value(ShownItem shown) {
        return shown.roster().isEmpty()
                ? effective.get(shown.item().code())
                : ((Map<?, ?>) ((List<?>) effective.get(shown.roster())).get(shown.entry() - 1)).get(shown.item().code());
    }

    /** The page to answer now; empty once complete. */
    public Optional<PageView> current() {
        return complete || pages.isEmpty() ? Optional.empty() : Optional.of(pages.getLast());
    }

    /** Whether the answers can be sent: nothing is left to answer and nothing is wrong on any page. */
    public boolean acceptable() {
        return complete && pages.stream().allMatch(p -> p.problems().isEmpty());
    }

    /** How many words there were to read, as {@link Burden} counts them. */
    public int words() {
        return pages.stream().mapToInt(p -> Burden.words(p.page()) + p.shown().stream().mapToInt(s -> Burden.words(s.item())).sum()).sum();
    }

    /** The codes of the questions and rosters asked, in order; what is asked inside a roster is not among them. */
    public List<String> askedQuestions() {
        return pages.stream().flatMap(p -> p.shown().stream())
                .filter(s -> s.roster().isEmpty() && (s.item() instanceof Question || s.item() instanceof Roster))
                .map(s -> s.item().code()).toList();
    }
}
