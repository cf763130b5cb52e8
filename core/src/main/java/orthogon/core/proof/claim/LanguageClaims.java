package orthogon.core.proof.claim;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import orthogon.core.language.OwnWords;
import orthogon.core.language.Units;
import orthogon.core.questionnaire.Questionnaire;

/** Every text that some respondent can meet is translated and current, and speaks of the same answers as its source. */
final class LanguageClaims {

    private LanguageClaims() {}

    static List<Claim> of(ClaimDecider decider) {
        Questionnaire document = decider.space.spelled().original().document();
        List<Claim> claims = new ArrayList<>();
        for (String language : document.languages()) {
            if (!language.equals(document.sourceLanguage())) {
                Units.in(document, language).stream().filter(u -> decider.texts().containsKey(u.unit()))
                        .forEach(u -> claims.add(claim(decider, language, u.unit(), why(u))));
                own(document, language).ifPresent(claims::add);
            }
        }
        return claims;
    }

    private static Claim claim(ClaimDecider decider, String language, String unit, Optional<String> why) {
        String place = language + "/" + unit;
        String statement = "whoever reads " + unit + " in " + language + " reads it translated and current";
        if (why.isEmpty()) {
            return new Claim(ClaimKind.TRANSLATED, place, statement, Verdict.PROVED, Optional.empty(),
                    () -> Claim.Explanation.of("It is translated and current."));
        }
        var met = decider.flow.texts().of(unit);
        ClaimDecider.Sought sought = TextClaims.reading(decider, unit, met, met.set(), i -> true);
        return decider.none(ClaimKind.TRANSLATED, place, statement, sought,
                "Nobody ever reads this text.", () -> "This respondent would read it in " + language + ", but " + why.get() + ".");
    }

    /** The claim about Orthogon's own words, for a language in which it does not ship. Every respondent meets them. */
    private static Optional<Claim> own(Questionnaire document, String language) {
        if (OwnWords.isShipped(language)) {
            return Optional.empty();
        }
        List<Units.Unit> unfit = Units.in(document, language).stream().filter(u -> u.unit().startsWith(OwnWords.UNIT) && !u.isFit())
                .toList();
        return Optional.of(new Claim(ClaimKind.TRANSLATED, language + "/own",
                "what Orthogon itself says is translated into " + language, unfit.isEmpty() ? Verdict.PROVED : Verdict.REFUTED,
                Optional.empty(), () -> Claim.Explanation.of(unfit.isEmpty()
                        ? "All of it is translated and current."
                        : "Everybody reads buttons and messages of Orthogon itself, and " + unfit.size()
                                + " of them are not translated into "
                                + language + " yet, among them “" + unfit.getFirst().source() + "”.")));
    }

    /** The fault of a translation; empty where it has none. */
    private static Optional<String> why(Units.Unit unit) {
        return switch (unit.state()) {
            case MISSING -> Optional.of("it is not translated");
            case STALE -> Optional.of("it was translated from “" + unit.of() + "”, and the text has changed since");
            case DRAFT, REVIEWED -> unit.faults().isEmpty()
                    ? Optional.empty()
                    : Optional.of("the translation is damaged: " + String.join(", ", unit.faults()));
        };
    }
}
