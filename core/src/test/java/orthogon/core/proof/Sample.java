package orthogon.core.proof;

/** How many random documents a test draws: all of them, or a share of them where tests are run very often, as by {@code bin/mutation}. */
public final class Sample {

    /** In per cent. */
    private static final int SHARE = Integer.getInteger("orthogon.share", 100);

    private Sample() {}

    public static int of(int documents) {
        return Math.max(1, documents * SHARE / 100);
    }

    /** What a whole sample must come to at least; a share of it may come to nothing. */
    public static int mustPass(int least) {
        return SHARE < 100 ? -1 : least;
    }
}
