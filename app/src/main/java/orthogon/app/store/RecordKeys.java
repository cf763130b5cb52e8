package orthogon.app.store;

import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.security.GeneralSecurityException;
import java.security.MessageDigest;
import java.util.Arrays;
import java.util.Base64;
import java.util.HexFormat;
import java.util.Optional;
import javax.crypto.Cipher;
import javax.crypto.spec.IvParameterSpec;
import javax.crypto.spec.SecretKeySpec;
import org.springframework.stereotype.Component;

/**
 * Keys under which records go to a browser, so that no receipt does. A key is the receipt, enciphered under a tag that is made of the
 * receipt and of what the key is good for (the construction of RFC 5297, with HMAC), so that nobody can make one up.
 */
@Component
public class RecordKeys {

    private static final int TAG = 16;
    private static final int LONGEST = 200;

    private final TrailKey secret;
    private final SecretKeySpec cipherKey;

    public RecordKeys(TrailKey secret) {
        this.secret = secret;
        this.cipherKey = new SecretKeySpec(HexFormat.of().parseHex(secret.digest("keys of records")), "AES");
    }

    /** @param scope what the key is good for, as one interview */
    public String key(String receipt, String scope) {
        byte[] tag = tag(receipt, scope);
        byte[] hidden = ciphered(tag, receipt.getBytes(StandardCharsets.UTF_8));
        return Base64.getUrlEncoder().withoutPadding()
                .encodeToString(ByteBuffer.allocate(TAG + hidden.length).put(tag).put(hidden).array());
    }

    /** The receipt behind a key; empty where the key is none, or not good for this. */
    public Optional<String> receipt(String key, String scope) {
        if (key.length() > LONGEST) {
            return Optional.empty();
        }
        byte[] whole;
        try {
            whole = Base64.getUrlDecoder().decode(key);
        } catch (IllegalArgumentException e) {
            return Optional.empty();
        }
        if (whole.length <= TAG) {
            return Optional.empty();
        }
        byte[] tag = Arrays.copyOf(whole, TAG);
        String receipt = new String(ciphered(tag, Arrays.copyOfRange(whole, TAG, whole.length)), StandardCharsets.UTF_8);
        return MessageDigest.isEqual(tag, tag(receipt, scope)) ? Optional.of(receipt) : Optional.empty();
    }

    private byte[] tag(String receipt, String scope) {
        return Arrays.copyOf(HexFormat.of().parseHex(secret.digest("record " + scope.length() + " " + scope + receipt)), TAG);
    }

    private byte[] ciphered(byte[] tag, byte[] text) {
        try {
            Cipher cipher = Cipher.getInstance("AES/CTR/NoPadding");
            cipher.init(Cipher.ENCRYPT_MODE, cipherKey, new IvParameterSpec(tag));
            return cipher.doFinal(text);
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException(e);
        }
    }
}
