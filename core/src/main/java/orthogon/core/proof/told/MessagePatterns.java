package orthogon.core.proof.told;

import com.ibm.icu.text.MessageFormat;
import java.util.Locale;
import java.util.Map;
import java.util.ResourceBundle;
import java.util.concurrent.ConcurrentHashMap;

/** The message patterns of the proof, read from {@code claims.properties}. Safe to use from several threads. */
final class MessagePatterns {

    private static final ResourceBundle PATTERNS = ResourceBundle.getBundle("orthogon.core.proof.told.claims", Locale.ROOT);
    private static final Map<String, MessageFormat> FORMATS = new ConcurrentHashMap<>();

    private MessagePatterns() {}

    /**
     * Fills the pattern of that key.
     *
     * @throws java.util.MissingResourceException if there is no such pattern
     */
    static String format(String key, Map<String, Object> terms) {
        MessageFormat format = FORMATS.computeIfAbsent(key, k -> new MessageFormat(PATTERNS.getString(k), Locale.ENGLISH));
        // A format is not safe to share between threads.
        synchronized (format) {
            return format.format(terms);
        }
    }
}
