package orthogon.core.proof.claim;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import orthogon.core.expression.Wiring;
import orthogon.core.interview.Interview;
import orthogon.core.proof.spelled.Spelled;

/**
 * Claims about the plain form of a document, told again about the document itself. What is proved of the first entry of a roster
 * holds of every entry: entries differ in nothing but their number, and whoever has any has the first.
 */
final class OriginalClaims {

    /** Claims that are told of a grid as one question, though they are proved row by row; refuted as soon as one row is. */
    private static final Set<ClaimKind> OF_EVERYBODY = Set.of(ClaimKind.NOTHING_BY_DEFAULT, ClaimKind.ANSWERS_KEPT,
            ClaimKind.LIMITS_LEAVE_ANSWER, ClaimKind.BLANK_READING);

    private final ClaimDecider decider;
    private final Spelled spelled;

    OriginalClaims(ClaimDecider decider) {
        this.decider = decider;
        this.spelled = decider.space.spelled();
    }

    List<Claim> all(List<Claim> claims) {
        if (!spelled.differs()) {
            return claims;
        }
        Map<String, Claim> told = new LinkedHashMap<>();
        for (Claim claim : claims) {
            if (spelled.isSaid(claim.place())) {
                Claim again = again(claim);
                // A grid's own condition is evaluated for each row; that it holds for somebody in one of them is enough.
                Verdict settles = OF_EVERYBODY.contains(claim.kind()) ? Verdict.REFUTED : Verdict.PROVED;
                told.merge(again.id(), again, (a, b) -> b.verdict() == settles ? b : a);
            }
        }
        return List.copyOf(told.values());
    }

    private Claim again(Claim claim) {
        boolean asWritten = Set.of(ClaimKind.OWN, ClaimKind.TEXT_FILLED, ClaimKind.TEXT_WHOLE, ClaimKind.TRANSLATED).contains(claim.kind());
        String place = asWritten ? claim.place() : spelled.origin(claim.place());
        if (OF_EVERYBODY.contains(claim.kind()) && place.indexOf('.') > 0 && place.indexOf('#') < 0) {
            place = place.substring(0, place.indexOf('.'));
        }
        boolean grid = spelled.grids().contains(claim.place()) && claim.kind() == ClaimKind.REACH_SECTION;
        boolean roster = claim.kind() == ClaimKind.REACH_QUESTION && !spelled.grids().contains(claim.place())
                && spelled.original().document().question(place).isEmpty() && !place.contains(".");
        ClaimKind kind = grid || claim.kind() == ClaimKind.REACH_QUESTION && place.contains(".")
                ? ClaimKind.REACH_QUESTION
                : roster ? ClaimKind.REACH_SECTION : claim.kind();
        String statement = grid ? spelled.said(claim.statement()).replace("is shown to", "is asked of") : spelled.said(claim.statement());
        Claim again = new Claim(kind, place, statement, claim.verdict(),
                claim.follows().map(f -> new ClaimId(f.kind(), spelled.origin(f.place()))),
                () -> told(claim.explanation()));
        again.guardedBy(decider.flow);
        return claim.blocking() ? again : again.advisory();
    }

    private Claim.Explanation told(Claim.Explanation e) {
        Optional<Map<String, Object>> witness = e.witness().map(spelled::answers);
        Optional<Map<String, Object>> other = e.other().map(spelled::answers);
        boolean agree = (witness.isEmpty() || agrees(e.witness().get(), witness.get()))
                && (other.isEmpty() || agrees(e.other().get(), other.get()));
        return agree
                ? new Claim.Explanation(spelled.said(e.headline()), spelled.said(e.details()),
                        e.core().stream().map(spelled::origin).distinct().toList(), witness, other,
                        e.mend().map(m -> new Mend(spelled.said(m.words()), spelled.origin(m.place()), m.text())))
                : Claim.Explanation.of(Replay.DISAGREE);
    }

    /** Whether the same happens to the respondent in the document as in its plain form, however that is read where it is not said there. */
    private boolean agrees(Map<String, Object> plain, Map<String, Object> answers) {
        Interview here = Replay.of(spelled.original(), decider.space.today(), answers, "");
        List<Wiring> readings = decider.readings(Integer.MAX_VALUE);
        return readings.isEmpty() || readings.stream().anyMatch(reading -> {
            Interview there = Replay.of(reading, decider.space.today(), spelled.settled(plain), "");
            return there.passed().equals(here.passed()) && there.course().outcome().equals(here.course().outcome())
                    && there.course().complete() == here.course().complete();
        });
    }
}
