package orthogon.core.proof;

/**
 * How many random documents a test draws: a share of the whole sample, so that everyday runs stay short. {@code -Dorthogon.share=100} draws
 * all of it.
 */
public final class Sample {

    /** In per cent. */
    private static final int SHARE = Integer.getInteger("orthogon.share", 15);

    private Sample() {}

    public static int of(int documents) {
        return Math.max(1, documents * SHARE / 100);
    }

    /** What the share must exceed where a whole sample exceeds the number; a small share may come to nothing. */
    public static int mustPass(int least) {
        return SHARE < 15 ? -1 : least * SHARE / 200;
    }
}
