package orthogon.app.store;

import java.security.SecureRandom;
import java.util.HexFormat;

/** Names that nobody guesses. */
public final class RandomNames {

    private static final SecureRandom RANDOM = new SecureRandom();

    private RandomNames() {}

    /** @param bytes of chance; the name has twice as many letters */
    public static String hex(int bytes) {
        byte[] chance = new byte[bytes];
        RANDOM.nextBytes(chance);
        return HexFormat.of().formatHex(chance);
    }
}
