package orthogon.core.proof.space;

import java.util.Map;

/**
 * Where bits stand.
 *
 * @param first level of the asked bit of each item whose place is given; the others follow one another
 * @param free level from which on bits are free
 * @param step from one bit to the next
 */
public record BitLayout(Map<String, Integer> first, int free, int step) {

    public static final BitLayout IN_ORDER = new BitLayout(Map.of(), 0, 1);
}
