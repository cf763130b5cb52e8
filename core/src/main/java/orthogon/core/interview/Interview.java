package orthogon.core.interview;

import orthogon.core.expression.Evaluator;
import orthogon.core.expression.Situation;
import orthogon.core.expression.Expr;
import orthogon.core.expression.Wiring;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Presentation;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Roster;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;

/**
 * One respondent's way through one document. Immutable: every step gives a new interview. What is asked is worked out anew from the
 * raw answers each time, so that going back and forth loses nothing and never leaves anything stale.
 *
 * <p>A locked answer follows its start value, so that it cannot go stale behind the respondent's back.
 */
public final class Interview {

    private final Wiring wiring;
    private final LocalDate today;
    private final Map<String, String> link;
    private final Map<String, Object> raw;
    private final Set<String> started;
    private final List<String> passed;
    private final boolean openEnded;
    /** Worked out when they are first asked for, since a page asks for them many times. */
    private volatile Course course;
    private volatile Course throughout;

    /**
     * @param today fixed at the start
     * @param link values that arrived with the link
     * @param raw everything given so far by slot, see {@link Slots}, asked at present or not; values as in {@code Evaluator}, or
     *            {@link Unreadable}
     * @param started slots that were asked before, so that their start value is not filled in again
     * @param passed codes of the pages left, in order; with accepted answers, unless {@code openEnded}
     * @param openEnded whether a page can be left with problems, which must be solved before the answers are sent
     */
    public Interview(Wiring wiring, LocalDate today, Map<String, String> link, Map<String, Object> raw, Set<String> started,
            List<String> passed, boolean openEnded) {
        this.wiring = wiring;
        this.today = today;
        this.link = Map.copyOf(link);
        this.raw = Collections.unmodifiableMap(new LinkedHashMap<>(raw));
        this.started = Collections.unmodifiableSet(new LinkedHashSet<>(started));
        this.passed = List.copyOf(passed);
        this.openEnded = openEnded;
    }

    public Wiring wiring() {
        return wiring;
    }

    public LocalDate today() {
        return today;
    }

    public Map<String, String> link() {
        return link;
    }

    public Map<String, Object> raw() {
        return raw;
    }

    public Set<String> started() {
        return started;
    }

    public List<String> passed() {
        return passed;
    }

    public boolean openEnded() {
        return openEnded;
    }

    private List<Object> all() {
        return List.of(wiring, today, link, raw, started, passed, openEnded);
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Interview interview && all().equals(interview.all());
    }

    @Override
    public int hashCode() {
        return all().hashCode();
    }

    @Override
    public String toString() {
        return "interview of " + wiring.document().code() + " with " + raw + " after " + passed;
    }

    /** An interview before its first page. Link values that are not allowed are left out. */
    public static Interview start(Wiring wiring, LocalDate today, Map<String, String> link) {
        Map<String, String> known = new LinkedHashMap<>();
        wiring.document().arriving().forEach(p -> {
            String value = link.getOrDefault(p.code(), "").trim();
            if (!value.isEmpty() && (p.allowed().isEmpty() || p.allowed().contains(value))) {
                known.put(p.code(), value);
            }
        });
        return new Interview(wiring, today, known, Map.of(), Set.of(), List.of(), false).withStartValues();
    }

    /** The interview with its pages checked when the document wants them checked. A new interview checks each page as it is left. */
    public Interview checkedAsWanted() {
        return new Interview(wiring, today, link, raw, started, passed,
                wiring.document().presentation().navigation().check() == Presentation.Check.END);
    }

    /** The interview with every page checked as it is left, whatever the document wants. */
    public Interview checkedByPage() {
        return new Interview(wiring, today, link, raw, started, passed, false);
    }

    /** The same interview over the document in another language. */
    public Interview with(Wiring translated) {
        return new Interview(translated, today, link, raw, started, passed, openEnded);
    }

    /** The interview with no page checked before the end, as for one that is only looked at. */
    public Interview unchecked() {
        return new Interview(wiring, today, link, raw, started, passed, true);
    }

    /** What came of leaving a page. */
    public sealed interface LeaveResult {

        Interview interview();

        /** The page was passed. */
        record Passed(Interview interview) implements LeaveResult {}

        /** Questions appeared on the same page that were not answered yet; nothing is wrong. */
        record Appeared(Interview interview, List<String> slots) implements LeaveResult {}

        /** The page holds answers that are not accepted; everything given is kept. */
        record Held(Interview interview, List<Problem> problems) implements LeaveResult {}
    }

    /**
     * Gives answers to the current page and tries to leave it.
     *
     * @param given slot to value, null for blank; slots left out keep their answer; those of other pages, locked and unknown ones are
     *            ignored
     * @throws IllegalStateException when the interview is complete
     */
    public LeaveResult leave(Map<String, Object> given) {
        Page page = course().current().orElseThrow(() -> new IllegalStateException("the interview is complete")).page();
        Interview answered = answered(page, given);
        Set<String> startedBefore = answered.started;
        Interview settled = answered.withStartValues();
        Course.PageView view = settled.course().pages().getLast();
        List<String> appeared = view.shown().stream().filter(s -> s.question().isPresent()).map(Course.ShownItem::slot)
                .filter(slot -> !startedBefore.contains(slot) && !given.containsKey(slot)).toList();
        if (!appeared.isEmpty()) {
            return new LeaveResult.Appeared(settled, appeared);
        }
        if (!view.problems().isEmpty() && !openEnded) {
            return new LeaveResult.Held(settled, view.problems());
        }
        List<String> further = new ArrayList<>(settled.passed);
        further.add(page.code());
        return new LeaveResult.Passed(
                new Interview(wiring, today, link, settled.raw, settled.started, further, openEnded).withStartValues());
    }

    /** The answers of the current page as given, in document order, since a lock or a condition may hang on one of them. */
    private Interview answered(Page page, Map<String, Object> given) {
        Interview answered = this;
        for (Roster roster : page.allItems().filter(Roster.class::isInstance).map(Roster.class::cast).toList()) {
            if (given.containsKey(roster.code())) {
                answered = answered.with(roster.code(), Slots.given(roster, given.get(roster.code()), raw.get(roster.code())));
            }
        }
        for (Slots.Slot slot : Slots.under(page.items(), answered.raw)) {
            if (!given.containsKey(slot.key()) || !(slot.item() instanceof Question question)) {
                continue;
            }
            boolean open = question.lockWhen().isEmpty()
                    || answered.course().pages().getLast().at(slot.key()).map(s -> !s.locked()).orElse(true);
            if (open) {
                Object value = given.get(slot.key());
                answered = answered.with(slot.key(),
                        Slots.isOther(slot.key()) ? GivenValue.ofOther(value) : GivenValue.of(value, question));
            }
        }
        return answered;
    }

    /** Keeps what was given on the current page without trying to leave it; locked questions keep their answer. */
    public Interview keep(Map<String, Object> given) {
        return course().current().map(view -> answered(view.page(), given).withStartValues()).orElse(this);
    }

    private Interview at(List<String> pages) {
        return new Interview(wiring, today, link, raw, started, pages, openEnded);
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
        Course known = course;
        if (known == null) {
            known = new Walk(this).walk();
            course = known;
        }
        return known;
    }

    /** The way to the end if every page were left as it stands, answered or not. */
    public Course throughout() {
        Course known = throughout;
        if (known == null) {
            known = new Walk(this, true).walk();
            throughout = known;
        }
        return known;
    }

    /** Past every page on which nothing is wrong and everything asked was met before: back to where the respondent was. */
    public Interview asFarAsMet() {
        return forwardTo("");
    }

    /** Like {@link #asFarAsMet()}, but never past that page. */
    public Interview forwardTo(String code) {
        Interview far = this;
        while (true) {
            Optional<Course.PageView> page = far.course().current();
            if (page.isEmpty() || page.get().page().code().equals(code) || !page.get().problems().isEmpty() && !openEnded
                    || !far.met(page.get())) {
                return far;
            }
            List<String> further = new ArrayList<>(far.passed);
            further.add(page.get().page().code());
            far = far.at(further);
        }
    }

    /** Whether everything that is asked on the page was asked before. */
    public boolean met(Course.PageView page) {
        return page.shown().stream().filter(s -> s.question().isPresent()).allMatch(s -> started.contains(s.slot()));
    }

    /** Whether nothing comes after the current page as the answers stand. */
    public boolean endsHere() {
        Optional<Course.PageView> current = course().current();
        return current.isPresent() && throughout().pages().getLast().page().code().equals(current.get().page().code());
    }

    /** What was answered on pages after the current one and would count no more if the interview were changed like this. */
    public List<Course.ShownItem> dropped(Interview changed) {
        Optional<Course.PageView> current = course().current();
        if (current.isEmpty()) {
            return List.of();
        }
        Course before = throughout();
        Course after = changed.throughout();
        Set<String> left = new LinkedHashSet<>();
        after.pages().forEach(p -> p.shown().stream().filter(s -> s.question().isPresent() && after.value(s) != null)
                .forEach(s -> left.add(s.slot())));
        return before.pages().stream().dropWhile(p -> !p.page().code().equals(current.get().page().code())).skip(1)
                .flatMap(p -> p.shown().stream())
                .filter(s -> s.question().isPresent() && before.value(s) != null && !s.locked() && !left.contains(s.slot())).toList();
    }

    /** The value of the condition at a place as the interview stands: true, false, or null where it cannot be said. */
    public Boolean truth(String place) {
        return wiring.expr(place, true).map(this::truth).orElse(null);
    }

    /** The value of a condition over this document as the interview stands: true, false, or null where it cannot be said. */
    public Boolean truth(Expr condition) {
        return (Boolean) value(condition);
    }

    /** The value of an expression over this document as the interview stands. */
    public Object value(Expr expression) {
        return values().apply(expression);
    }

    /** The value of any expression over this document as the interview stands, for many of them. */
    public Function<Expr, Object> values() {
        Walk walk = new Walk(this);
        walk.walk();
        return expression -> Evaluator.value(expression, walk);
    }

    /**
     * The value of any expression over this document and over more names, as the interview stands.
     *
     * @param more name to value, where a name means nothing in the document
     * @param roster whose entry the names in it mean; empty for none
     * @param entry number of the entry, from 1
     */
    public Function<Expr, Object> values(Map<String, Object> more, String roster, int entry) {
        Walk walk = new Walk(this);
        walk.walk();
        walk.stand(roster, entry);
        Situation situation = new WithMoreNames(walk, more);
        return expression -> Evaluator.value(expression, situation);
    }

    /**
     * The answers that count: of every asked question, of those that keep theirs when hidden, and what came with the link for hidden
     * questions. Blank ones are left out. A roster is a list of its entries; the text of an "other" option stands at its slot.
     */
    public Map<String, Object> submission() {
        Course course = course();
        Map<String, Object> kept = new LinkedHashMap<>(course.effective());
        wiring.document().questions().filter(Question::isHidden).filter(q -> link.containsKey(q.code()))
                .forEach(q -> kept.put(q.code(), link.get(q.code())));
        wiring.document().questions().filter(Question::keepWhenHidden).filter(q -> raw.get(q.code()) != null)
                .filter(q -> !(raw.get(q.code()) instanceof Unreadable)).forEach(q -> kept.putIfAbsent(q.code(), raw.get(q.code())));
        course.pages().stream().flatMap(p -> p.shown().stream()).filter(s -> s.roster().isEmpty() && !s.other().isEmpty())
                .forEach(s -> kept.put(Slots.other(s.slot()), s.other()));
        return kept;
    }

    /** What is kept of an interview once it is sent: {@link #submission()}, the values of its link, and every derived value. */
    public Map<String, Object> sent() {
        Walk walk = new Walk(this);
        walk.walk();
        Map<String, Object> sent = new LinkedHashMap<>(link);
        sent.putAll(submission());
        sent.putAll(walk.derived());
        return sent;
    }

    private Interview with(String slot, Object value) {
        Map<String, Object> changed = new LinkedHashMap<>(raw);
        if (value == null) {
            changed.remove(slot);
        } else {
            changed.put(slot, value);
        }
        Set<String> known = new LinkedHashSet<>(started);
        known.add(slot);
        return new Interview(wiring, today, link, changed, known, passed, openEnded);
    }

    /**
     * Fills in start values of questions on the current page that are asked for the first time, one after the other, since one may hang
     * on another.
     */
    private Interview withStartValues() {
        Interview filled = this;
        while (true) {
            Interview now = filled;
            Walk walk = new Walk(now);
            Course walked = walk.walk();
            List<Course.ShownItem> fresh = walked.current().stream().flatMap(p -> p.shown().stream())
                    .filter(s -> s.question().isPresent() && !now.started.contains(s.slot())).toList();
            if (fresh.isEmpty()) {
                now.course = walked;
                return now;
            }
            Set<String> known = new LinkedHashSet<>(now.started);
            fresh.stream().filter(s -> s.question().orElseThrow().startWith().isEmpty()).forEach(s -> known.add(s.slot()));
            filled = new Interview(wiring, today, link, now.raw, known, now.passed, openEnded);
            Course.ShownItem first = fresh.stream().filter(s -> !s.question().orElseThrow().startWith().isEmpty()).findFirst().orElse(null);
            if (first != null) {
                Object value = now.raw.get(first.slot()) != null ? now.raw.get(first.slot()) : walk.startValue(first);
                filled = filled.with(first.slot(), GivenValue.of(value, first.question().orElseThrow()));
            }
        }
    }
}
