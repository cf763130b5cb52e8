package orthogon.core.proof.claim;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import orthogon.core.expression.Wiring.Wire;
import orthogon.core.place.RuleFamily;
import orthogon.core.proof.diagram.Diagrams;
import orthogon.core.proof.flow.Flow;
import orthogon.core.proof.space.Space;
import orthogon.core.proof.space.Truth;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Questionnaire;

/** Who comes to evaluate a condition, and how it turns out for them. */
public final class Evaluations {

    private final Flow flow;
    private final Space space;
    private final Diagrams d;
    private final Questionnaire document;
    private final Map<String, Integer> pages = new HashMap<>();
    private final Map<String, Integer> pageOfItem = new HashMap<>();
    private final List<List<Wire>> onPages = new ArrayList<>();
    private final List<Wire> rows = new ArrayList<>();

    public Evaluations(Flow flow) {
        this.flow = flow;
        this.space = flow.space();
        this.d = space.diagrams();
        this.document = space.wiring().document();
        for (int p = 0; p < document.pages().size(); p++) {
            int index = p;
            pages.putIfAbsent(document.pages().get(p).code(), p);
            document.pages().get(p).allItems().forEach(i -> pageOfItem.putIfAbsent(i.code(), index));
            onPages.add(new ArrayList<>());
        }
        for (Wire wire : space.wiring().wires()) {
            if (wire.family() == RuleFamily.OUTCOME_ROW) {
                rows.add(wire);
            } else if (wire.family().isCondition() && !wire.family().isBehindTheEnd()) {
                onPages.get(page(wire)).add(wire);
            }
        }
    }

    /** The conditions that are tried in interviews: what stands behind the end, and values, are none. */
    public List<Wire> conditions() {
        return Stream.concat(onPages.stream().flatMap(List::stream), rows.stream()).toList();
    }

    /** The conditions on a page. */
    List<Wire> conditions(int page) {
        return onPages.get(page);
    }

    List<Wire> outcomeRows() {
        return rows;
    }

    /** The states in which the condition turns out otherwise if one of its comparisons is taken to have that value. */
    public Optional<Integer> changed(Wire wire, int comparison, boolean literal) {
        return space.written(wire.place()).flatMap(e -> space.truthAt(wire.place(), e.with(comparison, literal))).map(truth -> {
            int passes = wire.family() == RuleFamily.ACCEPT ? d.not(truth.fails()) : truth.holds();
            return d.not(d.same(passes, passing(flow, wire)));
        });
    }

    /** The finishes and skips of the page that are tried before this one. */
    List<String> rulesBefore(Wire wire) {
        Page page = document.page(wire.owner()).orElseThrow();
        boolean skip = wire.family() == RuleFamily.SKIP;
        List<String> before = new ArrayList<>();
        for (int i = 0; i < (skip ? page.finish().size() : index(wire)); i++) {
            before.add(page.code() + "/finish/" + i);
        }
        for (int i = 0; skip && i < index(wire); i++) {
            before.add(page.code() + "/skip/" + i);
        }
        return before;
    }

    /** Index of the page on which the condition stands. */
    public int page(Wire wire) {
        boolean ofPage = wire.family() == RuleFamily.OPEN_WHEN || wire.family() == RuleFamily.FINISH
                || wire.family() == RuleFamily.SKIP;
        return (ofPage ? pages : pageOfItem).get(wire.owner());
    }

    static int index(Wire wire) {
        return wire.at().number();
    }

    /** The states that come to evaluate the condition, with any answers within their own limits. */
    public int evaluated(Flow flow, Wire wire) {
        Diagrams sets = flow.space().diagrams();
        if (wire.family() == RuleFamily.OUTCOME_ROW) {
            return flow.rowReached(index(wire));
        }
        Flow.Stage stage = flow.stages().get(page(wire));
        int possible = stage.possible();
        return switch (wire.family()) {
            case OPEN_WHEN -> stage.coming();
            case ASK_WHEN -> sets.and(possible, stage.sets().around(wire.owner()));
            case ACCEPT -> sets.minus(sets.and(possible, stage.sets().shown(wire.owner())),
                    flow.space().axis(wire.owner()).blank());
            case FINISH, SKIP -> notTakenBefore(flow, stage, wire);
            default -> sets.and(possible, stage.sets().shown(wire.owner()));
        };
    }

    private int notTakenBefore(Flow flow, Flow.Stage stage, Wire wire) {
        Diagrams sets = flow.space().diagrams();
        int rest = stage.passing();
        for (String place : rulesBefore(wire)) {
            rest = sets.minus(rest, stage.sets().ruleHolds(place));
        }
        return rest;
    }

    /** Where the condition holds; for accept, where it does not refuse. */
    int passing(Flow flow, Wire wire) {
        if (wire.family() == RuleFamily.OUTCOME_ROW) {
            return flow.rowHolds(index(wire));
        }
        Truth truth = flow.truth(wire.place(), true);
        return wire.family() == RuleFamily.ACCEPT ? flow.space().diagrams().not(truth.fails()) : truth.holds();
    }
}
