package orthogon.core.proof.space;

import orthogon.core.answer.Domain;
import orthogon.core.expression.Evaluator;
import orthogon.core.expression.Expr;
import orthogon.core.proof.diagram.Diagrams;
import orthogon.core.proof.message.Message;
import orthogon.core.questionnaire.Question;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * One question's answers, or a link parameter's values, divided into cells.
 *
 * @param cells a representative of each, the first blank; none for many choices, which have a bit for each option
 * @param classOf the answer class of each cell
 * @param told what tells the cells apart
 */
record Division(List<Object> cells, List<Integer> classOf, List<Object> told) {

    /**
     * @param question null for a link parameter
     * @param allowed what a link parameter may be; empty for any text
     * @param goOn called where it may take long; throws where nobody waits any more
     * @throws Inexact where something that is said about it cannot be divided by
     */
    static Division of(String code, Question question, List<String> allowed, Features features, LocalDate today, Runnable goOn)
            throws Inexact {
        return of(code, question, allowed, values(code, question, allowed, features.of(code), today, goOn), features, today, goOn);
    }

    /** Divides by what can be, and notes what cannot. */
    static Division asFarAsPossible(String code, Question question, List<String> allowed, Features features, LocalDate today,
            Runnable goOn) {
        try {
            return of(code, question, allowed, features, today, goOn);
        } catch (Inexact whole) {
            List<Expr> exact = new ArrayList<>();
            for (Expr feature : features.of(code)) {
                try {
                    values(code, question, allowed, List.of(feature), today, goOn);
                    exact.add(feature);
                    values(code, question, allowed, exact, today, goOn);
                } catch (Inexact e) {
                    exact.remove(feature);
                    features.giveUp(code, feature, e.why());
                }
            }
            try {
                return of(code, question, allowed, values(code, question, allowed, exact, today, goOn), features, today, goOn);
            } catch (Inexact e) {
                // Not even what the question's own limits allow can be told.
                throw Diagrams.BudgetSpent.because(Message.of("inexact.about").code("code", code).inner("why", e.why()));
            }
        }
    }

    /** One value for each part in which everything said about it is constant; further ones do no harm. */
    private static List<Object> values(String code, Question question, List<String> allowed, List<Expr> about, LocalDate today,
            Runnable goOn)
            throws Inexact {
        return question == null
                ? Domains.ofLink(code, allowed, today, about, goOn)
                : Domains.of(code, question.answer().domain(), today, about, goOn);
    }

    private static Division of(String code, Question question, List<String> allowed, List<Object> values, Features features,
            LocalDate today, Runnable goOn) {
        boolean each = question == null ? !allowed.isEmpty() : Domains.isEachAClass(question.answer().domain());
        List<Object> cells = new ArrayList<>();
        List<Integer> classOf = new ArrayList<>();
        List<Object> told = new ArrayList<>();
        Map<List<Object>, Integer> known = new HashMap<>();
        Map<List<Object>, Integer> classes = new HashMap<>();
        List<Object> all = new ArrayList<>();
        all.add(null);
        all.addAll(values);
        for (Object value : all) {
            goOn.run();
            List<Object> fine = new ArrayList<>();
            List<Object> coarse = new ArrayList<>();
            fine.add(Guarded.key(each ? value : value == null ? null : true));
            coarse.add(fine.getFirst());
            for (Expr feature : features.of(code)) {
                if (features.isInexact(feature)) {
                    continue;
                }
                Object result = Guarded.key(Evaluator.value(feature, new Alone(code, value, question, today)));
                fine.add(result);
                if (features.isComparison(code, feature)) {
                    coarse.add(result);
                }
            }
            if (known.putIfAbsent(fine, cells.size()) == null) {
                cells.add(value);
                told.add(fine);
                classOf.add(classes.computeIfAbsent(coarse, c -> classes.size()));
            }
        }
        return question != null && question.answer().domain() instanceof Domain.Subset
                ? new Division(List.of(), List.of(), told)
                : new Division(cells, classOf, told);
    }
}
