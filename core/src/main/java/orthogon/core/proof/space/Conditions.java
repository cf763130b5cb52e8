package orthogon.core.proof.space;

import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import orthogon.core.expression.Expr;
import orthogon.core.expression.Wiring;
import orthogon.core.expression.Wiring.Wire;
import orthogon.core.proof.fault.Fault;
import orthogon.core.proof.spelled.Spelled;
import orthogon.core.questionnaire.Page;

/** Which expressions of a document can be used, and which rest on a fault. */
final class Conditions {

    private final Wiring wiring;
    private final Map<String, String> faulty = new HashMap<>();
    private final Map<String, Expr> usable = new LinkedHashMap<>();
    private final Map<String, String> causes = new HashMap<>();

    Conditions(Spelled spelled, List<Fault> faults) {
        this.wiring = spelled.plain();
        faults.forEach(f -> faulty.putIfAbsent(f.place(), f.claim()));
        faulty.putAll(spelled.unclear());
        wiring.wires().forEach(this::use);
    }

    /** In terms of questions and link parameters alone, by place. */
    Map<String, Expr> usable() {
        return usable;
    }

    /** The sound claims that the others fall short of, by their place. */
    Map<String, String> causes() {
        return causes;
    }

    private void use(Wire wire) {
        String cause = cause(wire, new HashSet<>());
        Optional<Expr> unfolded = wire.expr().flatMap(wiring::unfolded);
        if (cause != null || unfolded.isEmpty()) {
            causes.put(wire.place(), cause != null ? cause : "type-fits " + wire.place());
            return;
        }
        usable.put(wire.place(), unfolded.get());
    }

    private String cause(Wire wire, Set<String> seen) {
        if (faulty.containsKey(wire.place()) && !isOfTargetOnly(wire)) {
            return faulty.get(wire.place());
        }
        for (String name : wire.readable().map(Expr::references).orElse(Set.of())) {
            Optional<Wire> derive = wiring.at(name + ".derive");
            if (derive.isPresent() && seen.add(name)) {
                String inner = cause(derive.get(), seen);
                if (inner != null) {
                    return inner;
                }
            }
        }
        return null;
    }

    /** Whether the fault of a rule is where it leads, not its condition: whether that can be read and uses nothing of later pages. */
    private boolean isOfTargetOnly(Wire wire) {
        boolean leads = Set.of(Wiring.Family.SKIP, Wiring.Family.FINISH, Wiring.Family.OUTCOME_ROW).contains(wire.family());
        if (!leads || !wire.faults().isEmpty()) {
            return false;
        }
        List<Page> pages = wiring.document().pages();
        int own = pages.stream().map(Page::code).toList().indexOf(wire.owner());
        return own < 0 || wire.readable().stream().flatMap(e -> e.references().stream())
                .noneMatch(name -> wiring.document().pageOf(name).filter(p -> pages.indexOf(p) > own).isPresent());
    }
}
