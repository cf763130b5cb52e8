package orthogon.core.proof.space;

import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import orthogon.core.expression.Expr;
import orthogon.core.expression.Wiring;
import orthogon.core.expression.Wiring.Wire;
import orthogon.core.place.RuleFamily;
import orthogon.core.proof.fault.Fault;
import orthogon.core.proof.fault.Unknown;
import orthogon.core.proof.plain.PlainForm;
import orthogon.core.proof.plain.TextGaps;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;

/** Which expressions of a document can be used, and which rest on a fault. */
final class Conditions {

    /**
     * One that can be used.
     *
     * @param written as the analyst wrote it; null where that cannot be read
     * @param unfolded in terms of questions and link parameters alone
     * @param asks what it asks of the answer classes
     * @param spoken what must be told apart to say whether a blank answer turns it
     */
    record SpaceCondition(Wire wire, Wire written, Expr unfolded, Analysis asks, List<Analysis.AnalysisPart> spoken) {}

    private final PlainForm plainForm;
    private final Wiring wiring;
    private final Map<String, Question> questions;
    private final Map<String, Unknown> faulty = new HashMap<>();
    private final Map<String, SpaceCondition> usable = new LinkedHashMap<>();
    private final Map<String, Unknown> causes = new HashMap<>();
    /** The conditions of the previous revision that read the same. */
    private final Map<String, SpaceCondition> known;

    /** @param before those of the document that this one came of by an edit; null where there is none */
    Conditions(PlainForm plainForm, List<Fault> faults, Map<String, Question> questions, Conditions before) {
        this.plainForm = plainForm;
        this.wiring = plainForm.plain();
        this.questions = questions;
        this.known = before != null && before.meansTheSame(this) ? before.usable : Map.of();
        faults.forEach(f -> faulty.putIfAbsent(f.place(), f.unknown()));
        wiring.wires().forEach(this::use);
    }

    /** Whether what a name stands for, and how its answer is read, is the same in both documents wherever both have it. */
    private boolean meansTheSame(Conditions other) {
        return wiring.derivations().equals(other.wiring.derivations())
                && wiring.document().arriving().equals(other.wiring.document().arriving())
                && other.questions.entrySet().stream().allMatch(e -> {
                    Question here = questions.get(e.getKey());
                    return here == null || here.answer().getClass() == e.getValue().answer().getClass();
                });
    }

    /** By place. */
    Map<String, SpaceCondition> usable() {
        return usable;
    }

    /** Why expressions cannot be used, by their place. */
    Map<String, Unknown> causes() {
        return causes;
    }

    private void use(Wire wire) {
        Unknown cause = faulty.isEmpty() && plainForm.unclear().isEmpty() ? null : cause(wire, new HashSet<>());
        Wire written = plainForm.original().at(plainForm.origin(wire.place())).orElse(null);
        SpaceCondition same = known.get(wire.place());
        boolean ofMessages = wire.family() == RuleFamily.CLAIM && !wiring.document().messages().isEmpty();
        if (cause == null && !ofMessages && same != null && same.wire().equals(wire) && Objects.equals(same.written(), written)) {
            usable.put(wire.place(), same);
            return;
        }
        Optional<Expr> unfolded = wire.expr().flatMap(wiring::unfolded);
        if (cause != null || unfolded.isEmpty()) {
            causes.put(wire.place(), cause != null ? cause : new Unknown.Unsound(Fault.SoundClaim.TYPE_FITS, wire.place()));
            return;
        }
        usable.put(wire.place(),
                new SpaceCondition(wire, written, unfolded.get(), asks(wire, unfolded.get()), spoken(wire, written)));
    }

    private Analysis asks(Wire wire, Expr unfolded) {
        return wire.family() == RuleFamily.DERIVE ? Analysis.ofValue(unfolded, questions) : Analysis.of(unfolded, questions);
    }

    private List<Analysis.AnalysisPart> spoken(Wire wire, Wire written) {
        Optional<Expr> condition = written == null || !wire.family().isCondition() ? Optional.empty() : written.expr();
        return condition.map(TextGaps::blankness).orElse(List.of()).stream().flatMap(e -> plainForm.plain(wire.place(), e).stream())
                .flatMap(e -> wiring.unfolded(e).stream()).flatMap(e -> Analysis.noted(e).stream()).toList();
    }

    private Unknown cause(Wire wire, Set<String> seen) {
        if (plainForm.unclear().containsKey(wire.place())) {
            return new Unknown.Beyond(plainForm.unclear().get(wire.place()));
        }
        if (faulty.containsKey(wire.place()) && !isOfTargetOnly(wire)) {
            return faulty.get(wire.place());
        }
        for (String name : wire.readable().map(Expr::references).orElse(Set.of())) {
            // What a message is sent for counts where an own claim says that it is.
            Optional<Wire> derive = wiring.at(name + ".derive").or(() -> wiring.at(name + ".sendWhen"));
            if (derive.isPresent() && seen.add(name)) {
                Unknown inner = cause(derive.get(), seen);
                if (inner != null) {
                    return inner;
                }
            }
        }
        return null;
    }

    /** Whether the fault of a rule is where it leads, not its condition: whether that can be read and uses nothing of later pages. */
    private boolean isOfTargetOnly(Wire wire) {
        boolean leads = Set.of(RuleFamily.SKIP, RuleFamily.FINISH, RuleFamily.OUTCOME_ROW).contains(wire.family());
        if (!leads || !wire.faults().isEmpty()) {
            return false;
        }
        List<Page> pages = wiring.document().pages();
        int own = pages.stream().map(Page::code).toList().indexOf(wire.owner());
        return own < 0 || wire.readable().stream().flatMap(e -> e.references().stream())
                .noneMatch(name -> wiring.document().pageOf(name).filter(p -> pages.indexOf(p) > own).isPresent());
    }
}
