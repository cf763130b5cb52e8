package orthogon.app.store;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.Map;
import java.util.TreeMap;

/** Digests (SHA-256) of what is stored once and never changed, so that damage to it is found. */
final class Digests {

    private Digests() {}

    private static MessageDigest sha256() {
        try {
            return MessageDigest.getInstance("SHA-256");
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }

    /** The digest of a text and nothing else. */
    static String plain(String text) {
        return HexFormat.of().formatHex(sha256().digest(text.getBytes(StandardCharsets.UTF_8)));
    }

    /** The digest of several parts and of where each ends. */
    static String of(byte[]... parts) {
        MessageDigest digest = sha256();
        for (byte[] part : parts) {
            digest.update(String.valueOf(part.length).getBytes(StandardCharsets.UTF_8));
            digest.update((byte) '\n');
            digest.update(part);
        }
        return HexFormat.of().formatHex(digest.digest());
    }

    static String of(String... parts) {
        byte[][] bytes = new byte[parts.length][];
        for (int i = 0; i < parts.length; i++) {
            bytes[i] = parts[i].getBytes(StandardCharsets.UTF_8);
        }
        return of(bytes);
    }

    /** @param given question to its answer as it is stored */
    static String ofResponse(String receipt, String interview, long release, String outcome, Map<String, String> given) {
        return of(receipt, interview, String.valueOf(release), outcome, new TreeMap<>(given).toString());
    }

    /** @param asked codes, separated by blanks */
    static String ofRoute(String asked, String outcome) {
        return of(asked, outcome);
    }
}
