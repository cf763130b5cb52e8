package orthogon.core.edit;

import orthogon.core.language.Stretch;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Questionnaire.Translation;
import orthogon.core.questionnaire.Refused;
import java.util.IllformedLocaleException;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;

/**
 * The languages that the questionnaire is to be read in. Translations into one that is left out are kept in earlier revisions only.
 *
 * @param languages BCP 47 tags, in any case, the source language among them or not
 */
public record ChangeLanguages(List<String> languages) implements Edit {

    public ChangeLanguages {
        languages = List.copyOf(languages);
    }

    @Override
    public Questionnaire apply(Questionnaire document) throws Refused {
        List<String> wanted = new java.util.ArrayList<>(List.of(document.sourceLanguage()));
        for (String typed : languages) {
            String tag = tag(typed);
            if (!wanted.contains(tag)) {
                wanted.add(tag);
            }
        }
        Map<String, Map<String, Translation>> kept = new LinkedHashMap<>(document.translations());
        kept.keySet().retainAll(wanted);
        return document.withLanguages(wanted).withTranslations(kept);
    }

    private static String tag(String typed) throws Refused {
        try {
            Locale locale = new Locale.Builder().setLanguageTag(typed.strip()).build();
            if (locale.getLanguage().isEmpty() || locale.toLanguageTag().equals(Stretch.TAG)
                    || locale.getDisplayLanguage(Locale.ENGLISH).equals(locale.getLanguage())) {
                throw new Refused("“" + typed.strip() + "” is not a language; write a tag such as pl or pt-BR.");
            }
            return locale.toLanguageTag();
        } catch (IllformedLocaleException e) {
            throw new Refused("“" + typed.strip() + "” is not a language; write a tag such as pl or pt-BR.");
        }
    }

    @Override
    public String says() {
        return "changed the languages to " + String.join(", ", languages);
    }

    @Override
    public Set<String> about() {
        return Set.of(LANGUAGES);
    }
}
