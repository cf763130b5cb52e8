package orthogon.core.proof.claim;

import orthogon.core.expression.Expr;
import orthogon.core.expression.Printer;
import orthogon.core.expression.Wiring.Wire;
import orthogon.core.place.RuleFamily;
import orthogon.core.proof.diagram.Diagrams;
import orthogon.core.proof.fault.Unknown;
import orthogon.core.proof.flow.Flow;
import orthogon.core.proof.message.Message;
import orthogon.core.questionnaire.Questionnaire;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.ToIntFunction;
import java.util.stream.Stream;

/** No condition is always true or never true among those who come to evaluate it. */
final class SenseClaims implements PageByPage.OfConditions {

    private final ClaimDecider decider;
    private final Diagrams d;
    private final Questionnaire document;
    private final Evaluations evaluations;
    private final Evaluators evaluators;

    SenseClaims(ClaimDecider decider) {
        this.decider = decider;
        this.evaluations = decider.evaluations;
        this.evaluators = new Evaluators(decider, evaluations);
        this.d = decider.d;
        this.document = decider.space.wiring().document();
    }

    @Override
    public Evaluations evaluations() {
        return evaluations;
    }

    @Override
    public List<Claim> about(List<Wire> conditions) {
        List<Claim> claims = new ArrayList<>();
        for (Wire wire : conditions) {
            if (decider.space.plainForm().isSaid(wire.place()) && !wire.readable().map(e -> e.comparisons().isEmpty()).orElse(false)) {
                Claim varies = varies(wire);
                claims.add(varies);
                int comparisons = decider.space.written(wire.place()).map(e -> e.comparisons().size()).orElse(0);
                for (int n = 0; n < comparisons; n++) {
                    claims.add(matters(wire, n, varies));
                }
            }
        }
        return claims;
    }

    /** Whether putting true in the place of a comparison changes something for somebody, and putting false does too. */
    private Claim matters(Wire wire, int n, Claim varies) {
        String place = wire.place() + "#" + n;
        Expr condition = decider.space.written(wire.place()).orElseThrow();
        Message statement = ClaimKind.COMPARISON_MATTERS.message("claim").spoken("comparison", condition.comparisons().get(n))
                .code("place", wire.place());
        if (varies.verdict() == Verdict.UNDECIDED && varies.follows().isPresent()) {
            return ClaimDecider.undecided(ClaimKind.COMPARISON_MATTERS, place, statement, varies.follows().get());
        }
        Optional<Integer> ifTrue = evaluations.changed(wire, n, true);
        Optional<Integer> ifFalse = evaluations.changed(wire, n, false);
        if (ifTrue.isEmpty() || ifFalse.isEmpty()) {
            return ClaimDecider.undecided(ClaimKind.COMPARISON_MATTERS, place, statement, new ClaimId(ClaimKind.TYPE_FITS, wire.place()));
        }
        int here = evaluations.evaluated(decider.flow, wire);
        int gained = d.and(here, ifTrue.get());
        int lost = d.and(here, ifFalse.get());
        if (gained == Diagrams.NONE || lost == Diagrams.NONE) {
            if (decider.flow.lostAt().isPresent()) {
                return ClaimDecider.undecided(ClaimKind.COMPARISON_MATTERS, place, statement, decider.flow.lostAt().get());
            }
            boolean idle = varies.verdict() == Verdict.REFUTED;
            Optional<ClaimId> follows = idle ? varies.follows().or(() -> Optional.of(varies.identity())) : Optional.empty();
            boolean literal = gained == Diagrams.NONE;
            return new Claim(ClaimKind.COMPARISON_MATTERS, place, statement, Verdict.REFUTED, follows,
                    () -> idleComparison(decider, wire, condition, n, literal, follows));
        }
        ClaimDecider.Sought with = evaluators.sought(wire, gained, evaluators.turnsOutOtherwise(wire, condition.with(n, true)));
        ClaimDecider.Sought without = evaluators.sought(wire, lost, evaluators.turnsOutOtherwise(wire, condition.with(n, false)));
        boolean certain = decider.space.openLevels().isEmpty();
        if (!certain && (decider.witness(with).isEmpty() || decider.witness(without).isEmpty())) {
            return ClaimDecider.undecided(ClaimKind.COMPARISON_MATTERS, place, statement, decider.open(d.or(gained, lost)));
        }
        return matters(decider, place, statement, with, without);
    }

    @Override
    public List<Claim> atEnd() {
        return Stream.concat(about(evaluations.outcomeRows()).stream(), EndConditions.of(decider).stream()).toList();
    }

    /** The proved claim, which shows a respondent for either way. */
    static Claim matters(ClaimDecider decider, String place, Message statement, ClaimDecider.Sought with, ClaimDecider.Sought without) {
        return new Claim(ClaimKind.COMPARISON_MATTERS, place, statement, Verdict.PROVED, Optional.empty(), () -> {
            Optional<Map<String, Object>> one = decider.witness(with);
            Optional<Map<String, Object>> two = decider.witness(without);
            return one.isEmpty() || two.isEmpty()
                    ? Finding.disagreement()
                    : new Finding.Pair(ClaimKind.COMPARISON_MATTERS.message("proved"), Optional.empty(), one.get(), two.get(),
                            Optional.empty());
        });
    }

    static Finding idleComparison(ClaimDecider decider, Wire wire, Expr condition, int n, boolean literal, Optional<ClaimId> follows) {
        Expr comparison = condition.comparisons().get(n);
        Message says = ClaimKind.COMPARISON_MATTERS.message(literal ? "always" : "never").spoken("comparison", comparison)
                .code("place", wire.place());
        if (follows.isPresent()) {
            return new Finding.Fact(says);
        }
        Expr left = condition.with(n, literal).folded();
        Optional<Mend> mend = left instanceof Expr.Literal
                ? Optional.empty()
                : Optional.of(new Mend(ClaimKind.COMPARISON_MATTERS.message("mend").spoken("comparison", comparison),
                        decider.space.plainForm().origin(wire.place()), Printer.print(left)));
        return new Finding.Fact(says, Optional.of(ClaimKind.COMPARISON_MATTERS.message("advice")), mend);
    }

    private Claim varies(Wire wire) {
        String place = wire.place();
        Message statement = ClaimKind.CONDITION_VARIES.message("claim").code("place", place);
        Optional<Unknown> cause = decider.space.causeAt(place);
        if (cause.isPresent()) {
            return ClaimDecider.undecided(ClaimKind.CONDITION_VARIES, place, statement, cause.get());
        }
        ToIntFunction<Flow> come = f -> evaluations.evaluated(f, wire);
        int here = come.applyAsInt(decider.flow);
        if (here == Diagrams.NONE) {
            if (decider.flow.lostAt().isPresent()) {
                return ClaimDecider.undecided(ClaimKind.CONDITION_VARIES, place, statement, decider.flow.lostAt().get());
            }
            Optional<ClaimId> follows = Optional.of(whyNobody(wire));
            return new Claim(ClaimKind.CONDITION_VARIES, place, statement, Verdict.REFUTED, follows,
                    () -> new Finding.Fact(ClaimKind.CONDITION_VARIES.message("unreached")));
        }
        int holds = d.and(here, evaluations.passing(decider.flow, wire));
        int fails = d.minus(here, evaluations.passing(decider.flow, wire));
        if (holds == Diagrams.NONE || fails == Diagrams.NONE) {
            boolean never = holds == Diagrams.NONE;
            Optional<ClaimId> follows = never ? ownReach(wire) : Optional.empty();
            if (decider.flow.lostAt().isPresent()) {
                return ClaimDecider.undecided(ClaimKind.CONDITION_VARIES, place, statement, decider.flow.lostAt().get());
            }
            return new Claim(ClaimKind.CONDITION_VARIES, place, statement, Verdict.REFUTED, follows, () -> {
                int pages = wire.family() == RuleFamily.OUTCOME_ROW ? document.pages().size() : evaluations.page(wire) + 1;
                Cores.Core core = Cores.smallest(decider.space, pages, List.of(place), f -> never
                        ? f.space().diagrams().and(come.applyAsInt(f), evaluations.passing(f, wire))
                        : f.space().diagrams().minus(come.applyAsInt(f), evaluations.passing(f, wire)));
                return new Finding.Conflict(
                        ClaimKind.CONDITION_VARIES.message(never ? "never" : "always").condition("condition", place),
                        core.besides(place));
            });
        }
        return both(wire, statement, holds, fails);
    }

    private Claim both(Wire wire, Message statement, int holds, int fails) {
        ClaimDecider.Sought yes = evaluators.sought(wire, holds, Evaluators.turnsOut(wire, true));
        ClaimDecider.Sought no = evaluators.sought(wire, fails, Evaluators.turnsOut(wire, false));
        if (!decider.space.openLevels().isEmpty() && (decider.witness(yes).isEmpty() || decider.witness(no).isEmpty())) {
            return ClaimDecider.undecided(ClaimKind.CONDITION_VARIES, wire.place(), statement, decider.open(d.or(holds, fails)));
        }
        return new Claim(ClaimKind.CONDITION_VARIES, wire.place(), statement, Verdict.PROVED, Optional.empty(), () -> {
            Message says = ClaimKind.CONDITION_VARIES.message("proved");
            return decider.witness(yes).<Finding>map(w -> new Finding.Respondent(says, w)).orElseGet(() -> new Finding.Fact(says));
        });
    }

    private ClaimId whyNobody(Wire wire) {
        if (wire.family() == RuleFamily.OUTCOME_ROW) {
            return new ClaimId(ClaimKind.REACH_ROW, wire.place());
        }
        String page = document.pages().get(evaluations.page(wire)).code();
        Optional<ClaimId> ofPage = decider.refuted(ClaimKind.REACH_PAGE, page);
        Optional<ClaimId> ofItem = decider.refuted(ClaimKind.REACH_QUESTION, wire.owner())
                .or(() -> decider.refuted(ClaimKind.REACH_SECTION, wire.owner()))
                .or(() -> decider.refuted(ClaimKind.REACH_NOTE, wire.owner()));
        return switch (wire.family()) {
            case FINISH, SKIP -> ofPage.or(() -> ownReach(wire)).orElse(new ClaimId(ClaimKind.PAGE_PASSABLE, page));
            case OPEN_WHEN -> ofPage.orElse(new ClaimId(ClaimKind.REACH_PAGE, page));
            default -> ofPage.or(() -> ofItem).orElse(new ClaimId(ClaimKind.REACH_QUESTION, wire.owner()));
        };
    }

    /** The reach claim that says of the same thing that it never happens. */
    private Optional<ClaimId> ownReach(Wire wire) {
        String owner = wire.owner();
        return switch (wire.family()) {
            case OPEN_WHEN -> decider.refuted(ClaimKind.REACH_PAGE, owner);
            case ASK_WHEN -> decider.refuted(ClaimKind.REACH_QUESTION, owner).or(() -> decider.refuted(ClaimKind.REACH_SECTION, owner))
                    .or(() -> decider.refuted(ClaimKind.REACH_NOTE, owner));
            case OFFER_WHEN -> decider.refuted(ClaimKind.REACH_OPTION, wire.at().owner().text());
            case FINISH -> decider.refuted(ClaimKind.REACH_FINISH, wire.place());
            case SKIP -> decider.refuted(ClaimKind.REACH_SKIP, wire.place());
            case OUTCOME_ROW -> decider.refuted(ClaimKind.REACH_ROW, wire.place());
            default -> Optional.empty();
        };
    }
}
