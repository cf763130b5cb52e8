package orthogon.app.questions;

import orthogon.app.answer.PageRecords;
import orthogon.app.view.Views;
import orthogon.core.interview.Course;
import orthogon.core.interview.Interview;
import orthogon.core.language.OwnWords;
import orthogon.core.proof.Remaining;
import orthogon.core.questionnaire.Question;
import java.util.List;
import java.util.Optional;
import org.springframework.ui.Model;

/** Fills the page of questions: what {@code questions.html} needs. */
public final class QuestionsPage {

    /**
     * One answer in words, for reading over.
     *
     * @param problem why the answer is not accepted; empty where it is
     */
    public record ReviewLine(String page, String pageTitle, String slot, String wording, String answer, boolean first, String problem) {}

    private QuestionsPage() {}

    /**
     * @param action where the page is posted to
     * @param at slot of the one question to show, {@code last} for the last of the page; empty for the first that is open. Only looked at
     *            where questions are shown one at a time
     * @param seed of the order of shuffled options
     * @param furthest the percentage that was shown before
     * @param records what lookups may take
     * @return the percentage shown now
     */
       /** A page of questions. */
    record QuestionsView(PageModel page, String at, String action, boolean canGoBack, String notice, Progress progress, OwnWords words,
            String lang, String dir) {}

    public static int page(Interview interview, String action, String at, boolean withErrors, String notice, long seed, int furthest,
            Optional<Remaining.Left> left, PageRecords records, Model model) {
        RespondentTexts voice = RespondentTexts.of(interview);
        Course course = voice.course();
        Course.PageView view = course.current().orElseThrow();
        var presentation = interview.wiring().document().presentation();
        PageModel page = PageModel.of(view, voice, presentation, interview.today(), withErrors, seed, interview.endsHere(),
                records);
        List<String> questions = PageModel.questions(view);
        boolean single = presentation.theme().oneAtATime() && !questions.isEmpty();
        String only = "";
        if (single) {
            only = questions.contains(at)
                    ? at
                    : at.equals("last")
                            ? questions.getLast()
                            : PageModel.firstOpen(view, course).filter(questions::contains).orElse(questions.getFirst());
            page = page.only(only, only.equals(questions.getLast()));
        }
        Progress progress = Progress.of(interview, voice, furthest, left);
        Views.show(model,
                new QuestionsView(page, only, action, !interview.passed().isEmpty() || single && !only.equals(questions.getFirst()), notice,
                        progress, voice.ownWords(), voice.language(), voice.direction()));
        return progress.percent();
    }

    /** What a respondent is asked to agree to before it happens. */
    public static void warned(PageSubmission.Warned warned, Interview before, String go, Model model) {
        RespondentTexts voice = RespondentTexts.of(before);
        Course course = before.throughout();
        model.addAttribute("dropped", warned.dropped().stream().map(s -> line(voice, course, "", "", s, false)).toList());
        model.addAttribute("agreed", warned.agreement());
        model.addAttribute("wanted", go);
    }

    private static ReviewLine line(RespondentTexts voice, Course course, String page, String title, Course.ShownItem shown, boolean first) {
        Question question = shown.question().orElseThrow();
        String said = AnswersInWords.of(question, course.value(shown), voice.ownWords())
                .map(s -> shown.other().isEmpty() ? s : s + ": " + shown.other())
                .orElse(voice.say("no_answer"));
        String entry = shown.entry() == 0 ? "" : " (" + shown.entry() + ")";
        String problem = course.pages().stream().flatMap(p -> p.problems().stream()).filter(p -> p.slot().equals(shown.slot())).findFirst()
                .map(p -> voice.plain(p.message(), shown)).orElse("");
        return new ReviewLine(page, title, shown.slot(), voice.plain(shown.wording(), shown) + entry, said, first, problem);
    }

    /** Everything that is not accepted, on every page. */
    public static List<PageModel.PageMessage> problems(Interview interview) {
        return lines(interview).stream().filter(l -> !l.problem().isEmpty())
                .map(l -> new PageModel.PageMessage(l.slot().replace('.', '-'), l.wording(), l.problem())).toList();
    }

    /** Every question asked with its answer. */
    public static List<ReviewLine> lines(Interview interview) {
        RespondentTexts voice = RespondentTexts.of(interview);
        Course course = voice.course();
        List<ReviewLine> lines = new java.util.ArrayList<>();
        for (Course.PageView page : course.pages()) {
            boolean first = true;
            for (Course.ShownItem shown : page.shown()) {
                if (shown.question().isPresent()) {
                    lines.add(line(voice, course, page.page().code(), voice.plain(page.page().title()), shown, first));
                    first = false;
                }
            }
        }
        return lines;
    }
}
