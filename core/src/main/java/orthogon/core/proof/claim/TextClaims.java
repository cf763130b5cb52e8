package orthogon.core.proof.claim;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import orthogon.core.interview.Course;
import orthogon.core.interview.Interview;
import orthogon.core.language.Piping;
import orthogon.core.proof.diagram.Diagrams;
import orthogon.core.proof.fault.Unknown;
import orthogon.core.proof.flow.Flow;
import orthogon.core.proof.flow.TextSets;
import orthogon.core.proof.space.Truth;
import orthogon.core.proof.spelled.TextGaps.TextGap;

/**
 * No text shows a gap: an answer that it speaks of is never blank where it is read, or the text says what to show instead. No text has a
 * hole where it spoke of a question that was removed.
 */
final class TextClaims {

    private TextClaims() {}

    static List<Claim> of(Court court) {
        List<Claim> claims = new ArrayList<>();
        for (TextGap gap : court.space.gaps()) {
            claims.add(claim(court, gap));
        }
        court.texts().forEach((unit, text) -> {
            if (text.contains(Piping.HOLE)) {
                claims.add(hole(unit, text));
            }
        });
        return claims;
    }

    private static Claim hole(String unit, String text) {
        return new Claim(ClaimKind.TEXT_WHOLE, unit, "the text " + unit + " has no hole", Verdict.REFUTED, Optional.empty(),
                () -> Claim.Explanation.of("The text referred to something that was removed. It now reads: “" + text + "”.",
                        "Rewrite the text where it says " + Piping.HOLE + ".")
                        .with(new Mend("Leave out " + Piping.HOLE, unit, Piping.joined(text))));
    }

    private static Claim claim(Court court, TextGap gap) {
        String place = gap.unit() + "/" + gap.name();
        String statement = "the text " + gap.unit() + " never shows a gap where it refers to " + gap.name();
        TextSets.Met met = court.flow.texts().of(gap.unit());
        Optional<Truth> blank = gap.blank().flatMap(court.space::truthOf);
        if (blank.isEmpty()) {
            return Court.undecided(ClaimKind.TEXT_FILLED, place, statement,
                    new Unknown.Inexact("the text around " + gap.name() + " depends on something that the proof does not cover"));
        }
        Court.Sought sought = reading(court, gap.unit(), met, court.d.and(met.set(), blank.get().holds()),
                i -> Boolean.TRUE.equals(i.truth(gap.blank().get())));
        Claim claim = court.none(ClaimKind.TEXT_FILLED, place, statement, sought,
                "Whoever reads the text has answered " + gap.name() + ", or reads what stands there instead.", () -> "");
        if (claim.verdict() != Verdict.REFUTED) {
            return claim;
        }
        String text = court.texts().get(gap.unit());
        return new Claim(ClaimKind.TEXT_FILLED, place, statement, Verdict.REFUTED, Optional.empty(), () -> {
            Claim.Explanation found = claim.explanation();
            return found.witness().isEmpty()
                    ? found
                    : new Claim.Explanation("This respondent reads a gap where the text says {" + gap.name() + "}: “" + text + "”.",
                            "Write what to show instead while " + gap.name() + " is blank.", List.of(), found.witness())
                            .with(new Mend("Show three dots where " + gap.name() + " is blank", gap.unit(),
                                    Piping.closed(text, gap.name())));
        });
    }

    /** Somebody who reads a text in a state of the set. */
    static Court.Sought reading(Court court, String unit, TextSets.Met met, int set, Predicate<Interview> shows) {
        boolean certain = court.space.openLevels().isEmpty();
        String text = court.texts().get(unit);
        if (met.page() == TextSets.AT_END) {
            return court.atEnd(e -> court.d.and(set, e.kind() != Flow.Kind.FINISH
                    ? court.endsAs(met.outcome())
                    : court.flow.outcomeOf(e).equals(met.outcome()) ? Diagrams.ALL : Diagrams.NONE),
                    shows.and(i -> i.course().outcome().filter(met.outcome()::equals).isPresent()));
        }
        if (court.flow.stages().isEmpty()) {
            return court.at(0, Diagrams.NONE, false, i -> false);
        }
        if (met.page() == TextSets.AT_START) {
            return court.at(0, court.d.and(court.flow.start(), set), false, shows);
        }
        Flow.Stage stage = court.flow.stages().get(met.page());
        int here = court.d.and(court.d.and(stage.coming(), stage.sets().visited()), set);
        String page = stage.sets().page().code();
        return court.at(met.page(), here, true,
                shows.and(i -> isAt(i, page) && (met.item().isEmpty() || i.course().asked().contains(met.item()))
                        && isRead(i, met, unit, text, certain)));
    }

    /** Whether the words are there to read; told from what is shown, since a fault may decide which words stand there. */
    private static boolean isRead(Interview interview, TextSets.Met met, String unit, String text, boolean certain) {
        Course.Shown shown = interview.course().current().flatMap(v -> v.shown(met.item())).orElse(null);
        if (certain || met.item().isEmpty() || shown == null) {
            return certain || met.item().isEmpty();
        }
        if (unit.endsWith(".label")) {
            return shown.offered().stream().anyMatch(o -> o.label().equals(text));
        }
        boolean words = unit.endsWith(".wording") || unit.endsWith(".title");
        return words ? shown.wording().equals(text) : unit.endsWith(".help") && shown.help().equals(text);
    }

    private static boolean isAt(Interview interview, String page) {
        return interview.course().current().filter(v -> v.page().code().equals(page)).isPresent();
    }
}
