package orthogon.core.edit;

import orthogon.core.language.Units;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Questionnaire.Translation;
import orthogon.core.questionnaire.Refused;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** Texts in another language, made of the source texts as they are now, or of earlier ones. */
public record Translate(String language, List<TranslatedText> texts) implements Edit {

    /** The state of a text that nobody has looked over yet. */
    public static final String DRAFT = "draft";
    /** The state of a text that somebody answers for. */
    public static final String REVIEWED = "reviewed";

    /**
     * One of them.
     *
     * @param unit as {@link Units} names it
     * @param state {@link #DRAFT} or {@link #REVIEWED}
     * @param of source text that it was made of; empty for the one that is there now
     */
    public record TranslatedText(String unit, String text, String state, String of) {
        public TranslatedText(String unit, String text, String state) {
            this(unit, text, state, "");
        }
    }

    public Translate {
        texts = List.copyOf(texts);
    }

    /** One text, as a draft. */
    public Translate(String language, String unit, String text) {
        this(language, List.of(new TranslatedText(unit, text, DRAFT)));
    }

    @Override
    public Questionnaire apply(Questionnaire document) throws Refused {
        if (!document.languages().contains(language) || language.equals(document.sourceLanguage())) {
            throw new Refused("The questionnaire is not translated into " + language + ".");
        }
        Map<String, String> sources = Units.sources(document, language);
        Map<String, Map<String, Translation>> all = new LinkedHashMap<>(document.translations());
        Map<String, Translation> changed = new LinkedHashMap<>(all.getOrDefault(language, Map.of()));
        for (TranslatedText text : texts) {
            String source = sources.get(text.unit());
            if (source == null) {
                throw WholeDocument.gone("text " + text.unit());
            }
            if (text.text().isBlank()) {
                throw new Refused("Write the text of " + text.unit() + "; an empty one would leave respondents without.");
            }
            changed.put(text.unit(), new Translation(text.text().strip(), text.state(),
                    text.of().isEmpty() ? source : text.of()));
        }
        all.put(language, changed);
        return document.withTranslations(all);
    }

    @Override
    public String says() {
        String what = texts.size() == 1 ? texts.getFirst().unit() : texts.size() + " texts";
        return (texts.stream().allMatch(t -> t.state().equals(REVIEWED)) ? "reviewed " + what + " in " : "translated " + what + " into ")
                + language;
    }

    @Override
    public Set<String> about() {
        Set<String> about = new LinkedHashSet<>();
        texts.forEach(t -> about.add(Edit.TRANSLATION + language + "/" + t.unit()));
        return about;
    }
}
