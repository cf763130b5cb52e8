package orthogon.core.proof.flow;

import java.util.HashMap;
import java.util.Map;
import java.util.Set;
import orthogon.core.proof.space.Space;
import orthogon.core.proof.space.Truth;

/** The conditions of a document as sets, some of them set free: a free condition may hold or not, whatever was answered. */
final class Rules {

    private final Space space;
    private final Set<String> free;
    private final Map<String, Truth> freed = new HashMap<>();

    Rules(Space space, Set<String> free) {
        this.space = space;
        this.free = free;
    }

    Truth at(String place, boolean usual) {
        if (!free.contains(place)) {
            return space.truth(place, usual);
        }
        return freed.computeIfAbsent(place, p -> {
            int either = space.freshBit();
            return new Truth(either, space.diagrams().not(either));
        });
    }

    /** States in which the condition holds; null counts as not. */
    int holds(String place, boolean usual) {
        return at(place, usual).holds();
    }

    /** States in which an accept condition refuses; null passes. */
    int refuses(String place) {
        return at(place, true).fails();
    }
}
