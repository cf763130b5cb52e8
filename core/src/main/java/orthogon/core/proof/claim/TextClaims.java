package orthogon.core.proof.claim;

import orthogon.core.interview.Course;
import orthogon.core.interview.Interview;
import orthogon.core.language.Piping;
import orthogon.core.place.PlaceText;
import orthogon.core.proof.diagram.Diagrams;
import orthogon.core.proof.fault.Unknown;
import orthogon.core.proof.flow.Flow;
import orthogon.core.proof.flow.TextSets;
import orthogon.core.proof.message.Message;
import orthogon.core.proof.plain.TextGaps.TextGap;
import orthogon.core.proof.space.Truth;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;

/**
 * No text shows a gap: an answer that it speaks of is never blank where it is read, or the text says what to show instead. No text has a
 * hole where it spoke of a question that was removed.
 */
final class TextClaims {

    private TextClaims() {}

    static List<Claim> of(ClaimDecider decider) {
        List<Claim> claims = new ArrayList<>();
        for (TextGap gap : decider.space.gaps()) {
            claims.add(claim(decider, gap));
        }
        decider.texts().forEach((unit, text) -> {
            if (text.contains(Piping.HOLE)) {
                claims.add(hole(unit, text));
            }
        });
        return claims;
    }

    private static Claim hole(String unit, String text) {
        return new Claim(ClaimKind.TEXT_WHOLE, unit, ClaimKind.TEXT_WHOLE.message("claim").code("unit", unit), Verdict.REFUTED,
                Optional.empty(), () -> new Finding.Fact(ClaimKind.TEXT_WHOLE.message("refuted").text("text", text),
                        Optional.of(ClaimKind.TEXT_WHOLE.message("advice").text("hole", Piping.HOLE)),
                        Optional.of(new Mend(ClaimKind.TEXT_WHOLE.message("mend").text("hole", Piping.HOLE), unit,
                                Piping.joined(text)))));
    }

    private static Claim claim(ClaimDecider decider, TextGap gap) {
        String place = gap.unit() + "/" + gap.name();
        Message statement = ClaimKind.TEXT_FILLED.message("claim").code("unit", gap.unit()).code("name", gap.name());
        TextSets.Met met = decider.flow.texts().of(gap.unit());
        Optional<Truth> blank = gap.blank().flatMap(decider.space::truthOf);
        if (blank.isEmpty()) {
            return ClaimDecider.undecided(ClaimKind.TEXT_FILLED, place, statement,
                    new Unknown.Beyond(Message.of("open.text").code("name", gap.name())));
        }
        Optional<Unknown> unknown = met.page() == TextSets.IN_DISPATCH ? decider.reads.open(gap.unit()) : Optional.empty();
        if (unknown.isPresent()) {
            return ClaimDecider.undecided(ClaimKind.TEXT_FILLED, place, statement, unknown.get());
        }
        ClaimDecider.Sought sought = reading(decider, gap.unit(), met, decider.d.and(met.set(), blank.get().holds()),
                i -> Boolean.TRUE.equals(i.truth(gap.blank().get())));
        Claim claim = decider.none(ClaimKind.TEXT_FILLED, place, statement, sought,
                ClaimKind.TEXT_FILLED.message("proved").code("name", gap.name()),
                () -> ClaimKind.TEXT_FILLED.message("refuted").code("name", gap.name())
                        .text("text", decider.texts().get(gap.unit())));
        if (claim.verdict() != Verdict.REFUTED) {
            return claim;
        }
        return new Claim(ClaimKind.TEXT_FILLED, place, statement, Verdict.REFUTED, Optional.empty(), () -> {
            Finding found = claim.finding();
            return found.witness().<Finding>map(w -> new Finding.Respondent(found.says(),
                    ClaimKind.TEXT_FILLED.message("advice").code("name", gap.name()), w,
                    Optional.of(new Mend(ClaimKind.TEXT_FILLED.message("mend").code("name", gap.name()), gap.unit(),
                            Piping.closed(decider.texts().get(gap.unit()), gap.name())))))
                    .orElse(found);
        });
    }

    /** Searches for a respondent who reads a text in a state of the set. */
    static ClaimDecider.Sought reading(ClaimDecider decider, String unit, TextSets.Met met, int set, Predicate<Interview> shows) {
        boolean certain = decider.space.openLevels().isEmpty();
        String text = decider.texts().get(unit);
        if (met.page() == TextSets.AT_END) {
            return decider.atEnd(e -> decider.d.and(set, decider.reads.outcomesAt(e).get(met.outcome())),
                    shows.and(i -> i.course().outcome().filter(met.outcome()::equals).isPresent()));
        }
        if (met.page() == TextSets.IN_DISPATCH) {
            return decider.atEnd(e -> decider.d.and(set, decider.reads.at(unit, e)), shows.and(i -> decider.reads.isRead(unit, i)));
        }
        if (decider.flow.stages().isEmpty()) {
            return decider.at(0, Diagrams.NONE, false, i -> false);
        }
        if (met.page() == TextSets.AT_START) {
            return decider.at(0, decider.d.and(decider.flow.start(), set), false, shows);
        }
        Flow.Stage stage = decider.flow.stages().get(met.page());
        int here = decider.d.and(decider.d.and(stage.coming(), stage.sets().visited()), set);
        String page = stage.sets().page().code();
        return decider.at(met.page(), here, true,
                shows.and(i -> isAt(i, page) && (met.item().isEmpty() || i.course().asked().contains(met.item()))
                        && isRead(i, met, unit, text, certain)));
    }

    /** Whether the words are there to read; told from what is shown, since a fault may decide which words stand there. */
    private static boolean isRead(Interview interview, TextSets.Met met, String unit, String text, boolean certain) {
        Course.ShownItem shown = interview.course().current().flatMap(v -> v.shown(met.item())).orElse(null);
        if (certain || met.item().isEmpty() || shown == null) {
            return certain || met.item().isEmpty();
        }
        return switch (PlaceText.unit(unit).name()) {
            case "wording", "title" -> shown.wording().equals(text);
            case "help" -> shown.help().equals(text);
            case String name -> name.endsWith("label") && shown.offered().stream().anyMatch(o -> o.label().equals(text));
        };
    }

    private static boolean isAt(Interview interview, String page) {
        return interview.course().current().filter(v -> v.page().code().equals(page)).isPresent();
    }
}
