package orthogon.core.proof.claim;

import java.time.LocalDate;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import orthogon.core.expression.Wiring;
import orthogon.core.interview.Course;
import orthogon.core.interview.Interview;
import orthogon.core.interview.Slots;
import orthogon.core.proof.flow.Routes;
import orthogon.core.questionnaire.Questionnaire.LinkParameter;

/** Walks a witness through the interview engine, which knows nothing of the proof. */
public final class Replay {

    private Replay() {}

    /** Whether the interview went along the route: it asked exactly its questions, came to the end, and ended as the route does. */
    public static boolean isAlong(Course course, Routes routes, Routes.Route route) {
        Set<String> asked = course.asked().stream().filter(routes::knows).collect(Collectors.toSet());
        return course.complete() && asked.equals(route.asked()) && course.outcome().orElse("").equals(route.outcome());
    }

    /**
     * The interview of somebody who gives these answers and leaves everything else blank.
     *
     * @param answers question or link parameter to value
     * @param stopAt code of the page to stop at, its answers given but the page not left; empty to go as far as possible
     */
    public static Interview of(Wiring wiring, LocalDate today, Map<String, Object> answers, String stopAt) {
        Map<String, String> link = new LinkedHashMap<>();
        for (LinkParameter parameter : wiring.document().arriving()) {
            if (answers.get(parameter.code()) instanceof String value) {
                link.put(parameter.code(), value);
            }
        }
        Map<String, Object> flat = Slots.flat(wiring.document(), answers);
        Interview interview = Interview.start(wiring, today, link);
        while (true) {
            Course.PageView page = interview.course().current().orElse(null);
            if (page == null) {
                return interview;
            }
            Map<String, Object> given = new HashMap<>();
            Slots.on(page.page(), flat).forEach(slot -> given.put(slot, flat.get(slot)));
            if (page.page().code().equals(stopAt)) {
                return interview.keep(given);
            }
            Interview.LeaveResult step = interview.leave(given);
            if (!(step instanceof Interview.LeaveResult.Passed)) {
                return step.interview();
            }
            interview = step.interview();
        }
    }
}
