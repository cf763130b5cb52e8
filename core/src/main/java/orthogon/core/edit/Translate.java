package orthogon.core.edit;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Set;
import orthogon.core.language.Texts;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Questionnaire.Translation;

/**
 * A text in another language, made of the source text as it is now.
 *
 * @param unit as {@link Texts} names it
 */
public record Translate(String language, String unit, String text) implements Edit {

    /** The state of a text that nobody has looked over yet. */
    public static final String DRAFT = "draft";

    @Override
    public Questionnaire apply(Questionnaire document) throws Refused {
        if (!document.languages().contains(language) || language.equals(document.sourceLanguage())) {
            throw new Refused("The questionnaire is not translated into " + language + ".");
        }
        String source = Texts.all(document).get(unit);
        if (source == null) {
            throw Whole.gone("text " + unit);
        }
        if (text.isBlank()) {
            throw new Refused("Write the text; an empty one would leave respondents without.");
        }
        Map<String, Map<String, Translation>> all = new LinkedHashMap<>(document.translations());
        Map<String, Translation> texts = new LinkedHashMap<>(all.getOrDefault(language, Map.of()));
        texts.put(unit, new Translation(text.strip(), DRAFT, source));
        all.put(language, texts);
        return document.withTranslations(all);
    }

    @Override
    public String says() {
        return "translated " + unit + " into " + language;
    }

    @Override
    public Set<String> about() {
        return Set.of(SetConditions.owner(unit));
    }
}
