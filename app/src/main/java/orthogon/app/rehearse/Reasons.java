package orthogon.app.rehearse;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import orthogon.core.expression.Evaluator;
import orthogon.core.expression.Expr;
import orthogon.core.expression.Phrase;
import orthogon.core.expression.Situation;
import orthogon.core.expression.Wiring;
import orthogon.core.interview.Course;
import orthogon.core.interview.Interview;
import orthogon.core.questionnaire.Answer;
import orthogon.core.questionnaire.Derived;
import orthogon.core.questionnaire.Page;

/** Why each item of a page is asked or not, with the part of the condition that decided it and the answers that did. */
record Reasons(List<Reason> items, List<Value> derived) {

    /** @param because empty where there is nothing to say: no condition, always shown */
    record Reason(String code, boolean asked, String because) {}

    record Value(String code, String value) {}

    static Reasons of(Interview interview, Page page) {
        Course course = interview.course();
        Wiring wiring = interview.wiring();
        Situation situation = new Standing(course, interview);
        List<Reason> reasons = new ArrayList<>();
        reason(page.code() + ".openWhen", wiring, situation).ifPresent(r -> reasons.add(new Reason(page.code(), r.holds(), r.words())));
        List<Value> derived = new ArrayList<>();
        wiring.document().items().filter(Derived.class::isInstance)
                .forEach(d -> derived.add(new Value(d.code(), said(situation.value(d.code())))));
        page.allItems().filter(i -> !(i instanceof Derived)).forEach(item -> {
            Optional<Decided> decided = reason(item.code() + ".askWhen", wiring, situation);
            boolean asked = course.asked().contains(item.code());
            String words = decided.map(Decided::words).orElse(asked ? "always" : "what is around it is not shown");
            reasons.add(new Reason(item.code(), asked, words));
        });
        return new Reasons(reasons, derived);
    }

    private record Decided(boolean holds, String words) {}

    private static Optional<Decided> reason(String place, Wiring wiring, Situation situation) {
        Optional<Expr> expr = wiring.at(place).flatMap(Wiring.Wire::expr);
        if (expr.isEmpty()) {
            return Optional.empty();
        }
        boolean holds = Evaluator.holds(expr.get(), situation);
        Expr part = deciding(expr.get(), situation);
        List<String> answers = part.references().stream().map(n -> n + " is " + said(situation.value(n))).toList();
        return Optional.of(new Decided(holds, (holds ? "" : "needs ") + Phrase.of(part) + (answers.isEmpty()
                ? ""
                : "; "
                        + String.join(", ", answers))));
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

    static String said(Object value) {
        return switch (value) {
            case null -> "blank";
            case Boolean b -> b ? "yes" : "no";
            case BigDecimal d -> d.toPlainString();
            case List<?> l -> String.join(" + ", l.stream().map(String::valueOf).toList());
            default -> value.toString();
        };
    }

    /** The answers as they stand. */
    private record Standing(Course course, Interview interview) implements Situation {
        @Override
        public Object value(String name) {
            Optional<Expr> derive = interview.wiring().at(name + ".derive").flatMap(Wiring.Wire::expr);
            return derive.isPresent()
                    ? Evaluator.value(derive.get(), this)
                    : course.effective().getOrDefault(name, interview.link().get(name));
        }

        @Override
        public BigDecimal score(String question) {
            Object value = course.effective().get(question);
            Answer answer = interview.wiring().document().question(question).orElseThrow().answer();
            List<?> chosen = value == null ? List.of() : value instanceof List<?> l ? l : List.of(value);
            return chosen.stream().map(c -> answer.option((String) c).map(Answer.Option::scoreOrZero).orElse(BigDecimal.ZERO))
                    .reduce(BigDecimal.ZERO, BigDecimal::add);
        }

        @Override
        public LocalDate today() {
            return interview.today();
        }
    }
}
