package orthogon.core.proof.drill;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import orthogon.core.dispatch.DueMessage;
import orthogon.core.interview.Course;
import orthogon.core.interview.Interview;
import orthogon.core.interview.Interview;
import orthogon.core.interview.Problem;
import orthogon.core.interview.Slots;
import orthogon.core.proof.claim.Replay;
import orthogon.core.proof.diagram.Diagrams;
import orthogon.core.proof.flow.Flow;
import orthogon.core.proof.plain.PlainForm;
import orthogon.core.proof.space.Axis;
import orthogon.core.proof.space.Space;
import orthogon.core.questionnaire.Question;

/** Writes drills out: page by page what is asked, and what must be refused on the way. Each thing is tried once over all drills. */
final class Attempts {

    private final Space space;
    private final PlainForm plainForm;
    private final Flow flow;
    private final Diagrams d;
    private final Set<Goal> tried = new HashSet<>();

    Attempts(Space space, Flow flow) {
        this.space = space;
        this.plainForm = space.plainForm();
        this.flow = flow;
        this.d = space.diagrams();
    }

    /** @param plain answers of the plain form that lead to an end */
    Drill drill(Map<String, Object> plain, Set<Goal> covers) {
        Map<String, Object> answers = plainForm.answers(plain);
        Interview interview = Replay.of(plainForm.original(), space.today(), answers, "");
        Course course = interview.course();
        List<Drill.DrillStep> steps = new ArrayList<>();
        for (Course.PageView view : course.pages()) {
            List<String> asked = view.shown().stream().filter(s -> s.roster().isEmpty() && !s.item().kind().equals("note")
                    && !s.item().kind().equals("section")).map(s -> s.item().code()).distinct().toList();
            steps.add(new Drill.DrillStep(view.page().code(), asked, attempts(view.page().code(), plain)));
        }
        Set<Goal> told = new LinkedHashSet<>();
        covers.forEach(g -> told.add(new Goal(g.kind(), plainForm.origin(g.place()))));
        return new Drill(answers, steps, course.outcome().orElse(""), DueMessage.codes(interview), told);
    }

    private List<Drill.RefusedAttempt> attempts(String page, Map<String, Object> plain) {
        Flow.Stage stage = flow.stage(page);
        List<Drill.RefusedAttempt> attempts = new ArrayList<>();
        for (Question q : stage.sets().page().questions().filter(q -> !q.isHidden()).toList()) {
            if (plain.get(q.code()) == null || !plainForm.isSaid(q.code())) {
                continue;
            }
            for (boolean most : new boolean[]{false, true}) {
                Goal goal = new Goal(most ? Goal.GoalKind.ABOVE : Goal.GoalKind.BELOW, q.code());
                Bounds.outside(q.answer().domain(), most, space.today())
                        .ifPresent(value -> attempt(goal, page, plain, Map.of(q.code(), value), Problem.ProblemKind.LIMIT, attempts));
            }
            Map<String, Object> blank = new LinkedHashMap<>();
            blank.put(q.code(), null);
            attempt(new Goal(Goal.GoalKind.REQUIRED, q.code()), page, plain, blank, Problem.ProblemKind.REQUIRED, attempts);
            for (int i = 0; i < q.accept().size(); i++) {
                String place = q.code() + "/accept/" + i;
                Goal goal = new Goal(Goal.GoalKind.FAILING, place + "#0");
                // Nobody can choose a record that is not on offer.
                if (!tried.contains(goal) && !plainForm.isOverRecords(plainForm.origin(place))) {
                    refused(stage, plain, place).ifPresent(
                            instead -> attempt(goal, page, plain, instead, Problem.ProblemKind.ACCEPT, attempts));
                }
            }
        }
        return attempts;
    }

    /** Other answers on the page, with those before it as they are, that the condition refuses. */
    private Optional<Map<String, Object>> refused(Flow.Stage stage, Map<String, Object> plain, String place) {
        int set = d.and(d.and(stage.present(), flow.truth(place, true).fails()),
                d.not(space.axis(place.substring(0, place.indexOf('/'))).blank()));
        BitSet known = d.support(stage.coming());
        for (Axis axis : space.axes()) {
            if (axis.levels().intersects(known) && !axis.levels().intersects(stage.sets().levels())) {
                set = d.and(set, space.cellOf(axis, plain.get(axis.code())));
            }
        }
        if (set == Diagrams.NONE) {
            return Optional.empty();
        }
        Diagrams.DiagramState state = d.pick(set);
        Map<String, Object> instead = new LinkedHashMap<>();
        for (String code : stage.sets().questionCodes()) {
            Object value = space.axis(code).decode(state);
            if (!Objects.equals(value, plain.get(code))) {
                instead.put(code, value);
            }
        }
        return Optional.of(instead);
    }

    private void attempt(Goal goal, String page, Map<String, Object> plain, Map<String, Object> changed, Problem.ProblemKind kind,
            List<Drill.RefusedAttempt> attempts) {
        Goal told = new Goal(goal.kind(), plainForm.origin(goal.place()));
        if (tried.contains(told)) {
            return;
        }
        d.goOn();
        Map<String, Object> instead = asSent(plain, changed);
        String slot = plainForm.slot(goal.place().split("/")[0]);
        List<Problem> problems = problems(page, plainForm.answers(plain), instead);
        boolean refused = problems.stream().anyMatch(p -> p.kind() == kind && slot.startsWith(p.slot()));
        if (refused) {
            tried.add(told);
            Map<String, String> messages = new LinkedHashMap<>();
            problems.forEach(p -> messages.merge(p.slot(), p.message(), (a, b) -> a));
            attempts.add(new Drill.RefusedAttempt(instead, messages, told));
        }
    }

    /** The answers that are others, as they are sent: a roster or a grid as a whole, with what is changed in it. */
    private Map<String, Object> asSent(Map<String, Object> plain, Map<String, Object> changed) {
        Map<String, Object> merged = new LinkedHashMap<>(plain);
        merged.putAll(changed);
        merged.values().removeIf(Objects::isNull);
        Map<String, Object> all = plainForm.answers(merged);
        Map<String, Object> sent = new LinkedHashMap<>();
        changed.keySet().stream().map(code -> plainForm.slot(code).split("\\.", 2)[0]).forEach(code -> sent.put(code, all.get(code)));
        return sent;
    }

    private List<Problem> problems(String page, Map<String, Object> answers, Map<String, Object> instead) {
        Interview there = Replay.of(plainForm.original(), space.today(), answers, page);
        return leaving(there, answers, instead) instanceof Interview.LeaveResult.Held held ? held.problems() : List.of();
    }

    /** Leaves the current page with the drill's answers, some of them others. */
    static Interview.LeaveResult leaving(Interview there, Map<String, Object> answers, Map<String, Object> instead) {
        Map<String, Object> all = new LinkedHashMap<>(answers);
        all.putAll(instead);
        Map<String, Object> flat = Slots.flat(there.wiring().document(), all);
        Map<String, Object> given = new LinkedHashMap<>();
        Slots.on(there.course().current().orElseThrow().page(), flat).forEach(slot -> given.put(slot, flat.get(slot)));
        return there.leave(given);
    }
}
