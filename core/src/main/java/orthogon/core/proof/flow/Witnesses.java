package orthogon.core.proof.flow;

import java.util.BitSet;
import java.util.LinkedHashMap;
import java.util.Map;
import orthogon.core.proof.diagram.Diagrams;
import orthogon.core.proof.diagram.Diagrams.DiagramState;
import orthogon.core.proof.space.Axis;

/** Finds concrete answers that lead to a set of states, by walking back page by page. Few answers are preferred, and ordinary ones. */
public final class Witnesses {

    private final Flow flow;
    private final Diagrams d;

    public Witnesses(Flow flow) {
        this.flow = flow;
        this.d = flow.space().diagrams();
    }

    /**
     * Answers of somebody who arrives at the page with a state of the set.
     *
     * @param set not empty, a subset of those who come to the page; may speak about the page's own answers
     * @param withPage whether the page's own answers are wanted
     * @return question or link parameter to value; what is blank is left out
     */
    public Map<String, Object> to(int page, int set, boolean withPage) {
        Map<String, Object> answers = new LinkedHashMap<>();
        walk(page, set, withPage, answers);
        return ordered(answers);
    }

    /** Answers of somebody who ends this way with a state of the set, which must be part of what is remembered there. */
    public Map<String, Object> end(Flow.Exit ending, int set) {
        Map<String, Object> answers = new LinkedHashMap<>();
        DiagramState state = d.pick(set);
        walk(ending.from(), d.and(ending.set(), before(state, ending.from())), true, answers);
        return ordered(answers);
    }

    private Map<String, Object> ordered(Map<String, Object> answers) {
        Map<String, Object> ordered = new LinkedHashMap<>();
        for (Axis axis : flow.space().axes()) {
            if (answers.get(axis.code()) != null) {
                ordered.put(axis.code(), answers.get(axis.code()));
            }
        }
        return ordered;
    }

    private void walk(int page, int set, boolean withPage, Map<String, Object> answers) {
        DiagramState state = d.pick(set);
        Flow.Stage stage = flow.stages().get(page);
        if (withPage) {
            stage.sets().questionCodes().forEach(code -> decode(code, state, answers));
        }
        int earlier = before(state, page - 1);
        for (Flow.Exit entry : stage.entries()) {
            int from = d.and(entry.set(), earlier);
            if (from != Diagrams.NONE && !d.disjoint(entry.remembered(), earlier)) {
                walk(entry.from(), from, entry.kind() != Flow.ExitKind.PASSED_BY, answers);
                return;
            }
        }
        for (Axis axis : flow.space().axes()) {
            if (axis.question() == null) {
                decode(axis.code(), d.pick(d.and(flow.start(), earlier)), answers);
            }
        }
    }

    private void decode(String code, DiagramState state, Map<String, Object> answers) {
        answers.putIfAbsent(code, flow.space().axis(code).decode(state));
    }

    /** The part of the state about the link and the pages up to that one. */
    private int before(DiagramState state, int page) {
        BitSet later = new BitSet();
        for (Flow.Stage stage : flow.stages()) {
            if (stage.sets().index() > page) {
                later.or(stage.sets().levels());
            }
        }
        BitSet known = (BitSet) state.known().clone();
        known.andNot(later);
        return d.of(new DiagramState(known, state.ones()));
    }
}
