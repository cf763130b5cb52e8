package orthogon.core.edit;

import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Refused;
import java.util.Set;

/** Another title. */
public record Retitle(String title) implements Edit {

    @Override
    public Questionnaire apply(Questionnaire document) throws Refused {
        if (title.isBlank()) {
            throw new Refused("A questionnaire needs a title.");
        }
        return document.withTitle(title.trim());
    }

    @Override
    public String says() {
        return "changed the title";
    }

    @Override
    public Set<String> about() {
        return Set.of(PRESENTATION);
    }
}
