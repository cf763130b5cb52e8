package orthogon.core.interview;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import orthogon.core.answer.file.Attachment;
import orthogon.core.expression.Evaluator;
import orthogon.core.expression.Expr;
import orthogon.core.expression.Phrase;
import orthogon.core.expression.Situation;
import orthogon.core.expression.Wiring;
import orthogon.core.place.Place;
import orthogon.core.place.RuleFamily;
import orthogon.core.questionnaire.Derived;
import orthogon.core.questionnaire.Page;

/** Why each item of a page is asked or not, with the part of the condition that decided it and the answers that did. */
public record Reasons(List<Reason> items, List<Value> derived) {

    /** @param because empty where there is nothing to say: no condition, always shown */
    public record Reason(String code, boolean asked, String because) {}

    public record Value(String code, String value) {}

    /** @param page the page whose items are told about */
    public static Reasons of(Interview interview, Page page) {
        Walk situation = new Walk(interview);
        Course course = situation.walk();
        Wiring wiring = interview.wiring();
        List<Reason> reasons = new ArrayList<>();
        reason(page.code() + ".openWhen", wiring, situation).ifPresent(r -> reasons.add(new Reason(page.code(), r.holds(), r.words())));
        List<Value> derived = new ArrayList<>();
        wiring.document().items().filter(i -> i instanceof Derived && wiring.rosterOf(i.code()).isEmpty())
                .forEach(d -> derived.add(new Value(d.code(), said(situation.value(d.code())))));
        page.allItems().filter(i -> !(i instanceof Derived) && wiring.rosterOf(i.code()).isEmpty()).forEach(item -> {
            Optional<DecidedBy> decided = reason(item.code() + ".askWhen", wiring, situation);
            boolean asked = course.asked().contains(item.code());
            String words = decided.map(DecidedBy::words).orElse(asked ? "always" : "what is around it is not shown");
            reasons.add(new Reason(item.code(), asked, words));
        });
        return new Reasons(reasons, derived);
    }

    private record DecidedBy(boolean holds, String words) {}

    private static Optional<DecidedBy> reason(String place, Wiring wiring, Situation situation) {
        Optional<Expr> expr = wiring.at(place).flatMap(Wiring.Wire::expr);
        if (expr.isEmpty()) {
            return Optional.empty();
        }
        boolean holds = Evaluator.holds(expr.get(), situation);
        Expr part = deciding(expr.get(), situation);
        String words = Phrase.of(part);
        String answers = String.join(", ", part.references().stream().map(n -> n + " is " + said(situation.value(n))).toList());
        boolean saysItAll = answers.isEmpty() || holds && answers.equals(words);
        return Optional.of(new DecidedBy(holds, (holds ? "" : "needs ") + words + (saysItAll ? "" : "; " + answers)));
    }

    /** The smallest part that settles the whole: the part of an "and" that fails, the part of an "or" that holds. */
    private static Expr deciding(Expr expr, Situation situation) {
        boolean holds = Evaluator.holds(expr, situation);
        List<Expr> candidates = switch (expr) {
            case Expr.And a when !holds -> a.parts().stream().filter(p -> !Evaluator.holds(p, situation)).toList();
            case Expr.Or o when holds -> o.parts().stream().filter(p -> Evaluator.holds(p, situation)).toList();
            default -> List.of();
        };
        return candidates.isEmpty() ? expr : deciding(candidates.getFirst(), situation);
    }

    /** What ends an interview, in words. */
    public static String endedBy(Place.Rule rule) {
        int number = rule.number() + 1;
        return rule.family() == RuleFamily.OUTCOME_ROW
                ? "row " + number + " of the outcome table"
                : "finish " + number + " of page " + rule.row();
    }

    /** A value in words. */
    public static String said(Object value) {
        return switch (value) {
            case null -> "blank";
            case Boolean b -> b ? "yes" : "no";
            case BigDecimal d -> d.toPlainString();
            case List<?> l -> String.join(" + ", l.stream().map(Reasons::said).toList());
            case Attachment file -> file.name();
            case Map<?, ?> parts -> String.join(", ", parts.entrySet().stream().map(e -> e.getKey() + " " + said(e.getValue())).toList());
            default -> value.toString();
        };
    }
}
