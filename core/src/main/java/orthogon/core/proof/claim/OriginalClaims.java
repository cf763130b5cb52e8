package orthogon.core.proof.claim;

import orthogon.core.expression.Wiring;
import orthogon.core.interview.Interview;
import orthogon.core.place.Place;
import orthogon.core.proof.message.Message;
import orthogon.core.proof.plain.PlainForm;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Leads claims about the plain form of a document back to the document itself. What is proved of the first entry of a roster
 * holds of every entry: entries differ in nothing but their number, and whoever has any has the first.
 */
final class OriginalClaims {

    /** Claims that are told of a grid as one question, though they are proved row by row; refuted as soon as one row is. */
    private static final Set<ClaimKind> OF_EVERYBODY = Set.of(ClaimKind.NOTHING_BY_DEFAULT, ClaimKind.ANSWERS_KEPT,
            ClaimKind.LIMITS_LEAVE_ANSWER, ClaimKind.BLANK_READING);

    private final ClaimDecider decider;
    private final PlainForm plainForm;

    OriginalClaims(ClaimDecider decider) {
        this.decider = decider;
        this.plainForm = decider.space.plainForm();
    }

    List<Claim> all(List<Claim> claims) {
        if (!plainForm.differs()) {
            return claims;
        }
        Map<String, Claim> told = new LinkedHashMap<>();
        for (Claim claim : claims) {
            if (plainForm.isSaid(claim.place())) {
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
        String place = asWritten ? claim.place() : plainForm.origin(claim.place());
        if (OF_EVERYBODY.contains(claim.kind()) && claim.kind().at(place) instanceof Place.Part row) {
            place = row.row();
        }
        boolean grid = plainForm.grids().contains(claim.place()) && claim.kind() == ClaimKind.REACH_SECTION;
        boolean roster = claim.kind() == ClaimKind.REACH_QUESTION && !plainForm.grids().contains(claim.place())
                && plainForm.original().document().question(place).isEmpty() && !place.contains(".");
        ClaimKind kind = grid || claim.kind() == ClaimKind.REACH_QUESTION && place.contains(".")
                ? ClaimKind.REACH_QUESTION
                : roster ? ClaimKind.REACH_SECTION : claim.kind();
        Message statement = grid ? new Message("reach-question.claim", claim.statement().terms()) : claim.statement();
        Claim again = new Claim(kind, place, statement, claim.verdict(),
                claim.follows().map(f -> new ClaimId(f.kind(), plainForm.origin(f.place()))),
                () -> original(claim.finding()));
        again.guardedBy(decider.flow);
        return claim.blocking() ? again : again.advisory();
    }

    private Finding original(Finding plain) {
        return switch (plain) {
            case Finding.Fact f -> new Finding.Fact(f.says(), f.advice(), original(f.mend()));
            case Finding.Conflict c -> new Finding.Conflict(c.says(), c.because().at(plainForm::origin));
            case Finding.Respondent r -> {
                Map<String, Object> answers = plainForm.answers(r.answers());
                yield agrees(r.answers(), answers)
                        ? new Finding.Respondent(r.says(), r.advice(), core(r.conflict()), answers, original(r.mend()))
                        : Finding.disagreement();
            }
            case Finding.Pair p -> {
                Map<String, Object> one = plainForm.answers(p.one());
                Map<String, Object> two = plainForm.answers(p.two());
                yield agrees(p.one(), one) && agrees(p.two(), two)
                        ? new Finding.Pair(p.says(), p.advice(), one, two, original(p.mend()))
                        : Finding.disagreement();
            }
            case Finding.Case c -> c;
            case Finding.Consequence c -> c;
        };
    }

    private Optional<ConflictCore> core(Optional<ConflictCore> plain) {
        return plain.map(c -> c.at(plainForm::origin));
    }

    private Optional<Mend> original(Optional<Mend> plain) {
        return plain.map(m -> new Mend(m.words(), plainForm.origin(m.place()), m.text()));
    }

    /** Whether the same happens to the respondent in the document as in its plain form, however that is read where it is not said there. */
    private boolean agrees(Map<String, Object> plain, Map<String, Object> answers) {
        Interview here = Replay.of(plainForm.original(), decider.space.today(), answers, "");
        List<Wiring> readings = decider.readings(Integer.MAX_VALUE);
        return readings.isEmpty() || readings.stream().anyMatch(reading -> {
            Interview there = Replay.of(reading, decider.space.today(), plainForm.settled(plain), "");
            return there.passed().equals(here.passed()) && there.course().outcome().equals(here.course().outcome())
                    && there.course().complete() == here.course().complete();
        });
    }
}
