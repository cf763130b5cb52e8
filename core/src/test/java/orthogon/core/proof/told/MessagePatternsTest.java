package orthogon.core.proof.told;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.ibm.icu.text.MessageFormat;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.Reader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Properties;
import java.util.TreeSet;
import java.util.Set;
import java.util.stream.Stream;
import orthogon.core.proof.claim.ClaimKind;
import org.junit.jupiter.api.Test;

/** The patterns of the sentences that a proof says. */
class MessagePatternsTest {

    private static final Path PROOF = Path.of("src/main/java/orthogon/core/proof");

    private static Properties patterns() throws IOException {
        Properties patterns = new Properties();
        try (Reader in = new InputStreamReader(ClaimWords.class.getResourceAsStream("claims.properties"), StandardCharsets.UTF_8)) {
            patterns.load(in);
        }
        return patterns;
    }

    @Test
    void everyPatternCanBeReadAndNoneDoublesASpace() throws IOException {
        patterns().forEach((key, pattern) -> {
            new MessageFormat((String) pattern, Locale.ENGLISH);
            assertTrue(!((String) pattern).contains("  "), key + ": " + pattern);
        });
    }

    @Test
    void everyKindOfClaimSaysWhatItClaims() throws IOException {
        Set<String> without = new TreeSet<>();
        Properties patterns = patterns();
        for (ClaimKind kind : ClaimKind.values()) {
            boolean said = patterns.stringPropertyNames().stream().anyMatch(k -> k.startsWith(kind.word() + ".claim"));
            if (!said && kind.scope() != ClaimKind.ClaimScope.DOCUMENT) {
                without.add(kind.word());
            }
        }
        assertEquals(Set.of(), without);
    }

    /** A pattern that no code names any more is a sentence that nobody reads. */
    @Test
    void everyPatternIsUsed() throws IOException {
        List<Path> files;
        try (Stream<Path> all = Files.walk(PROOF)) {
            files = all.filter(f -> f.toString().endsWith(".java")).toList();
        }
        StringBuilder code = new StringBuilder();
        for (Path file : files) {
            code.append(Files.readString(file));
        }
        Set<String> unused = new TreeSet<>();
        for (String key : patterns().stringPropertyNames()) {
            if (!isNamed(key, code.toString())) {
                unused.add(key);
            }
        }
        assertEquals(Set.of(), unused);
    }

    /** Whether the code names the key in one, or kind and part, or its beginning up to a dot with what completes it. */
    private static boolean isNamed(String key, String code) {
        String base = key.replaceFirst("\\.(intro|advice|mend)$", "");
        boolean accompanies = !base.equals(key) && code.contains("\"" + key.substring(base.length()) + "\"") && isNamed(base, code);
        int dot = key.indexOf('.');
        String part = key.substring(dot + 1);
        boolean ofKind = dot > 0 && ClaimKind.of(key.substring(0, dot)).isPresent()
                && (code.contains("\"" + part + "\"") || completed(part, code));
        return code.contains("\"" + key + "\"") || accompanies || ofKind || completed(key, code);
    }

    private static boolean completed(String key, String code) {
        int dot = key.lastIndexOf('.') + 1;
        return dot > 0 && code.contains("\"" + key.substring(0, dot) + "\"") && code.contains("\"" + key.substring(dot) + "\"");
    }
}
