package orthogon.core.proof.claim;

import orthogon.core.proof.message.Message;
import java.util.List;
import java.util.function.Function;

/**
 * The fewest conditions that together make something impossible, as they are told.
 *
 * @param places of the conditions, in document order; none where the limits of the answers alone make it impossible
 * @param whole what is told, the conditions among it
 * @param intro what is told before the conditions, where they are shown as a list
 */
public record ConflictCore(List<String> places, Message whole, Message intro) {

    /** What is told where there are no conditions to list. */
    static ConflictCore bare(List<String> places, Message told) {
        return new ConflictCore(places, told, told);
    }

    /**
     * Conditions as the message of this key tells them.
     *
     * @param listed those of the places that are named
     * @param joint key of the pattern that joins two
     */
    static ConflictCore of(String key, List<String> places, List<String> listed, String joint) {
        return new ConflictCore(places,
                Message.of(key).count("count", listed.size()).conditions("lines", listed, joint),
                Message.of(key + ".intro").count("count", listed.size()));
    }

    /** The same with every place led back to another. */
    ConflictCore at(Function<String, String> origin) {
        return new ConflictCore(places.stream().map(origin).distinct().toList(), whole, intro);
    }
}
