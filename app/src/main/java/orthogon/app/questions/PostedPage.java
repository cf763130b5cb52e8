package orthogon.app.questions;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import orthogon.app.answer.PageRecords;
import orthogon.core.interview.Course;
import orthogon.core.interview.Interview;
import orthogon.core.questionnaire.Roster;
import org.springframework.http.HttpStatus;
import org.springframework.util.MultiValueMap;
import org.springframework.web.server.ResponseStatusException;

/**
 * A page as it is while somebody fills it in.
 *
 * @param interview that is on the page
 * @param given what is on the page now
 */
public record PostedPage(Interview interview, Map<String, Object> given) {

    /**
     * Reads what is on the page now.
     *
     * @param interview empty where there is none that can be answered
     * @param records what lookups may take
     * @throws ResponseStatusException with status 409, where the interview is on another page
     */
    public static PostedPage of(Optional<Interview> interview, MultiValueMap<String, String> form, PageRecords records) {
        Optional<Course.PageView> page = interview.flatMap(i -> i.course().current())
                .filter(p -> p.page().code().equals(form.getFirst(PageForm.PAGE)));
        if (page.isEmpty()) {
            throw new ResponseStatusException(HttpStatus.CONFLICT, "The interview has moved on to another page in the meantime.");
        }
        String language = interview.get().wiring().document().sourceLanguage();
        return new PostedPage(interview.get(), PageForm.soFar(page.get(), language, form, records));
    }

    /**
     * What is kept in case the page is closed: what is on it, and what was typed before and is not asked any more. It may be asked again,
     * as when a number is corrected that says how many entries a roster has.
     *
     * @param before what was kept so far
     */
    public Map<String, Object> draft(Map<String, Object> before) {
        Map<String, Object> draft = new LinkedHashMap<>(before);
        draft.putAll(given);
        Interview now = now();
        given.keySet().stream().filter(slot -> now.raw().get(slot) instanceof List<?> && isRoster(slot))
                .forEach(slot -> draft.put(slot, now.raw().get(slot)));
        return draft;
    }

    private boolean isRoster(String slot) {
        return interview.wiring().document().item(slot).filter(Roster.class::isInstance).isPresent();
    }

    /** The interview with what is on the page, which may leave things open. */
    public Interview now() {
        return interview.keep(given);
    }
}
