package orthogon.core.responses;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import orthogon.core.expression.Expr;
import orthogon.core.expression.Wiring;
import orthogon.core.interview.Slots;
import orthogon.core.questionnaire.Derived;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;

/** Which answers are about a person: those of questions that are marked so, and whatever is derived from them. */
public final class PersonalAnswers {

    private PersonalAnswers() {}

    /** Codes of personal questions and of derived values that use one. */
    public static Set<String> of(Questionnaire document) {
        Set<String> personal = new LinkedHashSet<>();
        document.questions().filter(Question::personal).map(Item::code).forEach(personal::add);
        if (personal.isEmpty()) {
            return personal;
        }
        Wiring wiring = Wiring.of(document);
        List<String> derived = document.items().filter(Derived.class::isInstance).map(Item::code).toList();
        boolean more = true;
        while (more) {
            more = derived.stream().filter(code -> !personal.contains(code)).filter(code -> uses(wiring, code, personal)).toList().stream()
                    .map(personal::add).reduce(false, Boolean::logicalOr);
        }
        return personal;
    }

    private static boolean uses(Wiring wiring, String derived, Set<String> personal) {
        return wiring.at(derived + ".derive").flatMap(Wiring.Wire::readable).map(expr -> uses(expr, personal)).orElse(false);
    }

    /** Whether an expression speaks of a personal answer, be it inside the entries of a roster. */
    public static boolean uses(Expr expr, Set<String> personal) {
        return expr instanceof Expr.Name n && personal.contains(n.name()) || expr instanceof Expr.PartOf p && personal.contains(p.part())
                || expr.children().stream().anyMatch(child -> uses(child, personal));
    }

    /** The answers without personal ones, also in the entries of rosters. */
    public static Map<String, Object> without(Map<String, Object> answers, Set<String> personal) {
        if (personal.isEmpty()) {
            return answers;
        }
        Map<String, Object> open = new LinkedHashMap<>();
        answers.forEach((code, value) -> {
            if (!personal.contains(code) && !(Slots.isOther(code) && personal.contains(Slots.code(code)))) {
                open.put(code, value instanceof List<?> list ? entries(list, personal) : value);
            }
        });
        return open;
    }

    @SuppressWarnings("unchecked")
    private static List<?> entries(List<?> list, Set<String> personal) {
        List<Object> open = new ArrayList<>();
        list.forEach(entry -> open.add(entry instanceof Map<?, ?> map ? without((Map<String, Object>) map, personal) : entry));
        return open;
    }
}
