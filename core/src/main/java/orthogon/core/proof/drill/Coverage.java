package orthogon.core.proof.drill;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import orthogon.core.expression.Expr;
import orthogon.core.expression.Wiring.Wire;
import orthogon.core.interview.Course;
import orthogon.core.interview.Interview;
import orthogon.core.place.Place.Rule;
import orthogon.core.place.RuleFamily;
import orthogon.core.proof.space.Space;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Section;

/** Tells from the interview engine alone which goals a complete interview meets. Goals are of the plain form of a document. */
final class Coverage {

    private final Space space;
    private final Questionnaire document;

    Coverage(Space space) {
        this.space = space;
        this.document = space.wiring().document();
    }

    /** @param interview complete */
    Set<Goal> of(Interview interview) {
        Set<Goal> met = new LinkedHashSet<>();
        Course course = interview.course();
        document.questions().filter(q -> !q.isHidden()).forEach(q -> {
            met.add(new Goal(course.asked().contains(q.code()) ? Goal.GoalKind.ASKED : Goal.GoalKind.NOT_ASKED, q.code()));
            answered(q, course.effective().get(q.code()), met);
        });
        met.add(new Goal(Goal.GoalKind.OUTCOME, course.outcome().orElse("")));
        course.taken().forEach(t -> met.add(new Goal(t.family() == RuleFamily.SKIP ? Goal.GoalKind.SKIP : Goal.GoalKind.FINISH, t.text())));
        Function<Expr, Object> values = interview.values();
        Set<String> evaluated = evaluated(course, values);
        for (Wire wire : space.wiring().wires()) {
            if (evaluated.contains(wire.place())) {
                decided(wire, values, met);
            }
        }
        return met;
    }

    private void answered(Question q, Object value, Set<Goal> met) {
        List<?> chosen = value instanceof List<?> l ? l : value == null ? List.of() : List.of(value);
        for (Object option : chosen) {
            String word = option instanceof Boolean b ? b ? "yes" : "no" : String.valueOf(option);
            met.add(new Goal(Goal.GoalKind.OPTION, q.code() + "." + word));
        }
        for (boolean most : new boolean[]{false, true}) {
            if (Bounds.inside(q.answer().domain(), most, space.today()).filter(b -> same(b, value)).isPresent()) {
                met.add(new Goal(most ? Goal.GoalKind.AT_MOST : Goal.GoalKind.AT_LEAST, q.code()));
            }
        }
    }

    private static boolean same(Object a, Object b) {
        return a instanceof BigDecimal x && b instanceof BigDecimal y ? x.compareTo(y) == 0 : a.equals(b);
    }

    private void decided(Wire wire, Function<Expr, Object> values, Set<Goal> met) {
        Expr condition = space.written(wire.place()).orElse(null);
        boolean passes = passes(wire, values.apply(wire.expr().orElseThrow()));
        for (int n = 0; condition != null && n < condition.comparisons().size(); n++) {
            for (boolean literal : new boolean[]{true, false}) {
                boolean turned = space.plainForm().plain(wire.place(), condition.with(n, literal))
                        .filter(e -> passes(wire, values.apply(e)) != passes).isPresent();
                if (turned) {
                    met.add(new Goal(literal ? Goal.GoalKind.FAILING : Goal.GoalKind.HOLDING, wire.place() + "#" + n));
                }
            }
        }
    }

    private static boolean passes(Wire wire, Object truth) {
        return wire.family() == RuleFamily.ACCEPT ? !Boolean.FALSE.equals(truth) : Boolean.TRUE.equals(truth);
    }

    /** Places of the conditions that the interview came to evaluate. */
    private Set<String> evaluated(Course course, Function<Expr, Object> values) {
        Set<String> visited = new HashSet<>();
        course.pages().forEach(p -> visited.add(p.page().code()));
        Set<String> jumped = jumped(course);
        Map<String, String> pages = new LinkedHashMap<>();
        Map<String, List<String>> around = new LinkedHashMap<>();
        for (Page page : document.pages()) {
            page.allItems().forEach(i -> around.computeIfAbsent(i.code(), c -> new ArrayList<>()).add(page.code() + ".openWhen"));
            page.allItems().filter(Section.class::isInstance).forEach(
                    s -> s.withInner().skip(1).forEach(inner -> around.get(inner.code()).add(s.code() + ".askWhen")));
            page.allItems().forEach(i -> pages.put(i.code(), page.code()));
        }
        Set<String> places = new HashSet<>();
        for (Wire wire : space.wiring().wires()) {
            String owner = wire.owner();
            boolean comes = switch (wire.family()) {
                case OPEN_WHEN -> !jumped.contains(owner);
                case ASK_WHEN -> !jumped.contains(pages.get(owner)) && around.get(owner).stream().allMatch(place -> space.wiring().at(place)
                        .flatMap(Wire::expr).map(e -> Boolean.TRUE.equals(values.apply(e))).orElse(true));
                case OFFER_WHEN, REQUIRE_WHEN, LOCK_WHEN, REWORD -> course.asked().contains(owner);
                case ACCEPT -> course.effective().containsKey(owner);
                case FINISH, SKIP -> visited.contains(owner) && rulesBefore(wire).stream().noneMatch(course.taken()::contains);
                case OUTCOME_ROW -> course.endedBy().map(by -> by.family() == RuleFamily.OUTCOME_ROW && by.number() >= wire.at().number())
                        .orElse(true);
                default -> false;
            };
            if (comes && wire.expr().isPresent()) {
                places.add(wire.place());
            }
        }
        return places;
    }

    /** The rules of the page that are tried before this one. */
    private List<Rule> rulesBefore(Wire wire) {
        Page page = document.page(wire.owner()).orElseThrow();
        List<Rule> all = new ArrayList<>();
        for (int i = 0; i < page.finish().size(); i++) {
            all.add(Rule.at(page.code(), RuleFamily.FINISH, i));
        }
        for (int i = 0; i < page.skip().size(); i++) {
            all.add(Rule.at(page.code(), RuleFamily.SKIP, i));
        }
        return all.subList(0, all.indexOf(wire.at()));
    }

    private Set<String> jumped(Course course) {
        List<String> codes = document.pages().stream().map(Page::code).toList();
        Set<String> jumped = new HashSet<>();
        for (Rule rule : course.taken()) {
            Page from = document.page(rule.row()).orElseThrow();
            int to = rule.family() == RuleFamily.SKIP ? codes.indexOf(from.skip().get(rule.number()).to()) : codes.size();
            jumped.addAll(codes.subList(codes.indexOf(from.code()) + 1, to));
        }
        return jumped;
    }
}
