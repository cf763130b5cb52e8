package orthogon.core.proof.claim;

import orthogon.core.place.Place.Rule;
import orthogon.core.proof.diagram.Diagrams;
import orthogon.core.proof.fault.Fault;
import orthogon.core.proof.fault.Unknown;
import orthogon.core.proof.flow.Flow;
import orthogon.core.proof.message.Message;
import java.util.List;
import java.util.Optional;

/** Every complete path ends in exactly one outcome. */
final class EndingClaims {

    private EndingClaims() {}

    static List<Claim> of(ClaimDecider decider) {
        String place = decider.space.wiring().document().code();
        Message statement = ClaimKind.ONE_OUTCOME.message("claim");
        int without = decider.reads.endsAs("");
        Optional<Unknown> bad = badOutcome(decider);
        if (bad.isPresent()) {
            return List.of(ClaimDecider.undecided(ClaimKind.ONE_OUTCOME, place, statement, bad.get()));
        }
        ClaimDecider.Sought sought = decider.atEnd(e -> e.kind() == Flow.ExitKind.FINISH ? Diagrams.NONE : without,
                i -> i.course().complete() && i.course().outcome().isEmpty());
        return List.of(decider.none(ClaimKind.ONE_OUTCOME, place, statement, sought,
                ClaimKind.ONE_OUTCOME.message("proved"), () -> ClaimKind.ONE_OUTCOME.message(
                        decider.space.wiring().document().outcomeTable().isEmpty() ? "refuted.no-table" : "refuted")));
    }

    /** A finish or row that leads to an outcome that does not exist, and that somebody takes. */
    private static Optional<Unknown> badOutcome(ClaimDecider decider) {
        var document = decider.space.wiring().document();
        for (Flow.Exit ending : decider.flow.endings()) {
            if (ending.kind() == Flow.ExitKind.FINISH && ending.set() != Diagrams.NONE && decider.flow.outcomeOf(ending).isEmpty()) {
                return Optional.of(new Unknown.Unsound(Fault.SoundClaim.REFERENCE_EXISTS, ending.place()));
            }
        }
        for (int i = 0; i < document.outcomeTable().size(); i++) {
            if (document.outcome(document.outcomeTable().get(i).outcome()).isEmpty()
                    && !decider.d.disjoint(decider.flow.rowReached(i), decider.flow.rowHolds(i))) {
                return Optional.of(new Unknown.Unsound(Fault.SoundClaim.REFERENCE_EXISTS, Rule.outcomeRow(i).text()));
            }
        }
        return Optional.empty();
    }
}
