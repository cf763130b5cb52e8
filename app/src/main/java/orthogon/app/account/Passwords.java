package orthogon.app.account;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.HashSet;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import java.util.function.Supplier;
import org.springframework.core.io.ClassPathResource;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Component;

/** Which passwords are good enough, and the slow hash of them, made one at a time so that it does not take the processors from others. */
@Component
public class Passwords {

    public static final int LEAST = 12;
    /** More is cut off by the hash. */
    public static final int MOST_BYTES = 72;

    private static final int MOST_WAITING = 40;
    private static final int LONGEST_WAIT_SECONDS = 20;

    /** Too many want to sign in at the same moment. */
    public static final class Busy extends RuntimeException {
        Busy() {
            super("Too many people sign in at this moment. Wait a minute, then try again.", null, false, false);
        }
    }

    private final PasswordEncoder encoder;
    private final Semaphore one = new Semaphore(1, true);
    private final Set<String> common = new HashSet<>();
    private final String nobodys;

    public Passwords(PasswordEncoder encoder) {
        this.encoder = encoder;
        this.nobodys = encoder.encode("nobody has this password");
        try {
            String list = new ClassPathResource("orthogon/app/account/common_passwords.txt").getContentAsString(StandardCharsets.UTF_8);
            list.lines().filter(line -> !line.isBlank() && !line.startsWith("#")).forEach(common::add);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Why a password is not good enough, in a sentence; empty where it is. */
    public Optional<String> whyNot(String password, String name, String shown) {
        if (password.codePointCount(0, password.length()) < LEAST) {
            return Optional.of("Choose a password of at least " + LEAST + " characters; a few words in a row are easy to remember.");
        }
        if (password.getBytes(StandardCharsets.UTF_8).length > MOST_BYTES) {
            return Optional.of("Choose a password of at most " + MOST_BYTES + " characters.");
        }
        String letters = password.toLowerCase(Locale.ROOT).replaceAll("[^\\p{L}]", "");
        boolean common = this.common.contains(letters) || this.common.contains(password.toLowerCase(Locale.ROOT)) || isRepeated(password);
        boolean ofName = letters.equals(name.replaceAll("[^\\p{L}]", ""))
                || letters.equals(shown.toLowerCase(Locale.ROOT).replaceAll("[^\\p{L}]", ""));
        return common || ofName ? Optional.of("This password is among the first that others try. Choose another.") : Optional.empty();
    }

    /** Whether it is one short piece over and over, or a few characters in all. */
    private static boolean isRepeated(String password) {
        return password.chars().distinct().count() < 5;
    }

    public String hash(String password) {
        return inTurn(() -> encoder.encode(password));
    }

    /**
     * Whether a password is the one of the hash. Takes as long where there is no hash, so that nobody learns who has an account.
     *
     * @param hashed empty for none
     * @throws Busy where too many wait already
     */
    public boolean fits(String password, String hashed) {
        boolean tooLong = password.getBytes(StandardCharsets.UTF_8).length > MOST_BYTES;
        boolean fits = inTurn(() -> encoder.matches(tooLong ? "" : password, hashed.isEmpty() ? nobodys : hashed));
        return fits && !tooLong && !hashed.isEmpty();
    }

    private <T> T inTurn(Supplier<T> slow) {
        try {
            if (one.getQueueLength() > MOST_WAITING || !one.tryAcquire(LONGEST_WAIT_SECONDS, TimeUnit.SECONDS)) {
                throw new Busy();
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new Busy();
        }
        try {
            return slow.get();
        } finally {
            one.release();
        }
    }
}
