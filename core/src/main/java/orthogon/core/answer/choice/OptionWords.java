package orthogon.core.answer.choice;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import orthogon.core.answer.Answer;
import orthogon.core.answer.AnswerFault;
import orthogon.core.answer.Option;
import orthogon.core.questionnaire.Codes;

/** Options as they are typed: {@code blood; a hanging wing; none of these!}. */
public final class OptionWords {

    /** What is lost where options that stand alone become ordinary ones. */
    public static final String ALONE = "which options stand alone";

    private static final Pattern SCORED = Pattern.compile("(.*\\S)\\s*=\\s*(-?\\d{1,6}(?:\\.\\d{1,4})?)");

    private OptionWords() {}

    /** @throws AnswerFault where there are none */
    public static List<Option> options(String text, boolean many) {
        List<Option> options = new ArrayList<>();
        for (String part : text.split(";")) {
            if (!part.isBlank()) {
                options.add(option(part.trim(), many, options));
            }
        }
        if (options.isEmpty()) {
            throw new AnswerFault("options", "write the options after the colon, with semicolons between them");
        }
        return options;
    }

    /** One option: {@code none of these!} stands alone, {@code Other …} asks for a text, {@code Blood = 3} has a score. */
    public static Option option(String typed, boolean many, List<Option> before) {
        String label = typed;
        boolean exclusive = many && label.endsWith("!");
        label = exclusive ? label.substring(0, label.length() - 1).trim() : label;
        Matcher scored = SCORED.matcher(label);
        BigDecimal score = scored.matches() ? new BigDecimal(scored.group(2)) : null;
        label = score == null ? label : scored.group(1);
        boolean other = label.length() > 1 && (label.endsWith("…") || label.endsWith("..."));
        label = other ? label.replaceAll("\\s*(…|\\.\\.\\.)$", "") : label;
        String code = Codes.from(label, "option", c -> before.stream().anyMatch(o -> o.code().equals(c)));
        return new Option(code, label.substring(0, 1).toUpperCase(Locale.ROOT) + label.substring(1), score, exclusive, "", other, "");
    }

    /**
     * The options of another answer, or two to begin with.
     *
     * @param alone whether options may stand alone here
     */
    public static List<Option> of(Answer other, boolean alone) {
        List<Option> options = other.options().isEmpty() || !other.hasOwnOptions() && other.settings().isEmpty()
                ? List.of(Option.of("first", "First option"), Option.of("second", "Second option"))
                : other.options();
        boolean own = other.hasOwnOptions();
        return options.stream().map(o -> own ? o : Option.of(o.code().toLowerCase(Locale.ROOT), o.label()))
                .map(o -> alone ? o : o.withExclusive(false)).toList();
    }

    /**
     * Checks that no option stands alone where one is chosen anyway.
     *
     * @param setting name of the options in the document file
     * @throws AnswerFault where one does
     */
    public static void refuseAlone(List<Option> options, String setting) {
        for (int i = 0; i < options.size(); i++) {
            if (options.get(i).exclusive()) {
                throw new AnswerFault(setting + "/" + i + "/exclusive", "only options of many choices can be exclusive");
            }
        }
    }

    /** What options set that another type may not have. */
    public static List<String> settings(List<Option> options) {
        List<String> settings = new ArrayList<>(List.of(options.size() + " options"));
        if (options.stream().anyMatch(Option::exclusive)) {
            settings.add(ALONE);
        }
        return settings;
    }
}
