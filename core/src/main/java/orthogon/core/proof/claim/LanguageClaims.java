package orthogon.core.proof.claim;

import orthogon.core.language.OwnWords;
import orthogon.core.language.Units;
import orthogon.core.proof.fault.Unknown;
import orthogon.core.proof.flow.TextSets;
import orthogon.core.proof.message.Message;
import orthogon.core.questionnaire.Questionnaire;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Every text that some respondent can meet is translated and current, and speaks of the same answers as its source. */
final class LanguageClaims {

    private LanguageClaims() {}

    static List<Claim> of(ClaimDecider decider) {
        Questionnaire document = decider.space.plainForm().original().document();
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

    private static Claim claim(ClaimDecider decider, String language, String unit, Optional<Message> why) {
        String place = language + "/" + unit;
        Message statement = ClaimKind.TRANSLATED.message("claim").code("unit", unit).text("language", language);
        if (why.isEmpty()) {
            return new Claim(ClaimKind.TRANSLATED, place, statement, Verdict.PROVED, Optional.empty(),
                    () -> new Finding.Fact(ClaimKind.TRANSLATED.message("proved")));
        }
        var met = decider.flow.texts().of(unit);
        boolean behind = met.page() == TextSets.IN_DISPATCH;
        Optional<Unknown> unknown = behind ? decider.reads.open(unit) : Optional.empty();
        if (unknown.isPresent()) {
            return ClaimDecider.undecided(ClaimKind.TRANSLATED, place, statement, unknown.get());
        }
        ClaimDecider.Sought sought = behind
                ? decider.atEnd(e -> decider.reads.byRespondent(unit, e), i -> decider.reads.isReadByRespondent(unit, i))
                : TextClaims.reading(decider, unit, met, met.set(), i -> true);
        return decider.none(ClaimKind.TRANSLATED, place, statement, sought,
                ClaimKind.TRANSLATED.message("unread"), () -> ClaimKind.TRANSLATED.message("refuted").text("language", language)
                        .inner("why", why.get()));
    }

    /** The claim about Orthogon's own words, for a language in which it does not ship. Every respondent meets them. */
    private static Optional<Claim> own(Questionnaire document, String language) {
        if (OwnWords.isShipped(language)) {
            return Optional.empty();
        }
        List<Units.Unit> unfit = Units.in(document, language).stream().filter(u -> u.unit().startsWith(OwnWords.UNIT) && !u.isFit())
                .toList();
        Message says = unfit.isEmpty()
                ? ClaimKind.TRANSLATED.message("own.proved")
                : ClaimKind.TRANSLATED.message("own.refuted").text("number", String.valueOf(unfit.size())).text("language", language)
                        .text("text", unfit.getFirst().source());
        return Optional.of(new Claim(ClaimKind.TRANSLATED, language + "/own",
                ClaimKind.TRANSLATED.message("own.claim").text("language", language),
                unfit.isEmpty() ? Verdict.PROVED : Verdict.REFUTED, Optional.empty(), () -> new Finding.Fact(says)));
    }

    /** The fault of a translation; empty where it has none. */
    static Optional<Message> why(Units.Unit unit) {
        return switch (unit.state()) {
            case MISSING -> Optional.of(ClaimKind.TRANSLATED.message("missing"));
            case STALE -> Optional.of(ClaimKind.TRANSLATED.message("stale").text("source", unit.of()));
            case DRAFT, REVIEWED -> unit.faults().isEmpty()
                    ? Optional.empty()
                    : Optional.of(ClaimKind.TRANSLATED.message("damaged").text("faults", String.join(", ", unit.faults())));
        };
    }
}
