package orthogon.core.interview;

import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import orthogon.core.answer.lookup.LookupAnswer;
import orthogon.core.questionnaire.Question;

/** Which records a lookup offers. */
public final class OfferedRecords {

    private OfferedRecords() {}

    /**
     * Tells the records that the lookup at a slot of the current page offers, as everything before it stands. These are within the limits
     * of what is shown, meet what every record meets, and meet the lookup's own condition. Nothing is on offer where no lookup is shown.
     */
    public static Predicate<Map<String, Object>> at(Interview interview, String slot) {
        Walk walk = new Walk(interview);
        Optional<Course.ShownItem> shown = walk.walk().current().flatMap(page -> page.at(slot));
        Optional<Question> lookup = shown.flatMap(Course.ShownItem::question).filter(q -> q.answer() instanceof LookupAnswer);
        if (lookup.isEmpty()) {
            return r -> false;
        }
        walk.stand(shown.get().roster(), shown.get().entry());
        return r -> lookup.get().answer().refusal(r, interview.today()).isEmpty() && walk.offers(lookup.get(), r);
    }
}
