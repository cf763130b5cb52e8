package orthogon.core.interview;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import orthogon.core.expression.Evaluator;
import orthogon.core.expression.Wiring;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;

/**
 * One respondent's way through one document. Immutable: every step gives a new interview. What is asked is worked out anew from the
 * raw answers each time, so that going back and forth loses nothing and never leaves anything stale.
 *
 * @param today fixed at the start
 * @param link values that arrived with the link
 * A locked answer follows its start value, so that it cannot go stale behind the respondent's back.
 *
 * @param raw everything given so far, asked at present or not; values as in {@code Evaluator}, or {@link Unreadable}
 * @param started questions that were asked before, so that their start value is not filled in again
 * @param passed codes of the pages left with accepted answers, in order
 */
public record Interview(Wiring wiring, LocalDate today, Map<String, String> link, Map<String, Object> raw, Set<String> started,
        List<String> passed) {

    public Interview {
        link = Map.copyOf(link);
        raw = Collections.unmodifiableMap(new LinkedHashMap<>(raw));
        started = Collections.unmodifiableSet(new LinkedHashSet<>(started));
        passed = List.copyOf(passed);
    }

    /** An interview before its first page. Link values that are not allowed are left out. */
    public static Interview start(Wiring wiring, LocalDate today, Map<String, String> link) {
        Map<String, String> known = new LinkedHashMap<>();
        wiring.document().linkParameters().forEach(p -> {
            String value = link.getOrDefault(p.code(), "").trim();
            if (!value.isEmpty() && (p.allowed().isEmpty() || p.allowed().contains(value))) {
                known.put(p.code(), value);
            }
        });
        return new Interview(wiring, today, known, Map.of(), Set.of(), List.of()).withStartValues();
    }

    /** What came of leaving a page. */
    public sealed interface Step {

        Interview interview();

        /** The page was passed. */
        record Passed(Interview interview) implements Step {}

        /** Questions appeared on the same page that were not answered yet; nothing is wrong. */
        record Appeared(Interview interview, List<String> questions) implements Step {}

        /** The page holds answers that are not accepted; everything given is kept. */
        record Held(Interview interview, List<Problem> problems) implements Step {}
    }

    /**
     * Gives answers to the current page and tries to leave it.
     *
     * @param given question code to value, null for blank; questions left out keep their answer; those of other pages, locked ones and
     *            unknown ones are ignored
     * @throws IllegalStateException when the interview is complete
     */
    public Step leave(Map<String, Object> given) {
        Page page = course().current().orElseThrow(() -> new IllegalStateException("the interview is complete")).page();
        Interview answered = this;
        // A lock or a condition may hang on an answer given in the same step, so settle the page in document order.
        for (Question question : page.questions().toList()) {
            Course.PageView now = answered.course().pages().getLast();
            boolean open = now.shown(question.code()).map(s -> !s.locked()).orElse(true);
            if (given.containsKey(question.code()) && open) {
                answered = answered.with(question.code(), normal(given.get(question.code()), question));
            }
        }
        Set<String> startedBefore = answered.started;
        Interview settled = answered.withStartValues();
        Course.PageView view = settled.course().pages().getLast();
        List<String> appeared = view.shown().stream().filter(s -> s.question().isPresent()).map(s -> s.item().code())
                .filter(code -> !startedBefore.contains(code) && !given.containsKey(code)).toList();
        if (!appeared.isEmpty()) {
            return new Step.Appeared(settled, appeared);
        }
        if (!view.problems().isEmpty()) {
            return new Step.Held(settled, view.problems());
        }
        List<String> further = new ArrayList<>(settled.passed);
        further.add(page.code());
        return new Step.Passed(new Interview(wiring, today, link, settled.raw, settled.started, further).withStartValues());
    }

    /** Keeps what was given on the current page without trying to leave it; locked questions keep their answer. */
    public Interview keep(Map<String, Object> given) {
        return course().current().isEmpty() ? this : leave(given).interview().at(passed);
    }

    private Interview at(List<String> pages) {
        return new Interview(wiring, today, link, raw, started, pages);
    }

    /** Back to the page visited before the current one; nothing given is lost. */
    public Interview back() {
        return passed.isEmpty() ? this : at(passed.subList(0, passed.size() - 1));
    }

    /** Back to a page already passed; the interview itself where it was not passed. */
    public Interview backTo(String page) {
        int at = passed.indexOf(page);
        return at < 0 ? this : at(passed.subList(0, at));
    }

    public Course course() {
        return new Walk(this).walk();
    }

    /** The value of the condition at a place as the interview stands: true, false, or null where it cannot be said. */
    public Boolean truth(String place) {
        Walk walk = new Walk(this);
        walk.walk();
        return wiring.expr(place, true).map(e -> Evaluator.value(e, walk)).map(Boolean.class::cast).orElse(null);
    }

    /** The answers that count: of every asked question, and of those that keep theirs when hidden. Blank ones are left out. */
    public Map<String, Object> submission() {
        Map<String, Object> kept = new LinkedHashMap<>(course().effective());
        wiring.document().questions().filter(Question::keepWhenHidden).filter(q -> raw.get(q.code()) != null)
                .filter(q -> !(raw.get(q.code()) instanceof Unreadable)).forEach(q -> kept.putIfAbsent(q.code(), raw.get(q.code())));
        return kept;
    }

    private Interview with(String question, Object value) {
        Map<String, Object> changed = new LinkedHashMap<>(raw);
        if (value == null) {
            changed.remove(question);
        } else {
            changed.put(question, value);
        }
        Set<String> known = new LinkedHashSet<>(started);
        known.add(question);
        return new Interview(wiring, today, link, changed, known, passed);
    }

    /** Fills in start values of questions on the current page that are asked for the first time, one after the other. */
    private Interview withStartValues() {
        Interview filled = this;
        while (true) {
            Interview now = filled;
            Walk walk = new Walk(now);
            Course course = walk.walk();
            Question first = course.current().stream().flatMap(p -> p.shown().stream()).flatMap(s -> s.question().stream())
                    .filter(q -> !now.started.contains(q.code())).findFirst().orElse(null);
            if (first == null) {
                return now;
            }
            Object value = now.raw.get(first.code()) != null ? now.raw.get(first.code()) : walk.startValue(first);
            filled = now.with(first.code(), normal(value, first));
        }
    }

    /** Text trimmed, an empty text or list blank, chosen options in the order of the question. */
    private static Object normal(Object value, Question question) {
        return switch (value) {
            case null -> null;
            case String s -> s.trim().isEmpty() ? null : s.trim();
            case Unreadable u -> u.typed().isBlank() ? null : u;
            case Collection<?> c when c.isEmpty() -> null;
            case Collection<?> c -> {
                List<String> order = question.answer().options().stream().map(o -> o.code()).toList();
                List<Object> sorted = new ArrayList<>(c);
                sorted.sort(java.util.Comparator.comparingInt(o -> order.indexOf(o) < 0 ? Integer.MAX_VALUE : order.indexOf(o)));
                yield List.copyOf(sorted);
            }
            default -> value;
        };
    }
}
