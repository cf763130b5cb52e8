package orthogon.core.proof.diagram;

import java.time.Duration;

/**
 * What one part of a proof may use: its claims, or its counts.
 *
 * @param nodes most diagram nodes, at 20 bytes each; a power of two
 * @param time longest time
 */
public record Limits(int nodes, Duration time) {

    public static final Limits USUAL = new Limits(1 << 23, Duration.ofMinutes(5));

    /** @throws IllegalArgumentException where nothing could be proved with so little */
    public Limits {
        if (nodes < 1 << 12 || time.isNegative() || time.isZero()) {
            throw new IllegalArgumentException("a proof needs some time, and at least 4096 nodes");
        }
    }

    /** The nodes that fit into so much memory. */
    public static Limits of(int megabytes, Duration time) {
        return new Limits(Math.max(1 << 12, Integer.highestOneBit((int) Math.min(1 << 30, megabytes * 1_000_000L / 20))), time);
    }
}
