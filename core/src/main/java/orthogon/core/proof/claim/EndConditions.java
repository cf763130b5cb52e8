package orthogon.core.proof.claim;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.function.ToIntFunction;
import orthogon.core.expression.Expr;
import orthogon.core.expression.Wiring.Wire;
import orthogon.core.interview.Interview;
import orthogon.core.proof.diagram.Diagrams;
import orthogon.core.proof.fault.Unknown;
import orthogon.core.proof.message.Message;
import orthogon.core.proof.space.Truth;

/** No condition of messages and passages is always true or never true among those who come to try it, and each comparison matters. */
final class EndConditions {

    private final ClaimDecider decider;
    private final Diagrams d;
    private final EndReads reads;

    private EndConditions(ClaimDecider decider) {
        this.decider = decider;
        this.d = decider.d;
        this.reads = decider.reads;
    }

    static List<Claim> of(ClaimDecider decider) {
        EndConditions conditions = new EndConditions(decider);
        List<Claim> claims = new ArrayList<>();
        decider.space.wiring().wires().stream()
                .filter(w -> w.family().isOfDispatch())
                .filter(w -> w.readable().filter(e -> !e.comparisons().isEmpty()).isPresent()).forEach(w -> {
                    Claim varies = conditions.varies(w);
                    claims.add(varies);
                    int comparisons = decider.space.written(w.place()).map(e -> e.comparisons().size()).orElse(0);
                    for (int n = 0; n < comparisons; n++) {
                        claims.add(conditions.matters(w, n, varies));
                    }
                });
        return claims;
    }

    private Predicate<Interview> tried(Wire wire) {
        return i -> i.course().complete() && reads.isTried(wire, i);
    }

    private Claim varies(Wire wire) {
        ClaimKind kind = ClaimKind.CONDITION_VARIES;
        String place = wire.place();
        Message statement = kind.message("claim").code("place", place);
        Optional<Unknown> open = decider.space.causeAt(place).or(() -> reads.openTrying(wire));
        if (open.isPresent()) {
            return ClaimDecider.undecided(kind, place, statement, open.get());
        }
        ToIntFunction<EndReads> holding = r -> r.over(e -> r.triedAndHolding(wire, e));
        ToIntFunction<EndReads> failing = r -> r.over(e -> r.triedAndFailing(wire, e));
        int holds = holding.applyAsInt(reads);
        int fails = failing.applyAsInt(reads);
        if (holds == Diagrams.NONE || fails == Diagrams.NONE) {
            if (decider.flow.lostAt().isPresent()) {
                return ClaimDecider.undecided(kind, place, statement, decider.flow.lostAt().get());
            }
            boolean never = holds == Diagrams.NONE;
            if (never && fails == Diagrams.NONE) {
                return new Claim(kind, place, statement, Verdict.REFUTED, Optional.empty(),
                        () -> new Finding.Fact(kind.message("unreached")));
            }
            return new Claim(kind, place, statement, Verdict.REFUTED, Optional.empty(), () -> new Finding.Conflict(
                    kind.message(never ? "never" : "always").condition("condition", place),
                    Cores.smallest(decider.space, decider.space.wiring().document().pages().size(), List.of(place),
                            f -> (never ? holding : failing).applyAsInt(new EndReads(f))).besides(place)));
        }
        ClaimDecider.Sought yes = decider.atEnd(e -> reads.triedAndHolding(wire, e),
                tried(wire).and(i -> Boolean.TRUE.equals(i.truth(place))));
        ClaimDecider.Sought no = decider.atEnd(e -> reads.triedAndFailing(wire, e),
                tried(wire).and(i -> !Boolean.TRUE.equals(i.truth(place))));
        if (isUncertain(yes, no)) {
            return ClaimDecider.undecided(kind, place, statement, decider.open(d.or(holds, fails)));
        }
        return new Claim(kind, place, statement, Verdict.PROVED, Optional.empty(), () -> {
            Message says = kind.message("proved");
            return decider.witness(yes).<Finding>map(w -> new Finding.Respondent(says, w)).orElseGet(() -> new Finding.Fact(says));
        });
    }

    private boolean isUncertain(ClaimDecider.Sought one, ClaimDecider.Sought two) {
        return !decider.space.openLevels().isEmpty() && (decider.witness(one).isEmpty() || decider.witness(two).isEmpty());
    }

    private Claim matters(Wire wire, int n, Claim varies) {
        ClaimKind kind = ClaimKind.COMPARISON_MATTERS;
        String place = wire.place() + "#" + n;
        Expr condition = decider.space.written(wire.place()).orElseThrow();
        Message statement = kind.message("claim").spoken("comparison", condition.comparisons().get(n)).code("place", wire.place());
        if (varies.verdict() == Verdict.UNDECIDED) {
            return ClaimDecider.undecided(kind, place, statement, decider.space.causeAt(wire.place()).or(() -> reads.openTrying(wire))
                    .orElseGet(() -> decider.open(Diagrams.ALL)));
        }
        ClaimDecider.Sought with = changed(wire, condition.with(n, true));
        ClaimDecider.Sought without = changed(wire, condition.with(n, false));
        if (with.set() == Diagrams.NONE || without.set() == Diagrams.NONE) {
            if (decider.flow.lostAt().isPresent()) {
                return ClaimDecider.undecided(kind, place, statement, decider.flow.lostAt().get());
            }
            boolean literal = with.set() == Diagrams.NONE;
            Optional<ClaimId> follows = varies.verdict() == Verdict.REFUTED ? Optional.of(varies.identity()) : Optional.empty();
            return new Claim(kind, place, statement, Verdict.REFUTED, follows,
                    () -> SenseClaims.idleComparison(decider, wire, condition, n, literal, follows));
        }
        if (isUncertain(with, without)) {
            return ClaimDecider.undecided(kind, place, statement, decider.open(d.or(with.set(), without.set())));
        }
        return SenseClaims.matters(decider, place, statement, with, without);
    }

    /** Searches for a respondent for whom a condition that is tried turns out otherwise than another would in its place. */
    private ClaimDecider.Sought changed(Wire wire, Expr other) {
        Optional<Expr> plain = decider.space.plainForm().plain(wire.place(), other);
        return decider.atEnd(ending -> {
            Map<String, Integer> outcomes = reads.outcomesAt(ending);
            int would = plain.flatMap(decider.space.wiring()::unfolded).map(e -> decider.space.truth(e, outcomes)).map(Truth::holds)
                    .orElse(Diagrams.NONE);
            return d.and(reads.tried(wire, ending), d.not(d.same(would, reads.holds(wire.place(), ending))));
        }, tried(wire).and(i -> plain.isPresent()
                && Boolean.TRUE.equals(i.truth(wire.place())) != Boolean.TRUE.equals(i.truth(plain.get()))));
    }
}
