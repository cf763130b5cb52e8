package orthogon.core.proof.claim;

import orthogon.core.expression.BlankHints;
import orthogon.core.expression.BlankHints.Slip;
import orthogon.core.expression.Expr;
import orthogon.core.expression.Printer;
import orthogon.core.expression.Wiring.Wire;
import orthogon.core.interview.Interview;
import orthogon.core.proof.diagram.Diagrams;
import orthogon.core.proof.fault.Unknown;
import orthogon.core.proof.message.Message;
import orthogon.core.proof.plain.TextGaps;
import orthogon.core.proof.space.Space;
import orthogon.core.proof.space.Truth;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;

/**
 * No condition turns on a blank answer where its plain reading says otherwise. Whoever reads {@code x != "a"} or {@code not(x > 5)}
 * thinks of an answer; the first also holds without one, the second does not.
 */
final class BlankClaims implements PageByPage.OfConditions {

    private final ClaimDecider decider;
    private final Space space;
    private final Diagrams d;
    private final Evaluations evaluations;
    private final Evaluators evaluators;

    BlankClaims(ClaimDecider decider) {
        this.decider = decider;
        this.space = decider.space;
        this.d = decider.d;
        this.evaluations = decider.evaluations;
        this.evaluators = new Evaluators(decider, evaluations);
    }

    @Override
    public Evaluations evaluations() {
        return evaluations;
    }

    @Override
    public List<Claim> about(List<Wire> conditions) {
        List<Claim> claims = new ArrayList<>();
        for (Wire wire : conditions) {
            Optional<Expr> condition = decider.space.written(wire.place());
            if (condition.isPresent() && decider.space.plainForm().isSaid(wire.place())) {
                List<Slip> slips = BlankHints.slips(condition.get());
                for (int n = 0; n < condition.get().comparisons().size(); n++) {
                    int index = n;
                    claims.add(claim(wire, condition.get(), n, slips.stream().filter(s -> s.index() == index).findFirst()));
                }
            }
        }
        return claims;
    }

    private Claim claim(Wire wire, Expr condition, int n, Optional<Slip> slip) {
        String place = wire.place() + "#" + n;
        Message statement = ClaimKind.BLANK_READING.message("claim").spoken("comparison", condition.comparisons().get(n))
                .code("place", wire.place());
        Optional<Unknown> cause = space.causeAt(wire.place());
        if (cause.isPresent()) {
            return ClaimDecider.undecided(ClaimKind.BLANK_READING, place, statement, cause.get()).advisory();
        }
        int turned = slip.map(s -> turned(wire, s)).orElse(Diagrams.NONE);
        Optional<Slip> cannot = slip.filter(s -> evaluations.changed(wire, n, s.plainly()).isEmpty());
        if (cannot.isPresent()) {
            return ClaimDecider.undecided(ClaimKind.BLANK_READING, place, statement, new ClaimId(ClaimKind.TYPE_FITS, wire.place()))
                    .advisory();
        }
        Predicate<Interview> shows = slip
                .map(s -> evaluators.turnsOutOtherwise(wire, condition.with(n, s.plainly())).and(isBlank(wire, s))).orElse(i -> false);
        Claim plain = decider.none(ClaimKind.BLANK_READING, place, statement, evaluators.sought(wire, turned, shows),
                ClaimKind.BLANK_READING.message("proved"), () -> ClaimKind.BLANK_READING.message("refuted"));
        if (plain.verdict() != Verdict.REFUTED) {
            return plain.advisory();
        }
        return new Claim(ClaimKind.BLANK_READING, place, statement, Verdict.REFUTED, Optional.empty(),
                () -> explained(wire, condition, slip.orElseThrow(), plain.finding())).advisory();
    }

    /** The states that evaluate the condition with a blank in the comparison and for which the plain reading differs. */
    private int turned(Wire wire, Slip slip) {
        int blank = Diagrams.NONE;
        if (slip.byOperand()) {
            Expr.Compare c = (Expr.Compare) slip.comparison();
            for (Expr side : List.of(c.left(), c.right())) {
                blank = d.or(blank, side.references().isEmpty() ? Diagrams.NONE : blank(wire, side));
            }
        } else {
            int known = space.truthAt(wire.place(), slip.comparison()).map(t -> d.or(t.holds(), t.fails())).orElse(Diagrams.NONE);
            blank = d.minus(slip.isQuantified() ? Diagrams.ALL : anyBlank(wire, slip), known);
        }
        return d.and(d.and(evaluations.evaluated(decider.flow, wire), blank),
                evaluations.changed(wire, slip.index(), slip.plainly()).orElse(Diagrams.NONE));
    }

    private Predicate<Interview> isBlank(Wire wire, Slip slip) {
        Expr comparison = space.plainForm().plain(wire.place(), slip.comparison()).orElseThrow();
        List<Expr> blank = slip.byOperand() ? comparison.children() : List.of(comparison);
        return i -> blank.stream().anyMatch(e -> i.value(e) == null);
    }

    private int anyBlank(Wire wire, Slip slip) {
        int any = Diagrams.NONE;
        for (String name : slip.names()) {
            any = d.or(any, blank(wire, new Expr.Name(name, Expr.Span.NONE)));
        }
        return any;
    }

    /** The states in which a value is blank. */
    private int blank(Wire wire, Expr value) {
        return space.truthAt(wire.place(), TextGaps.isBlank(value)).map(Truth::holds).orElse(Diagrams.ALL);
    }

    private Finding explained(Wire wire, Expr condition, Slip slip, Finding found) {
        if (found.witness().isEmpty()) {
            return found;
        }
        Map<String, Object> witness = found.witness().get();
        if (slip.isQuantified()) {
            return new Finding.Respondent(Message.of("blank-reading.quantified").spoken("comparison", slip.comparison()),
                    Message.of("blank-reading.quantified.advice"), witness, Optional.empty());
        }
        String name = slip.names().stream().filter(n -> !witness.containsKey(n)).findFirst().orElse(slip.names().iterator().next());
        boolean negated = !slip.plainly() && !slip.byOperand() || slip.plainly();
        Expr reads = negated ? new Expr.Not(slip.comparison(), Expr.Span.NONE) : slip.comparison();
        String how = slip.byOperand() ? "blank-reading.holds" : "blank-reading.fails";
        Expr answered = TextGaps.answered(new Expr.Name(name, Expr.Span.NONE));
        Expr mended = slip.byOperand()
                ? new Expr.And(List.of(answered, condition), Expr.Span.NONE)
                : new Expr.Or(List.of(condition, new Expr.Not(answered, Expr.Span.NONE)), Expr.Span.NONE);
        Optional<Mend> mend = condition.comparisons().size() == 1
                ? Optional.of(new Mend(Message.of(how + ".mend").code("name", name), space.plainForm().origin(wire.place()),
                        Printer.print(mended)))
                : Optional.empty();
        return new Finding.Respondent(Message.of(how).spoken("comparison", reads).code("name", name),
                Message.of(how + ".advice").code("name", name), witness, mend);
    }
}
