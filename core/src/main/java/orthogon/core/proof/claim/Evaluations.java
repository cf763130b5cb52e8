package orthogon.core.proof.claim;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import orthogon.core.expression.Expr;
import orthogon.core.expression.Wiring;
import orthogon.core.expression.Wiring.Wire;
import orthogon.core.interview.Course;
import orthogon.core.interview.Interview;
import orthogon.core.proof.diagram.Diagrams;
import orthogon.core.proof.flow.Flow;
import orthogon.core.proof.space.Space;
import orthogon.core.proof.space.Truth;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Section;

/** Who comes to evaluate a condition, and how it turns out for them. */
public final class Evaluations {

    private final Court court;
    private final Space space;
    private final Diagrams d;
    private final Questionnaire document;
    private final Map<String, Integer> pages = new HashMap<>();
    private final Map<String, Integer> pageOfItem = new HashMap<>();

    Evaluations(Court court) {
        this(court, court.flow);
    }

    public Evaluations(Flow flow) {
        this(null, flow);
    }

    private Evaluations(Court court, Flow flow) {
        this.court = court;
        this.space = flow.space();
        this.d = space.diagrams();
        this.document = space.wiring().document();
        for (int p = 0; p < document.pages().size(); p++) {
            int index = p;
            pages.putIfAbsent(document.pages().get(p).code(), p);
            document.pages().get(p).allItems().forEach(i -> pageOfItem.putIfAbsent(i.code(), index));
        }
    }

    /** The conditions that are tried in interviews: own claims and values are none. */
    public List<Wire> conditions() {
        return space.wiring().wires().stream().filter(w -> w.family().isCondition() && w.family() != Wiring.Family.CLAIM).toList();
    }

    /** Where the condition passes if one of its comparisons is taken to have that value; the states in which it turns out otherwise. */
    public Optional<Integer> changed(Flow flow, Wire wire, int comparison, boolean literal) {
        return space.written(wire.place()).flatMap(e -> space.truthAt(wire.place(), e.with(comparison, literal))).map(truth -> {
            int passes = wire.family() == Wiring.Family.ACCEPT ? d.not(truth.fails()) : truth.holds();
            return d.not(d.same(passes, passing(flow, wire)));
        });
    }

    Optional<Integer> changed(Wire wire, int comparison, boolean literal) {
        return changed(court.flow, wire, comparison, literal);
    }

    /** Whether the condition turns out so in an interview. */
    static Predicate<Interview> turnsOut(Wire wire, boolean wanted) {
        return i -> wanted == passes(wire, i.truth(wire.place()));
    }

    /** Whether the condition passes in an interview and the other, put in its place, does not, or the other way round. */
    Predicate<Interview> turnsOutOtherwise(Wire wire, Expr other) {
        Expr plain = space.spelled().plain(wire.place(), other).orElseThrow();
        return i -> passes(wire, i.truth(wire.place())) != passes(wire, i.truth(plain));
    }

    private static boolean passes(Wire wire, Boolean truth) {
        return wire.family() == Wiring.Family.ACCEPT ? !Boolean.FALSE.equals(truth) : Boolean.TRUE.equals(truth);
    }

    /** Somebody who comes to evaluate the condition with a state of the set, which must be part of those who do. */
    Court.Sought sought(Wire wire, int set, Predicate<Interview> turnsOut) {
        if (wire.family() == Wiring.Family.OUTCOME_ROW) {
            return court.atEnd(e -> e.kind() == Flow.Kind.FINISH ? Diagrams.NONE : set, turnsOut.and(i -> comesToRow(i, index(wire))));
        }
        int p = page(wire);
        int visited = d.and(set, court.flow.stages().get(p).sets().visited());
        if (wire.family() == Wiring.Family.OPEN_WHEN) {
            return court.at(p, set, false, turnsOut.and(i -> comesTo(i, p)));
        }
        // A page may be open and then passed by as empty; no interview shows its items then, so it is believed only where nothing is open.
        return visited == Diagrams.NONE
                ? court.at(p, set, false, i -> space.openLevels().isEmpty())
                : court.at(p, visited, true, turnsOut.and(i -> isAt(i, p) && evaluates(i, wire)));
    }

    /** Whether the interview passed all before a page and no rule led past it, whether the page was then visited or not. */
    private boolean comesTo(Interview interview, int page) {
        List<String> codes = document.pages().stream().map(Page::code).toList();
        Course course = interview.course();
        boolean passed = course.pages().stream().map(v -> v.page().code()).filter(c -> codes.indexOf(c) < page)
                .allMatch(interview.passed()::contains);
        return passed && course.taken().stream().noneMatch(place -> {
            String[] parts = place.split("/");
            Page from = document.page(parts[0]).orElseThrow();
            boolean finish = parts[1].equals("finish");
            return codes.indexOf(from.code()) < page
                    && (finish || codes.indexOf(from.skip().get(Integer.parseInt(parts[2])).to()) > page);
        });
    }

    private static boolean comesToRow(Interview interview, int row) {
        Course course = interview.course();
        return course.complete() && course.endedBy().map(place -> place.startsWith("outcomeTable/")
                && Integer.parseInt(place.substring("outcomeTable/".length())) >= row).orElse(true);
    }

    /** Whether the interview, which is at the condition's page, comes to evaluate it. */
    private boolean evaluates(Interview interview, Wire wire) {
        Course course = interview.course();
        return switch (wire.family()) {
            case ASK_WHEN -> document.items().filter(Section.class::isInstance).filter(s -> !s.code().equals(wire.owner()))
                    .filter(s -> s.withInner().anyMatch(i -> i.code().equals(wire.owner())))
                    .allMatch(s -> course.asked().contains(s.code()));
            case ACCEPT -> course.effective().containsKey(wire.owner());
            case FINISH, SKIP -> course.current().orElseThrow().problems().isEmpty() && rulesBefore(wire).stream()
                    .noneMatch(place -> Boolean.TRUE.equals(interview.truth(place)));
            default -> course.asked().contains(wire.owner());
        };
    }

    /** The finishes and skips of the page that are tried before this one. */
    private List<String> rulesBefore(Wire wire) {
        Page page = document.page(wire.owner()).orElseThrow();
        boolean skip = wire.family() == Wiring.Family.SKIP;
        List<String> before = new ArrayList<>();
        for (int i = 0; i < (skip ? page.finish().size() : index(wire)); i++) {
            before.add(page.code() + "/finish/" + i);
        }
        for (int i = 0; skip && i < index(wire); i++) {
            before.add(page.code() + "/skip/" + i);
        }
        return before;
    }

    private boolean isAt(Interview interview, int page) {
        return interview.course().current().filter(v -> v.page().code().equals(document.pages().get(page).code())).isPresent();
    }

    /** Index of the page on which the condition stands. */
    public int page(Wire wire) {
        boolean ofPage = wire.family() == Wiring.Family.OPEN_WHEN || wire.family() == Wiring.Family.FINISH
                || wire.family() == Wiring.Family.SKIP;
        return (ofPage ? pages : pageOfItem).get(wire.owner());
    }

    static int index(Wire wire) {
        return Integer.parseInt(wire.place().substring(wire.place().lastIndexOf('/') + 1));
    }

    /** Those who come to evaluate the condition, with whatever answers within their own limits. */
    public int evaluated(Flow flow, Wire wire) {
        Diagrams sets = flow.space().diagrams();
        if (wire.family() == Wiring.Family.OUTCOME_ROW) {
            return flow.rowReached(index(wire));
        }
        Flow.Stage stage = flow.stages().get(page(wire));
        int possible = stage.possible();
        return switch (wire.family()) {
            case OPEN_WHEN -> stage.coming();
            case ASK_WHEN -> sets.and(possible, stage.sets().around(wire.owner()));
            case ACCEPT -> sets.minus(sets.and(possible, stage.sets().shown(wire.owner())),
                    flow.space().axis(wire.owner()).blank());
            case FINISH, SKIP -> notTakenBefore(flow, stage, wire);
            default -> sets.and(possible, stage.sets().shown(wire.owner()));
        };
    }

    private int notTakenBefore(Flow flow, Flow.Stage stage, Wire wire) {
        Diagrams sets = flow.space().diagrams();
        int rest = stage.passing();
        for (String place : rulesBefore(wire)) {
            rest = sets.minus(rest, stage.sets().ruleHolds(place));
        }
        return rest;
    }

    /** Where the condition holds; for accept, where it does not refuse. */
    int passing(Flow flow, Wire wire) {
        if (wire.family() == Wiring.Family.OUTCOME_ROW) {
            return flow.rowHolds(index(wire));
        }
        Truth truth = flow.truth(wire.place(), true);
        return wire.family() == Wiring.Family.ACCEPT ? flow.space().diagrams().not(truth.fails()) : truth.holds();
    }
}
