package orthogon.app.questions;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import orthogon.app.answer.OfferedChoice;
import orthogon.app.answer.PageRecords;
import orthogon.app.answer.SoughtRecords;
import orthogon.app.answer.lookup.LookupControl;
import orthogon.core.answer.lookup.LookupAnswer;
import orthogon.core.interview.Interview;
import orthogon.core.language.OwnWords;

/**
 * What is suggested while somebody types into a lookup.
 *
 * @param says what came of looking, in the respondent's language
 */
public record FoundRecords(List<OfferedChoice> choices, String says) {

    /** @param slot of a lookup on the page that the interview is on; of another nothing is suggested */
    public static FoundRecords of(Interview interview, String slot, SoughtRecords sought, PageRecords records) {
        OwnWords words = OwnWords.of(interview.wiring().document());
        Optional<LookupAnswer> lookup = interview.course().current().flatMap(p -> p.answer(slot, LookupAnswer.class));
        List<OfferedChoice> choices = lookup.map(l -> sought.found().stream()
                .map((Map<String, Object> r) -> LookupControl.record(l, r, false, records, words)).toList()).orElse(List.of());
        return new FoundRecords(choices, words.say(sought.end().key(), SoughtRecords.MOST));
    }
}
