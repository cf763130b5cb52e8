package orthogon.app.store;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.security.InvalidKeyException;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import javax.crypto.Mac;
import javax.crypto.spec.SecretKeySpec;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/**
 * The key under which the lines of the trail are chained. It stands in a file outside of the database, so that who can write to the
 * database alone cannot write a trail that passes for the real one. It is made at the first start.
 */
@Component
public class TrailKey {

    /** Name of the file in the data folder, where no other is set. */
    public static final String FILE = "trail.key";

    private static final String HMAC = "HmacSHA256";
    private static final int BYTES = 32;

    private final SecretKeySpec key;

    @Autowired
    TrailKey(@Value("${orthogon.data:./data}") Path folder, @Value("${orthogon.trail-key:}") String file) {
        this(read(file(folder, file)));
    }

    /**
     * The file with the key.
     *
     * @param folder of the workspace
     * @param set as it is set; blank for the file in the folder
     */
    public static Path file(Path folder, String set) {
        return set.isBlank() ? folder.resolve(FILE) : Path.of(set);
    }

    /** The key in a file, which is made where it is missing. */
    public static TrailKey at(Path file) {
        return new TrailKey(read(file));
    }

    public TrailKey(byte[] key) {
        this.key = new SecretKeySpec(key, HMAC);
    }

    private static byte[] read(Path file) {
        try {
            if (!Files.exists(file)) {
                if (file.getParent() != null) {
                    Files.createDirectories(file.getParent());
                }
                Files.writeString(file, RandomNames.hex(BYTES));
                if (file.getFileSystem().supportedFileAttributeViews().contains("posix")) {
                    Files.setPosixFilePermissions(file, PosixFilePermissions.fromString("rw-------"));
                }
            }
            return HexFormat.of().parseHex(Files.readString(file).strip());
        } catch (IOException e) {
            throw new UncheckedIOException("The key of the trail cannot be read or made at " + file, e);
        } catch (IllegalArgumentException e) {
            throw new IllegalStateException("The key of the trail at " + file + " is damaged. Put back the one from your backup.", e);
        }
    }

    /** The digest of a text under the key, as hexadecimal digits. */
    String digest(String text) {
        try {
            Mac mac = Mac.getInstance(HMAC);
            mac.init(key);
            return HexFormat.of().formatHex(mac.doFinal(text.getBytes(StandardCharsets.UTF_8)));
        } catch (NoSuchAlgorithmException | InvalidKeyException e) {
            throw new IllegalStateException(e);
        }
    }
}
