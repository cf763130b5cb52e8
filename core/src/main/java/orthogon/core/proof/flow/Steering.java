package orthogon.core.proof.flow;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import orthogon.core.proof.diagram.Diagrams;
import orthogon.core.proof.diagram.Diagrams.DiagramState;
import orthogon.core.proof.space.Axis;
import orthogon.core.proof.space.Space;

/**
 * Finds somebody who does one thing, comes to an end, and on the way does as many others as can be had. Works backwards what each
 * page must leave possible, then forwards, page by page.
 */
public final class Steering {

    /**
     * Something that happens on a page, to those who pass it.
     *
     * @param page its index
     * @param set the states of the page in which it happens
     * @param exit the way the page is left; null for any
     */
    public record Aim(int page, int set, Flow.Exit exit) {}

    /**
     * Somebody's way.
     *
     * @param answers question or link parameter of the plain form to value; what is blank is left out
     * @param met the wishes that were met
     */
    public record Way<T>(Map<String, Object> answers, List<T> met) {}

    private final Flow flow;
    private final Space space;
    private final Diagrams d;
    private final int end;
    private final int[] completes;

    public Steering(Flow flow) {
        this.flow = flow;
        this.space = flow.space();
        this.d = space.diagrams();
        this.end = flow.stages().size();
        int[] next = new int[end + 1];
        next[end] = Diagrams.ALL;
        for (int p = end - 1; p >= 0; p--) {
            next[p] = before(p, next, finish -> true);
        }
        this.completes = next;
    }

    /** The states at a page from which the goal can be reached, also by the finishes that are allowed. */
    private int before(int page, int[] next, Predicate<Flow.Exit> finishes) {
        int found = Diagrams.NONE;
        Flow.Stage stage = flow.stages().get(page);
        int own = d.cube(stage.sets().levels());
        for (Flow.Exit exit : stage.exits()) {
            if (exit.kind() != Flow.ExitKind.FINISH || finishes.test(exit)) {
                found = d.or(found, d.andExists(exit.set(), after(exit, next), own));
            }
        }
        return found;
    }

    /** The states in which a page must be left for the goal to stay reachable. */
    private int after(Flow.Exit exit, int[] next) {
        if (exit.kind() == Flow.ExitKind.FINISH) {
            return Diagrams.ALL;
        }
        int set = next[exit.target()];
        BitSet between = flow.between(exit);
        between.and(d.support(set));
        return d.andExists(set, flow.untouched(between), d.cube(between));
    }

    /** Whether somebody does it and comes to an end. */
    public boolean isPossible(Aim aim) {
        return through(aim) != Diagrams.NONE;
    }

    private int through(Aim aim) {
        if (aim.exit() != null) {
            return d.and(d.and(aim.exit().set(), aim.set()), after(aim.exit(), completes));
        }
        int found = Diagrams.NONE;
        for (Flow.Exit exit : flow.stages().get(aim.page()).exits()) {
            found = d.or(found, d.and(d.and(exit.set(), aim.set()), after(exit, completes)));
        }
        return found;
    }

    /** Finds a respondent who ends with this outcome; the empty code stands for none. */
    public <T> Optional<Way<T>> toOutcome(String outcome, Map<T, Aim> wishes) {
        int[] next = new int[end + 1];
        next[end] = Diagrams.NONE;
        int rest = Diagrams.ALL;
        for (int row = 0; row < space.wiring().document().outcomeTable().size(); row++) {
            next[end] = flow.outcomeOf(row).equals(outcome) ? d.or(next[end], d.and(rest, flow.rowHolds(row))) : next[end];
            rest = d.minus(rest, flow.rowHolds(row));
        }
        next[end] = outcome.isEmpty() ? d.or(next[end], rest) : next[end];
        for (int p = end - 1; p >= 0; p--) {
            next[p] = before(p, next, finish -> flow.outcomeOf(finish).equals(outcome));
        }
        return walk(next, null, wishes, outcome);
    }

    /** Finds a respondent who comes to the end of all pages with a state of the set. */
    public <T> Optional<Way<T>> toEnd(int set, Map<T, Aim> wishes) {
        int[] next = new int[end + 1];
        next[end] = set;
        for (int p = end - 1; p >= 0; p--) {
            next[p] = before(p, next, finish -> false);
        }
        return walk(next, null, wishes, null);
    }

    /** Finds a respondent who reaches an aim and an end, and fulfils as many wishes as possible besides, earlier ones first. */
    public <T> Optional<Way<T>> to(Aim aim, Map<T, Aim> wishes) {
        int[] next = completes.clone();
        int own = d.cube(flow.stages().get(aim.page()).sets().levels());
        next[aim.page()] = d.exists(through(aim), own);
        for (int p = aim.page() - 1; p >= 0; p--) {
            int found = Diagrams.NONE;
            for (Flow.Exit exit : flow.stages().get(p).exits()) {
                if (exit.kind() != Flow.ExitKind.FINISH && exit.target() <= aim.page()) {
                    found = d.or(found, d.andExists(exit.set(), after(exit, next), d.cube(flow.stages().get(p).sets().levels())));
                }
            }
            next[p] = found;
        }
        return walk(next, aim, wishes, "");
    }

    /** @param outcome that a finish must give; null where no finish is wanted; of no account where there is an aim */
    private <T> Optional<Way<T>> walk(int[] next, Aim aim, Map<T, Aim> wishes, String outcome) {
        int here = d.and(flow.start(), end == 0 ? next[end] : next[0]);
        if (here == Diagrams.NONE) {
            return Optional.empty();
        }
        Map<String, Object> answers = new LinkedHashMap<>();
        List<T> met = new ArrayList<>();
        DiagramState link = d.pick(here);
        for (Axis axis : space.axes()) {
            if (axis.question() == null) {
                note(axis.code(), axis.decode(link), answers);
            }
        }
        here = d.and(here, pinned(link, space.linkLevels()));
        Map<Integer, List<T>> byPage = new HashMap<>();
        wishes.forEach((wish, a) -> byPage.computeIfAbsent(a.page(), p -> new ArrayList<>()).add(wish));
        int page = 0;
        while (page < end) {
            Flow.Stage stage = flow.stages().get(page);
            int[] ways = new int[stage.exits().size()];
            for (int e = 0; e < ways.length; e++) {
                ways[e] = d.and(d.and(here, stage.exits().get(e).set()), allowed(stage.exits().get(e), next, aim, outcome));
            }
            if (aim != null && aim.page() == page) {
                for (int e = 0; e < ways.length; e++) {
                    boolean through = aim.exit() == null || aim.exit().equals(stage.exits().get(e));
                    ways[e] = through ? d.and(ways[e], aim.set()) : Diagrams.NONE;
                }
            }
            // Whoever ends here meets nothing more, so a finish is only taken where there is no other way.
            for (int e = 0; e < ways.length; e++) {
                boolean goesOn = stage.exits().get(e).kind() != Flow.ExitKind.FINISH;
                if (goesOn && ways[e] != Diagrams.NONE) {
                    for (int f = 0; f < ways.length; f++) {
                        ways[f] = stage.exits().get(f).kind() == Flow.ExitKind.FINISH ? Diagrams.NONE : ways[f];
                    }
                    break;
                }
            }
            for (T wish : byPage.getOrDefault(page, List.of())) {
                int[] narrowed = new int[ways.length];
                boolean some = false;
                for (int e = 0; e < ways.length; e++) {
                    Aim a = wishes.get(wish);
                    boolean through = a.exit() == null || a.exit().equals(stage.exits().get(e));
                    narrowed[e] = through ? d.and(ways[e], a.set()) : Diagrams.NONE;
                    some |= narrowed[e] != Diagrams.NONE;
                }
                if (some) {
                    ways = narrowed;
                    met.add(wish);
                }
            }
            int taken = -1;
            for (int e = 0; e < ways.length && taken < 0; e++) {
                taken = ways[e] != Diagrams.NONE ? e : -1;
            }
            if (taken < 0) {
                return Optional.empty();
            }
            Flow.Exit exit = stage.exits().get(taken);
            DiagramState state = d.pick(ways[taken]);
            if (exit.kind() != Flow.ExitKind.PASSED_BY) {
                stage.sets().questionCodes().forEach(code -> note(code, space.axis(code).decode(state), answers));
            }
            here = flow.onward(exit, d.and(ways[taken], pinned(state, stage.sets().levels())));
            page = exit.kind() == Flow.ExitKind.FINISH ? end : exit.target();
        }
        Map<String, Object> ordered = new LinkedHashMap<>();
        space.axes().forEach(a -> {
            if (answers.containsKey(a.code())) {
                ordered.put(a.code(), answers.get(a.code()));
            }
        });
        return Optional.of(new Way<>(ordered, met));
    }

    private int allowed(Flow.Exit exit, int[] next, Aim aim, String outcome) {
        if (exit.kind() != Flow.ExitKind.FINISH) {
            boolean past = aim != null && exit.from() < aim.page() && exit.target() > aim.page();
            return past ? Diagrams.NONE : after(exit, next);
        }
        if (aim != null) {
            return exit.from() < aim.page() ? Diagrams.NONE : Diagrams.ALL;
        }
        return flow.outcomeOf(exit).equals(outcome) ? Diagrams.ALL : Diagrams.NONE;
    }

    private static void note(String code, Object value, Map<String, Object> answers) {
        if (value != null) {
            answers.put(code, value);
        }
    }

    /** The states that agree with the picked one on these bits; what it leaves open is zero. */
    private int pinned(DiagramState state, BitSet levels) {
        return d.of(new DiagramState(levels, state.ones()));
    }
}
