package orthogon.core.proof.claim;

import orthogon.core.expression.Wiring.Wire;
import orthogon.core.place.RuleFamily;
import orthogon.core.proof.diagram.Diagrams;
import orthogon.core.proof.flow.Flow;
import orthogon.core.proof.message.Message;
import orthogon.core.proof.space.Space;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.ToIntFunction;

/**
 * Finds the fewest conditions that exclude something together: with all others set free it is still impossible, and no smaller set
 * does that. Implicit hitting sets (Reiter 1987; Ignatiev and others 2015): every excluding set meets every set of conditions whose
 * freeing makes the thing possible.
 */
final class Cores {

    private static final int MOST_ROUNDS = 60;
    private static final Set<RuleFamily> MEMBERS = Set.of(RuleFamily.OPEN_WHEN, RuleFamily.ASK_WHEN, RuleFamily.OFFER_WHEN,
            RuleFamily.EVERY_RECORD,
            RuleFamily.REQUIRE_WHEN, RuleFamily.ACCEPT, RuleFamily.LOCK_WHEN, RuleFamily.SKIP, RuleFamily.FINISH,
            RuleFamily.OUTCOME_ROW);

    private static final int MOST_NODES = 1 << 20;

    /**
     * What was found.
     *
     * @param places in document order; none where the answers' own limits alone exclude it, or where the search was given up
     * @param isNearby whether everything but the conditions nearby was left as it is, since the whole is too much to search
     * @param gaveUp why the search came to nothing; empty where it was done
     */
    record Core(List<String> places, boolean isNearby, Optional<Message> gaveUp) {

        /** Conditions that exclude each other. */
        ConflictCore excluding(Message otherwise) {
            return told(isNearby ? "core.exclude.nearby" : "core.exclude", otherwise);
        }

        /** Conditions that refuse an answer. */
        ConflictCore refusing() {
            return told(isNearby ? "core.exclude.nearby" : "core.refuse", Message.of("core.alone"));
        }

        private ConflictCore told(String key, Message otherwise) {
            return places.isEmpty()
                    ? ConflictCore.bare(places, unless(otherwise))
                    : ConflictCore.of(key, places, places, "list.semicolon");
        }

        /** Conditions for which another always or never holds. */
        ConflictCore besides(String condition) {
            List<String> others = places.stream().filter(p -> !p.equals(condition)).toList();
            return others.isEmpty()
                    ? ConflictCore.bare(places, unless(Message.of(isNearby ? "core.reason.alone.nearby" : "core.reason.alone")))
                    : ConflictCore.of("core.reason", places, others, "list.and");
        }

        private Message unless(Message otherwise) {
            return gaveUp.map(why -> Message.of("core.given-up").inner("why", why)).orElse(otherwise);
        }
    }

    private final Space space;
    private final int pages;
    private final ToIntFunction<Flow> target;
    private final List<String> all;
    /** The conditions that are not set free. */
    private final Set<String> fixed = new HashSet<>();

    private Cores(Space space, int pages, ToIntFunction<Flow> target) {
        this.space = space.over(new Diagrams(MOST_NODES));
        this.pages = pages;
        this.target = target;
        this.all = space.wiring().wires().stream().filter(w -> MEMBERS.contains(w.family())).map(Wire::place).toList();
    }

    /**
     * @param pages how many pages count
     * @param about places to start the search from
     * @param target the states that are impossible, computed in a flow
     */
    static Core smallest(Space space, int pages, List<String> about, ToIntFunction<Flow> target) {
        try {
            return new Core(new Cores(space, pages, target).found(about), false, Optional.empty());
        } catch (Diagrams.BudgetSpent whole) {
            try {
                return new Core(new Cores(space, pages, target).foundNear(about), true, Optional.empty());
            } catch (Diagrams.BudgetSpent near) {
                return new Core(List.of(), false, Optional.of(near.why()));
            }
        }
    }

    private List<String> found(List<String> about) {
        List<String> near = cone(about);
        boolean enough = excludes(new HashSet<>(near));
        if (!enough && !excludes(new HashSet<>(all))) {
            return List.of();
        }
        return search(enough ? near : all);
    }

    /** Among the conditions nearby alone, all others as they are. */
    private List<String> foundNear(List<String> about) {
        List<String> near = cone(about);
        fixed.addAll(all);
        near.forEach(fixed::remove);
        return search(near);
    }

    /** Conditions of what the given places mention, and of what those mention, and so on. */
    private List<String> cone(List<String> about) {
        Set<String> places = new LinkedHashSet<>(about);
        List<String> todo = new ArrayList<>(about);
        Set<String> seen = new HashSet<>();
        while (!todo.isEmpty()) {
            String place = todo.removeLast();
            Set<String> names = new LinkedHashSet<>();
            space.expr(place).ifPresent(e -> names.addAll(e.references()));
            for (Wire wire : space.wiring().wires()) {
                boolean governs = names.contains(wire.owner()) || names.stream().anyMatch(n -> space.wiring().document().pageOf(n)
                        .map(p -> p.code().equals(wire.owner()) && wire.family() == RuleFamily.OPEN_WHEN).orElse(false));
                if (governs && all.contains(wire.place()) && seen.add(wire.place())) {
                    places.add(wire.place());
                    todo.add(wire.place());
                }
            }
        }
        return all.stream().filter(places::contains).toList();
    }

    private boolean excludes(Set<String> kept) {
        Set<String> free = new HashSet<>(all);
        free.removeAll(kept);
        free.removeAll(fixed);
        return target.applyAsInt(Flow.through(pages, space, free)) == Diagrams.NONE;
    }

    private List<String> search(List<String> members) {
        List<Set<String>> corrections = new ArrayList<>();
        for (int round = 0; round < MOST_ROUNDS; round++) {
            Set<String> candidate = hitting(corrections, members);
            if (excludes(candidate)) {
                return inOrder(candidate);
            }
            corrections.add(correction(candidate, members));
        }
        return inOrder(shrunk(new LinkedHashSet<>(members)));
    }

    private List<String> inOrder(Set<String> core) {
        return all.stream().filter(core::contains).toList();
    }

    /** A smallest-effort set of conditions outside the candidate whose freeing makes the thing possible. */
    private Set<String> correction(Set<String> candidate, List<String> members) {
        Set<String> kept = new LinkedHashSet<>(candidate);
        for (String member : members) {
            if (kept.add(member) && excludes(kept)) {
                kept.remove(member);
            }
        }
        Set<String> freed = new LinkedHashSet<>(members);
        freed.removeAll(kept);
        return freed;
    }

    private Set<String> shrunk(Set<String> core) {
        for (String member : List.copyOf(core)) {
            core.remove(member);
            if (!excludes(core)) {
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
