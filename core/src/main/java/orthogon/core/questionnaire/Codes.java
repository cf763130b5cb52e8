package orthogon.core.questionnaire;

import java.util.Locale;
import java.util.Set;
import java.util.function.Predicate;
import java.util.regex.Pattern;

/** What a code may look like, and how a fresh one is found. */
public final class Codes {

    private static final Pattern SHAPE = Pattern.compile("[a-z][a-z0-9_]*");

    /** Words of the expression language that cannot be codes. */
    public static final Set<String> RESERVED = Set.of("and", "or", "not", "if", "then", "else", "some", "every", "in", "satisfies",
            "between",
            "true", "false", "null");

    private Codes() {}

    public static boolean isValid(String code) {
        return code.length() <= 64 && SHAPE.matcher(code).matches() && !RESERVED.contains(code);
    }

    /** Words that turn what a text says into its opposite; a code that is made of the text never lacks them. */
    private static final Set<String> TURNING = Set.of("not", "no", "never", "none", "nothing", "nobody", "neither", "nor", "without",
            "cannot",
            "dont", "doesnt", "didnt", "isnt", "wasnt", "wont", "cant", "except", "unless");

    /** A code made of the leading words of a text, fresh by the given test of what is taken. */
    public static String from(String text, String fallback, Predicate<String> taken) {
        StringBuilder code = new StringBuilder();
        boolean full = false;
        for (String word : java.text.Normalizer.normalize(text, java.text.Normalizer.Form.NFD).toLowerCase(Locale.ROOT)
                .replaceAll("\\p{M}|['’]", "").split("[^a-z0-9]+")) {
            boolean filler = Set
                    .of("the", "a", "an", "is", "are", "was", "it", "did", "do", "does", "you", "your", "of", "to", "any", "there",
                            "what", "which", "how", "have", "has", "and", "or", "in")
                    .contains(word);
            if (word.isEmpty() || filler && !text.toLowerCase(Locale.ROOT).trim().equals(word)) {
                continue;
            }
            full |= code.length() + word.length() > 18;
            if (full && !TURNING.contains(word)) {
                continue;
            }
            code.append(code.isEmpty() ? "" : "_").append(word);
        }
        String base = isValid(code.toString()) ? code.toString() : fallback;
        return fresh(base, taken);
    }

    /** The code itself where it is free, else with the first free number behind it. */
    public static String fresh(String base, Predicate<String> taken) {
        if (!taken.test(base)) {
            return base;
        }
        String stem = base.replaceAll("_\\d+$", "");
        for (int n = 2;; n++) {
            String candidate = stem + "_" + n;
            if (!taken.test(candidate)) {
                return candidate;
            }
        }
    }
}
