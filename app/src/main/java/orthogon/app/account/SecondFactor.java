package orthogon.app.account;

import dev.samstevens.totp.code.DefaultCodeGenerator;
import dev.samstevens.totp.exceptions.CodeGenerationException;
import dev.samstevens.totp.secret.DefaultSecretGenerator;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.time.Clock;
import java.util.OptionalLong;
import orthogon.app.store.SettingStore;
import org.springframework.stereotype.Component;

/** Codes of six digits that change every half minute (RFC 6238), made by a device that a person has with them. */
@Component
public class SecondFactor {

    private static final String DEMANDED = "second-factor";
    private static final int STEP_SECONDS = 30;

    private final SettingStore settings;
    private final Clock clock;
    private final DefaultCodeGenerator codes = new DefaultCodeGenerator();

    @org.springframework.beans.factory.annotation.Autowired
    SecondFactor(SettingStore settings) {
        this(settings, Clock.systemUTC());
    }

    SecondFactor(SettingStore settings, Clock clock) {
        this.settings = settings;
        this.clock = clock;
    }

    /** Whether everybody who signs in must have one. */
    public boolean isDemanded() {
        return settings.isYes(DEMANDED);
    }

    public void demand(boolean demanded) {
        settings.set(DEMANDED, demanded);
    }

    public static String newKey() {
        return new DefaultSecretGenerator().generate();
    }

    /** What a device reads to make codes; shown as a code to scan. */
    public static String address(String key, String name) {
        return "otpauth://totp/Orthogon:" + URLEncoder.encode(name, StandardCharsets.UTF_8) + "?secret=" + key + "&issuer=Orthogon&period="
                + STEP_SECONDS + "&digits=6";
    }

    /** The half minute that a code is of, one before and one after now among them; empty where it is of none. */
    public OptionalLong step(String key, String code) {
        String typed = code.replaceAll("\\s", "");
        long now = clock.instant().getEpochSecond() / STEP_SECONDS;
        OptionalLong found = OptionalLong.empty();
        for (long step = now - 1; step <= now + 1; step++) {
            try {
                boolean same = MessageDigest.isEqual(codes.generate(key, step).getBytes(StandardCharsets.UTF_8),
                        typed.getBytes(StandardCharsets.UTF_8));
                found = same ? OptionalLong.of(step) : found;
            } catch (CodeGenerationException e) {
                throw new IllegalStateException(e);
            }
        }
        return found;
    }
}
