package orthogon.core.proof.claim;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.function.ToIntFunction;
import orthogon.core.expression.Wiring;
import orthogon.core.expression.Wiring.Wire;
import orthogon.core.proof.diagram.Diagrams;
import orthogon.core.proof.flow.Flow;
import orthogon.core.proof.space.Space;

/**
 * Finds the fewest conditions that exclude something together: with all others set free it is still impossible, and no smaller set
 * does that. Implicit hitting sets (Reiter 1987; Ignatiev and others 2015): every excluding set meets every set of conditions whose
 * freeing makes the thing possible.
 */
final class Cores {

    private static final int MOST_ROUNDS = 60;
    private static final Set<Wiring.Family> MEMBERS = Set.of(Wiring.Family.OPEN_WHEN, Wiring.Family.ASK_WHEN, Wiring.Family.OFFER_WHEN,
            Wiring.Family.REQUIRE_WHEN, Wiring.Family.ACCEPT, Wiring.Family.LOCK_WHEN, Wiring.Family.SKIP, Wiring.Family.FINISH,
            Wiring.Family.OUTCOME_ROW);

    private final Space space;
    private final ToIntFunction<Flow> target;

    private Cores(Space space, ToIntFunction<Flow> target) {
        this.space = space;
        this.target = target;
    }

    /**
     * @param about places to start the search from
     * @param target the states that are impossible, computed in a flow
     * @return places, in document order; empty where the answers' own limits alone exclude it, or where the search was given up
     */
    static List<String> smallest(Space space, List<String> about, ToIntFunction<Flow> target) {
        try {
            Cores cores = new Cores(space, target);
            List<String> all = space.wiring().wires().stream().filter(w -> MEMBERS.contains(w.family())).map(Wire::place).toList();
            List<String> near = cores.cone(about, all);
            boolean enough = cores.excludes(new HashSet<>(near), all);
            if (!enough && !cores.excludes(new HashSet<>(all), all)) {
                return List.of();
            }
            List<String> members = enough ? near : all;
            Set<String> core = cores.search(members, all);
            return all.stream().filter(core::contains).toList();
        } catch (Diagrams.BudgetSpent e) {
            return List.of();
        }
    }

    /** Conditions of what the given places mention, and of what those mention, and so on. */
    private List<String> cone(List<String> about, List<String> all) {
        Set<String> places = new LinkedHashSet<>(about);
        List<String> todo = new ArrayList<>(about);
        Set<String> seen = new HashSet<>();
        while (!todo.isEmpty()) {
            String place = todo.removeLast();
            Set<String> names = new LinkedHashSet<>();
            space.expr(place).ifPresent(e -> names.addAll(e.references()));
            for (Wire wire : space.wiring().wires()) {
                boolean governs = names.contains(wire.owner()) || names.stream().anyMatch(n -> space.wiring().document().pageOf(n)
                        .map(p -> p.code().equals(wire.owner()) && wire.family() == Wiring.Family.OPEN_WHEN).orElse(false));
                if (governs && all.contains(wire.place()) && seen.add(wire.place())) {
                    places.add(wire.place());
                    todo.add(wire.place());
                }
            }
        }
        return all.stream().filter(places::contains).toList();
    }

    private boolean excludes(Set<String> kept, List<String> all) {
        Set<String> free = new HashSet<>(all);
        free.removeAll(kept);
        return target.applyAsInt(new Flow(space, free, new BitSet(), new BitSet())) == Diagrams.NONE;
    }

    private Set<String> search(List<String> members, List<String> all) {
        List<Set<String>> corrections = new ArrayList<>();
        for (int round = 0; round < MOST_ROUNDS; round++) {
            Set<String> candidate = hitting(corrections, members);
            if (excludes(candidate, all)) {
                return candidate;
            }
            corrections.add(correction(candidate, members, all));
        }
        return shrunk(new LinkedHashSet<>(members), all);
    }

    /** A smallest-effort set of conditions outside the candidate whose freeing makes the thing possible. */
    private Set<String> correction(Set<String> candidate, List<String> members, List<String> all) {
        Set<String> kept = new LinkedHashSet<>(candidate);
        for (String member : members) {
            if (kept.add(member) && excludes(kept, all)) {
                kept.remove(member);
            }
        }
        Set<String> freed = new LinkedHashSet<>(members);
        freed.removeAll(kept);
        return freed;
    }

    private Set<String> shrunk(Set<String> core, List<String> all) {
        for (String member : List.copyOf(core)) {
            core.remove(member);
            if (!excludes(core, all)) {
                core.add(member);
            }
        }
        return core;
    }

    /** A smallest set that meets every correction. */
    private static Set<String> hitting(List<Set<String>> corrections, List<String> members) {
        for (int size = 0; size <= members.size(); size++) {
            Set<String> found = hitting(corrections, size, new LinkedHashSet<>());
            if (found != null) {
                return found;
            }
        }
        throw new IllegalStateException("a correction is empty");
    }

    private static Set<String> hitting(List<Set<String>> corrections, int size, Set<String> chosen) {
        for (Set<String> correction : corrections) {
            if (correction.stream().noneMatch(chosen::contains)) {
                if (size == 0) {
                    return null;
                }
                for (String member : correction) {
                    Set<String> larger = new LinkedHashSet<>(chosen);
                    larger.add(member);
                    Set<String> found = hitting(corrections, size - 1, larger);
                    if (found != null) {
                        return found;
                    }
                }
                return null;
            }
        }
        return chosen;
    }
}
