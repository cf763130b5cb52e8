package orthogon.app.questions;

import orthogon.app.answer.MadeUp;
import orthogon.app.answer.kinds.AnswerControls;
import orthogon.core.interview.Course;
import orthogon.core.interview.Interview;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Roster;
import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.function.Function;
import orthogon.core.answer.lookup.LookupAnswer;
import java.util.stream.IntStream;

/** Plausible made-up answers, chosen by chance. Names are invented, numbers and addresses are from the ranges reserved for examples. */
public final class OrdinaryAnswers {

    /** How many in a hundred say yes where nothing else is said. */
    private static final int USUALLY_YES = 40;
    private static final int MOST_TRIES = 300;

    private final Map<String, List<String>> texts;
    private final Map<String, Integer> oftenYes;
    private final Function<LookupAnswer, List<Map<String, Object>>> records;

    /**
     * @param texts question code to texts to choose from
     * @param oftenYes question code to how many in a hundred say yes to it
     */
    public OrdinaryAnswers(Map<String, List<String>> texts, Map<String, Integer> oftenYes) {
        this(texts, oftenYes, lookup -> List.of());
    }

    private OrdinaryAnswers(Map<String, List<String>> texts, Map<String, Integer> oftenYes,
            Function<LookupAnswer, List<Map<String, Object>>> records) {
        this.texts = texts;
        this.oftenYes = oftenYes;
        this.records = records;
    }

    /** The same where lookups take one of these records; without any, they are left out. */
    public OrdinaryAnswers among(Function<LookupAnswer, List<Map<String, Object>>> some) {
        return new OrdinaryAnswers(texts, oftenYes, some);
    }

    /** Answers to everything that the current page asks, one after the other, since an answer may decide what comes next. */
    public Map<String, Object> page(Interview interview, Random random) {
        Course.PageView page = interview.course().current().orElseThrow();
        Map<String, Object> given = new LinkedHashMap<>();
        page.shown().stream().filter(s -> s.item() instanceof Roster).forEach(s -> given.put(s.slot(), entries((Roster) s.item(), random)));
        while (true) {
            Optional<Course.ShownItem> next = interview.keep(given).course().current().orElseThrow().shown().stream()
                    .filter(s -> s.question().isPresent() && !given.containsKey(s.slot())).findFirst();
            if (next.isEmpty()) {
                return given;
            }
            given.put(next.get().slot(), to(next.get(), random, interview.today()));
        }
    }

    /**
     * Leaves the current page: what is blank or wrong is answered by chance until the page accepts it, what was answered stays.
     *
     * @return empty where chance finds no answers that the page accepts
     */
    public Optional<Interview> leave(Interview interview, Random random) {
        Interview.LeaveResult asIs = interview.leave(Map.of());
        if (asIs instanceof Interview.LeaveResult.Passed passed && interview.course().current().orElseThrow().shown().stream()
                .noneMatch(s -> s.question().isPresent() && s.value() == null)) {
            return Optional.of(passed.interview());
        }
        for (int tries = 0; tries < MOST_TRIES; tries++) {
            Course.PageView view = interview.course().current().orElseThrow();
            Map<String, Object> given = page(interview, random);
            view.shown().stream().filter(s -> s.value() != null && view.problems().stream().noneMatch(p -> p.slot().equals(s.slot())))
                    .forEach(s -> given.put(s.slot(), s.value()));
            if (interview.leave(given) instanceof Interview.LeaveResult.Passed passed) {
                return Optional.of(passed.interview());
            }
        }
        return Optional.empty();
    }

    private static List<String> entries(Roster roster, Random random) {
        int count = Math.clamp(roster.least() + (random.nextInt(4) == 0 ? 1 + random.nextInt(2) : 0), roster.least(), roster.most());
        return IntStream.rangeClosed(1, count).mapToObj(String::valueOf).toList();
    }

    /** An answer to what is shown; null for blank. */
    public Object to(Course.ShownItem shown, Random random, LocalDate today) {
        Question q = shown.question().orElseThrow();
        return AnswerControls.of(q.answer()).madeUp(q.answer(), new MadeUp(shown.offered(), shown.rows(), shown.required(), today, random,
                texts.getOrDefault(q.code(), List.of()), oftenYes.getOrDefault(q.code(), USUALLY_YES), records));
    }
}
