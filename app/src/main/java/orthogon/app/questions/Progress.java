package orthogon.app.questions;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import orthogon.core.interview.Course;
import orthogon.core.interview.Interview;
import orthogon.core.proof.Remaining;
import orthogon.core.questionnaire.Presentation;

/**
 * How far a respondent has come, by what the proof says may still come.
 *
 * @param percent of the way that is certainly done; never less than it was before
 * @param words how many questions are left, fewest and most; empty where that cannot be told
 * @param label what a step shows
 * @param steps pages passed, the current one, and those that come as the answers stand
 */
public record Progress(Presentation.ProgressStyle kind, int percent, String words, Presentation.StepLabel label, List<ProgressStep> steps) {

    /** The number of the current page, from 1. */
    public int number() {
        return 1 + (int) steps.stream().takeWhile(s -> !s.state().equals("now")).count();
    }

    /** How many pages there are as the answers stand. */
    public int pages() {
        return steps.size();
    }

    /**
     * @param number from 1
     * @param state {@code done}, {@code now}, {@code met} where the respondent was before, or {@code coming}
     */
    public record ProgressStep(String page, int number, String title, String state) {

        /** Whether the respondent can go there. */
        public boolean open() {
            return state.equals("done") || state.equals("met");
        }
    }

    /**
     * @param furthest the percentage that was shown before
     * @param left what may still come; empty where it is not known
     */
    public static Progress of(Interview interview, RespondentTexts voice, int furthest, Optional<Remaining.Left> left) {
        Course course = voice.course();
        long done = course.pages().stream().filter(p -> interview.passed().contains(p.page().code()))
                .mapToLong(Progress::questions).sum();
        long here = course.current().map(Progress::questions).orElse(0L);
        List<Course.PageView> all = interview.throughout().pages();
        int at = interview.passed().size();
        int percent = left.map(l -> (int) (100 * done / Math.max(1, done + l.most())))
                .orElseGet(() -> 100 * at / Math.max(1, all.size()));
        Presentation presentation = interview.wiring().document().presentation();
        Presentation.ProgressStyle kind = presentation.theme().progress();
        Interview far = kind == Presentation.ProgressStyle.STEPS ? interview.asFarAsMet() : interview;
        Set<String> met = new HashSet<>(far.passed());
        far.course().current().filter(far::met).ifPresent(p -> met.add(p.page().code()));
        List<ProgressStep> steps = new ArrayList<>();
        String current = course.current().map(p -> p.page().code()).orElse("");
        for (Course.PageView view : all) {
            String code = view.page().code();
            String state = code.equals(current)
                    ? "now"
                    : interview.passed().contains(code) ? "done" : met.contains(code) ? "met" : "coming";
            steps.add(new ProgressStep(code, steps.size() + 1, voice.plain(view.page().title()), state));
        }
        return new Progress(kind, Math.max(furthest, Math.min(99, percent)), left.map(l -> words(l, here, voice)).orElse(""),
                presentation.navigation().steps(), steps);
    }

    private static long questions(Course.PageView page) {
        return page.shown().stream().filter(s -> s.roster().isEmpty() && (s.question().isPresent()
                || s.item() instanceof orthogon.core.questionnaire.Roster)).count();
    }

    private static String words(Remaining.Left left, long here, RespondentTexts voice) {
        // What is on the page already is certainly asked.
        int least = (int) Math.max(left.least(), Math.min(here, left.most()));
        return least == left.most()
                ? voice.say("left", left.most())
                : voice.say("left_between", least, left.most());
    }
}
