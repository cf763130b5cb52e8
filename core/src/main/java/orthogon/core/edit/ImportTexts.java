package orthogon.core.edit;

import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Refused;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;

/** Texts of a file, in one language or several, taken in one go: all of them, or none where one of them cannot be. */
public record ImportTexts(List<Translate> languages) implements Edit {

    public ImportTexts {
        languages = List.copyOf(languages);
    }

    @Override
    public Questionnaire apply(Questionnaire document) throws Refused {
        Questionnaire changed = document;
        for (Translate language : languages) {
            changed = language.apply(changed);
        }
        return changed;
    }

    @Override
    public String says() {
        int texts = languages.stream().mapToInt(l -> l.texts().size()).sum();
        return "imported " + texts + (texts == 1 ? " text in " : " texts in ")
                + languages.stream().map(Translate::language).collect(Collectors.joining(", "));
    }

    @Override
    public Set<String> about() {
        Set<String> about = new LinkedHashSet<>();
        languages.forEach(l -> about.addAll(l.about()));
        return about;
    }
}
