package orthogon.core.proof.claim;

import java.util.List;
import java.util.function.Predicate;
import orthogon.core.expression.Expr;
import orthogon.core.expression.Wiring.Wire;
import orthogon.core.interview.Course;
import orthogon.core.interview.Interview;
import orthogon.core.place.RuleFamily;
import orthogon.core.proof.diagram.Diagrams;
import orthogon.core.proof.flow.Flow;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Section;

/** Finds respondents for whom a condition is evaluated, and tells from their interviews how it turns out. */
final class Evaluators {

    private final ClaimDecider decider;
    private final Evaluations evaluations;
    private final Questionnaire document;

    Evaluators(ClaimDecider decider, Evaluations evaluations) {
        this.decider = decider;
        this.evaluations = evaluations;
        this.document = decider.space.wiring().document();
    }

    /** Whether the condition turns out so in an interview. */
    static Predicate<Interview> turnsOut(Wire wire, boolean wanted) {
        return i -> wanted == passes(wire, i.truth(wire.place()));
    }

    /** Whether the condition passes in an interview and the other, put in its place, does not, or the other way round. */
    Predicate<Interview> turnsOutOtherwise(Wire wire, Expr other) {
        Expr plain = decider.space.plainForm().plain(wire.place(), other).orElseThrow();
        return i -> passes(wire, i.truth(wire.place())) != passes(wire, i.truth(plain));
    }

    private static boolean passes(Wire wire, Boolean truth) {
        return wire.family() == RuleFamily.ACCEPT ? !Boolean.FALSE.equals(truth) : Boolean.TRUE.equals(truth);
    }

    /** Searches for a respondent who evaluates the condition in a state of the set, which must be a part of the states that do. */
    ClaimDecider.Sought sought(Wire wire, int set, Predicate<Interview> turnsOut) {
        if (wire.family() == RuleFamily.OUTCOME_ROW) {
            return decider.atEnd(e -> e.kind() == Flow.ExitKind.FINISH ? Diagrams.NONE : set,
                    turnsOut.and(i -> comesToRow(i, Evaluations.index(wire))));
        }
        int p = evaluations.page(wire);
        int visited = decider.d.and(set, decider.flow.stages().get(p).sets().visited());
        if (wire.family() == RuleFamily.OPEN_WHEN) {
            return decider.at(p, set, false, turnsOut.and(i -> comesTo(i, p)));
        }
        // A page may be open and then passed by as empty; no interview shows its items then, so it is believed only where nothing is open.
        return visited == Diagrams.NONE
                ? decider.at(p, set, false, i -> decider.space.openLevels().isEmpty())
                : decider.at(p, visited, true, turnsOut.and(i -> isAt(i, p) && evaluates(i, wire)));
    }

    /** Whether the interview passed all before a page and no rule led past it, whether the page was then visited or not. */
    private boolean comesTo(Interview interview, int page) {
        List<String> codes = document.pages().stream().map(Page::code).toList();
        Course course = interview.course();
        boolean passed = course.pages().stream().map(v -> v.page().code()).filter(c -> codes.indexOf(c) < page)
                .allMatch(interview.passed()::contains);
        return passed && course.taken().stream().noneMatch(rule -> {
            Page from = document.page(rule.row()).orElseThrow();
            return codes.indexOf(from.code()) < page
                    && (rule.family() == RuleFamily.FINISH || codes.indexOf(from.skip().get(rule.number()).to()) > page);
        });
    }

    private static boolean comesToRow(Interview interview, int row) {
        Course course = interview.course();
        return course.complete() && course.endedBy().map(rule -> rule.family() == RuleFamily.OUTCOME_ROW && rule.number() >= row)
                .orElse(true);
    }

    /** Whether the interview, which is at the condition's page, comes to evaluate it. */
    private boolean evaluates(Interview interview, Wire wire) {
        Course course = interview.course();
        return switch (wire.family()) {
            case ASK_WHEN -> document.items().filter(Section.class::isInstance).filter(s -> !s.code().equals(wire.owner()))
                    .filter(s -> s.withInner().anyMatch(i -> i.code().equals(wire.owner())))
                    .allMatch(s -> course.asked().contains(s.code()));
            case ACCEPT -> course.effective().containsKey(wire.owner());
            case FINISH, SKIP -> course.current().orElseThrow().problems().isEmpty() && evaluations.rulesBefore(wire).stream()
                    .noneMatch(place -> Boolean.TRUE.equals(interview.truth(place)));
            default -> course.asked().contains(wire.owner());
        };
    }

    private boolean isAt(Interview interview, int page) {
        return interview.course().current().filter(v -> v.page().code().equals(document.pages().get(page).code())).isPresent();
    }
}
