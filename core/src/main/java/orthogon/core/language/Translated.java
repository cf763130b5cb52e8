package orthogon.core.language;

import java.util.Map;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Questionnaire.Translation;

/** A questionnaire as it reads in one of its languages. Conditions, codes and limits are the same in all of them. */
public final class Translated {

    private Translated() {}

    /**
     * The same document with its texts in the language, which becomes its source language. A text that is not translated, or whose
     * translation cannot be read, stays as it is.
     *
     * @param language one of the document's, or {@link Stretch#TAG}; any other gives the document itself
     */
    public static Questionnaire into(Questionnaire document, String language) {
        if (language.equals(Stretch.TAG)) {
            return Texts.apply(document, (unit, text) -> Stretch.of(text)).withSourceLanguage(language);
        }
        if (language.equals(document.sourceLanguage()) || !document.languages().contains(language)) {
            return document;
        }
        Map<String, Translation> texts = document.translations().getOrDefault(language, Map.of());
        return Texts.apply(document, (unit, text) -> {
            Translation translation = texts.get(unit);
            boolean usable = !text.isEmpty() && translation != null && !translation.text().isBlank()
                    && Piping.fault(translation.text()).isEmpty();
            return usable ? translation.text() : text;
        }).withSourceLanguage(language);
    }
}
