package orthogon.core.proof.claim;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import orthogon.core.language.Piping;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Questionnaire.Translation;

/** Every text that some respondent can meet is translated and current, and speaks of the same answers as its source. */
final class LanguageClaims {

    private LanguageClaims() {}

    static List<Claim> of(Court court) {
        Questionnaire document = court.space.spelled().original().document();
        List<Claim> claims = new ArrayList<>();
        for (String language : document.languages()) {
            if (!language.equals(document.sourceLanguage())) {
                Map<String, Translation> translated = document.translations().getOrDefault(language, Map.of());
                court.texts.forEach((unit, source) -> claims.add(claim(court, language, unit, why(source, translated.get(unit)))));
            }
        }
        return claims;
    }

    private static Claim claim(Court court, String language, String unit, Optional<String> why) {
        String place = language + "/" + unit;
        String statement = "whoever reads " + unit + " in " + language + " reads it translated and current";
        if (why.isEmpty()) {
            return new Claim(Family.LANGUAGE, "translated", place, statement, Verdict.PROVED, Optional.empty(),
                    () -> Claim.Explanation.of("It is translated and current."));
        }
        var met = court.flow.texts().of(unit);
        Court.Sought sought = TextClaims.reading(court, unit, met, met.set(), i -> true);
        return court.none(Family.LANGUAGE, "translated", place, statement, sought,
                "Nobody ever reads this text.", () -> "This respondent would read it in " + language + ", but " + why.get() + ".");
    }

    /** What is wrong with a translation; empty where nothing is. */
    private static Optional<String> why(String source, Translation translation) {
        if (translation == null || translation.text().isBlank()) {
            return Optional.of("it is not translated");
        }
        if (!translation.of().equals(source)) {
            return Optional.of("it was translated from “" + translation.of() + "”, and the text has changed since");
        }
        if (Piping.fault(translation.text()).isPresent()) {
            return Optional.of(Piping.fault(translation.text()).get());
        }
        return Piping.names(source).equals(Piping.names(translation.text()))
                && Piping.choices(source).equals(Piping.choices(translation.text()))
                        ? Optional.empty()
                        : Optional.of("it does not speak of the same answers as its source");
    }
}
