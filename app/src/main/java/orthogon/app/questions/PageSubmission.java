package orthogon.app.questions;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import orthogon.core.interview.Course;
import orthogon.core.interview.Interview;
import orthogon.core.interview.Problem;
import org.springframework.util.MultiValueMap;

/** What comes of one button pressed on a page of questions, for respondents and for rehearsals alike. */
public sealed interface PageSubmission {

    /** The interview as it is from now on, or would be where that is still to be agreed to. */
    Interview interview();

    /**
     * On to a page, or to a question of the same page.
     *
     * @param passed the page that was left with everything on it accepted
     * @param at slot of the question to show, where questions are shown one at a time; empty for the first that is open
     */
    record Moved(Interview interview, Optional<String> passed, String at) implements PageSubmission {}

    /**
     * The same page again.
     *
     * @param refused whether answers were not accepted
     * @param appeared slots of questions that the answers brought onto the page
     * @param at slot of the question to show, where questions are shown one at a time
     */
    record Again(Interview interview, boolean refused, List<String> appeared, String at) implements PageSubmission {}

    /** Nothing is changed yet: answers given later would count no more. */
    record Warned(Interview interview, List<Course.ShownItem> dropped, String at) implements PageSubmission {

        /** What the respondent agrees to by pressing on. */
        public String agreement() {
            return agreement(dropped);
        }

        private static String agreement(List<Course.ShownItem> dropped) {
            return dropped.stream().map(Course.ShownItem::slot).collect(Collectors.joining(" "));
        }
    }

    /**
     * @param interview on the posted page
     * @param given what was posted, read
     */
    static PageSubmission of(Interview interview, Map<String, Object> given, MultiValueMap<String, String> form) {
        String go = Optional.ofNullable(form.getFirst(PageForm.GO)).orElse("next");
        boolean single = interview.wiring().document().presentation().theme().oneAtATime();
        String at = Optional.ofNullable(form.getFirst(PageForm.AT)).orElse("");
        Interview kept = interview.keep(given);
        if (PageForm.changesEntries(form) || !PageForm.sought(form).isEmpty() || !PageForm.adding(form).isEmpty()) {
            return new Again(kept, false, List.of(), at);
        }
        List<Course.ShownItem> dropped = interview.dropped(kept);
        if (!dropped.isEmpty() && !Warned.agreement(dropped).equals(form.getFirst(PageForm.AGREED))) {
            return new Warned(kept, dropped, at);
        }
        String to = go.startsWith("to:") ? go.substring(3) : "";
        if (interview.passed().contains(to)) {
            return new Moved(kept.backTo(to), Optional.empty(), "");
        }
        Course.PageView view = kept.course().current().orElseThrow();
        List<String> questions = PageModel.questions(view);
        int position = single ? questions.indexOf(at) : -1;
        if (go.equals("back")) {
            return position > 0
                    ? new Moved(kept, Optional.empty(), questions.get(position - 1))
                    : new Moved(kept.back(), Optional.empty(), single ? "last" : "");
        }
        if (to.isEmpty() && position >= 0 && position < questions.size() - 1) {
            boolean wrong = !interview.openEnded() && view.problems().stream().anyMatch(p -> p.slot().equals(at));
            return wrong ? new Again(kept, true, List.of(), at) : new Moved(kept, Optional.empty(), questions.get(position + 1));
        }
        String page = view.page().code();
        return switch (interview.leave(given)) {
            case Interview.LeaveResult.Passed p ->
                new Moved(to.isEmpty() ? p.interview() : p.interview().forwardTo(to), Optional.of(page), "");
            case Interview.LeaveResult.Appeared a -> new Again(a.interview(), false, a.slots(), a.slots().getFirst());
            case Interview.LeaveResult.Held h -> new Again(h.interview(), true, List.of(), h.problems().stream().map(Problem::slot)
                    .filter(s -> questions.isEmpty() || questions.contains(s)).findFirst().orElse(at));
        };
    }
}
