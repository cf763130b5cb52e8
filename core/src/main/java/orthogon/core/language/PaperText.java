package orthogon.core.language;

import com.ibm.icu.text.MessageFormat;
import com.ibm.icu.text.MessagePattern;
import com.ibm.icu.text.MessagePattern.ArgType;
import com.ibm.icu.text.MessagePattern.Part;
import com.ibm.icu.util.ULocale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;

/** Texts for paper, where no answer is known. */
public final class PaperText {

    private PaperText() {}

    /**
     * The text with a reference in place of every answer. Of a choice between arms it takes the one for any other. A text that cannot be
     * read stays as it is.
     *
     * @param reference from a code to the words that refer to its answer
     */
    public static String of(String text, Function<String, String> reference) {
        if (text.indexOf('{') < 0 || Piping.fault(text).isPresent()) {
            return text;
        }
        String rest = Piping.replaced(text, a -> a.kind() == ArgType.NONE || a.kind() == ArgType.SIMPLE
                ? Optional.of(reference.apply(PipedNames.code(a.name())))
                : Optional.empty());
        MessagePattern pattern = PipedNames.pattern(rest);
        // The last choice holds no other, so that its # is its own.
        for (int i = pattern.countParts() - 1; i >= 0; i--) {
            if (pattern.getPartType(i) == Part.Type.ARG_START) {
                String arm = other(pattern, i);
                if (pattern.getPart(i).getArgType() != ArgType.SELECT) {
                    arm = arm.replace("#", reference.apply(PipedNames.code(PipedNames.name(pattern, i + 1))));
                }
                return of(rest.substring(0, pattern.getPart(i).getIndex()) + arm
                        + rest.substring(pattern.getPart(pattern.getLimitPartIndex(i)).getLimit()), reference);
            }
        }
        return PipedNames.asTyped(new MessageFormat(PipedNames.dotted(rest), ULocale.ROOT).format(Map.of()));
    }

    /** The arm for any other value, which every choice has. */
    private static String other(MessagePattern pattern, int choice) {
        for (int i = choice; i < pattern.getLimitPartIndex(choice); i++) {
            if (pattern.getPartType(i) == Part.Type.ARG_SELECTOR && pattern.getSubstring(pattern.getPart(i)).equals("other")) {
                int from = pattern.getPart(i + 1).getLimit();
                return PipedNames
                        .asTyped(pattern.getPatternString().substring(from, pattern.getPart(pattern.getLimitPartIndex(i + 1)).getIndex()));
            }
        }
        return "";
    }
}
