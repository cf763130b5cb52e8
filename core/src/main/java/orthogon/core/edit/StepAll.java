package orthogon.core.edit;

import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Refused;
import java.util.List;
import java.util.Set;

/** Several items one place up or down, in their order; what stands in a section that moves goes along with it. */
public record StepAll(List<String> codes, boolean up) implements Edit {

    @Override
    public Questionnaire apply(Questionnaire document) throws Refused {
        List<String> moving = document.items().filter(i -> codes.contains(i.code())).filter(i -> document.items()
                .noneMatch(o -> o != i && codes.contains(o.code()) && o.withInner().anyMatch(i::equals))).map(Item::code).toList();
        if (moving.isEmpty()) {
            throw WholeDocument.gone(String.join(", ", codes));
        }
        Questionnaire changed = document;
        for (String code : up ? moving : moving.reversed()) {
            changed = new Step(code, up).apply(changed);
        }
        return changed;
    }

    @Override
    public String says() {
        return "moved " + String.join(", ", codes) + (up ? " up" : " down");
    }

    @Override
    public Set<String> about() {
        return Set.copyOf(codes);
    }
}
