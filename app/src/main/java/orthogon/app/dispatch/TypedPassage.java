package orthogon.app.dispatch;

import java.util.ArrayList;
import java.util.List;
import orthogon.core.questionnaire.DispatchPassage;
import orthogon.core.questionnaire.DispatchPassage.PassageWording;
import org.springframework.util.MultiValueMap;

/**
 * What is typed about a passage.
 *
 * @param was its code so far
 * @param wordings in order; those without a text are left out when it is kept
 */
record TypedPassage(String was, String code, List<PassageWording> wordings) {

    static TypedPassage of(DispatchPassage passage) {
        return new TypedPassage(passage.code(), passage.code(), passage.wordings());
    }

    static TypedPassage of(MultiValueMap<String, String> form) {
        List<String> whens = form.getOrDefault("when", List.of());
        List<String> texts = form.getOrDefault("text", List.of());
        List<PassageWording> wordings = new ArrayList<>();
        for (int i = 0; i < texts.size(); i++) {
            wordings.add(new PassageWording(i < whens.size() ? whens.get(i).strip() : "", texts.get(i).strip()));
        }
        return new TypedPassage(first(form, "was"), first(form, "code"), wordings);
    }

    private static String first(MultiValueMap<String, String> form, String name) {
        String value = form.getFirst(name);
        return value == null ? "" : value.strip();
    }

    DispatchPassage passage() {
        return new DispatchPassage(code, wordings.stream().filter(w -> !w.text().isEmpty()).toList());
    }

    /** The passage with a wording moved up by one. */
    TypedPassage up(int number) {
        if (number < 1 || number >= wordings.size()) {
            return this;
        }
        List<PassageWording> moved = new ArrayList<>(wordings);
        moved.add(number - 1, moved.remove(number));
        return new TypedPassage(was, code, moved);
    }
}
