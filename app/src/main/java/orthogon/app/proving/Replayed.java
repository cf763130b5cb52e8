package orthogon.app.proving;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import orthogon.app.store.DrillStore.SavedDrill;
import orthogon.core.dispatch.DueMessage;
import orthogon.core.expression.Wiring;
import orthogon.core.interview.Course;
import orthogon.core.interview.Interview;
import orthogon.core.proof.claim.Replay;
import orthogon.core.questionnaire.Question;

/**
 * A drill walked again through the document as it is now.
 *
 * @param differs what is otherwise than expected, in words; empty where everything is as it was
 */
public record Replayed(SavedDrill drill, Interview interview, String differs) {

    public static Replayed of(SavedDrill drill, Wiring wiring) {
        Map<String, Object> answers = new LinkedHashMap<>(drill.answers());
        answers.putAll(drill.link());
        Interview interview = Replay.of(wiring, drill.today(), answers, "");
        return new Replayed(drill, interview, difference(drill, interview));
    }

    private static String difference(SavedDrill drill, Interview interview) {
        Course course = interview.course();
        List<String> asked = course.askedQuestions();
        List<String> words = new ArrayList<>();
        List<String> added = asked.stream().filter(q -> !drill.asked().contains(q)).toList();
        List<String> gone = drill.asked().stream().filter(q -> !asked.contains(q)).toList();
        if (!added.isEmpty()) {
            words.add("asks also " + String.join(", ", added));
        }
        if (!gone.isEmpty()) {
            words.add("no longer asks " + String.join(", ", gone));
        }
        if (added.isEmpty() && gone.isEmpty() && !asked.equals(drill.asked())) {
            words.add("asks in a different order");
        }
        String outcome = course.outcome().orElse("");
        if (!drill.outcome().isEmpty() && !course.complete()) {
            words.add("stays on page " + course.current().map(p -> p.page().code()).orElse("") + course.current()
                    .flatMap(p -> p.problems().stream().findFirst()).map(p -> " by " + p.slot() + ": " + p.message()).orElse(""));
        } else if (!outcome.equals(drill.outcome())) {
            words.add("ends in " + (outcome.isEmpty() ? "no outcome" : outcome) + " instead of "
                    + (drill.outcome().isEmpty() ? "none" : drill.outcome()));
        }
        drill.sends().ifPresent(expected -> messages(expected, DueMessage.codes(interview), words));
        return String.join("; ", words);
    }

    private static void messages(List<String> expected, List<String> sent, List<String> words) {
        List<String> more = sent.stream().filter(m -> !expected.contains(m)).toList();
        List<String> less = expected.stream().filter(m -> !sent.contains(m)).toList();
        if (!more.isEmpty()) {
            words.add("sends also " + String.join(", ", more));
        }
        if (!less.isEmpty()) {
            words.add("no longer sends " + String.join(", ", less));
        }
    }

    /** The walk as it stands, to be kept with what it leads to. */
    public static SavedDrill saved(String name, Interview interview, String author) {
        Course course = interview.course();
        Map<String, Object> answers = new LinkedHashMap<>(interview.submission());
        interview.wiring().document().questions().filter(Question::isHidden).forEach(q -> answers.remove(q.code()));
        return new SavedDrill(0, name, interview.link(), answers, interview.today(), course.askedQuestions(), course.outcome().orElse(""),
                Optional.of(DueMessage.codes(interview)), author);
    }
}
