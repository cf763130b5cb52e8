package orthogon.core.language;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Questionnaire.Translation;

/** The text units of a questionnaire in one of its languages, each with its state. */
public final class Units {

    /** How far a text is in a language. */
    public enum TextState {
        MISSING, DRAFT, REVIEWED, STALE;

        public String word() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /**
     * One text in one language.
     *
     * @param unit as {@link Texts} names it, or {@link OwnWords#UNIT} and a key
     * @param source the text in the source language as it is now
     * @param text in the language; empty where it is missing
     * @param of the source text that it was made of; empty where it is missing
     * @param faults what it does not keep of its source
     */
    public record Unit(String unit, String source, String text, TextState state, String of, List<String> faults) {

        /** Whether respondents may be given it: there, current, and with all its marks. */
        public boolean isFit() {
            return (state == TextState.DRAFT || state == TextState.REVIEWED) && faults.isEmpty();
        }
    }

    private Units() {}

    /** What is to be translated into a language: every text of the document, and Orthogon's own where it does not speak the language. */
    public static Map<String, String> sources(Questionnaire document, String language) {
        Map<String, String> sources = new LinkedHashMap<>(Texts.all(document));
        if (!OwnWords.isShipped(language)) {
            OwnWords.english().forEach((key, text) -> sources.put(OwnWords.UNIT + key, text));
        }
        return sources;
    }

    /** Every unit in document order. */
    public static List<Unit> in(Questionnaire document, String language) {
        List<Unit> units = new ArrayList<>();
        Map<String, Translation> texts = document.translations().getOrDefault(language, Map.of());
        sources(document, language).forEach((unit, source) -> units.add(of(unit, source, texts.get(unit), language)));
        return units;
    }

    /** The unit of that name. */
    public static Optional<Unit> one(Questionnaire document, String language, String unit) {
        String source = sources(document, language).get(unit);
        return source == null
                ? Optional.empty()
                : Optional.of(of(unit, source, document.translations().getOrDefault(language, Map.of()).get(unit), language));
    }

    private static Unit of(String unit, String source, Translation translation, String language) {
        if (translation == null || translation.text().isBlank()) {
            return new Unit(unit, source, "", TextState.MISSING, "", List.of());
        }
        TextState state = !translation.of().equals(source)
                ? TextState.STALE
                : translation.state().equals("reviewed") ? TextState.REVIEWED : TextState.DRAFT;
        return new Unit(unit, source, translation.text(), state, translation.of(), Marks.faults(source, translation.text(), language));
    }

    /** Where respondents meet a text, in words. Whoever asks of many texts has {@link TextPlaces} look the document through once. */
    public static String place(Questionnaire document, String unit) {
        return new TextPlaces(document).of(unit);
    }

    /** Translations of the same source text that are there already, in this language, the ones used most first; at most five. */
    public static List<String> remembered(Questionnaire document, String language, String source) {
        Map<String, Long> known = new LinkedHashMap<>();
        document.translations().getOrDefault(language, Map.of()).values().stream()
                .filter(t -> t.of().strip().equals(source.strip()) && !t.text().isBlank())
                .forEach(t -> known.merge(t.text(), 1L, Long::sum));
        return known.entrySet().stream().sorted(Map.Entry.<String, Long>comparingByValue().reversed()).limit(5).map(Map.Entry::getKey)
                .toList();
    }
}
