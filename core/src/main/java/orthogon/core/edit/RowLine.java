package orthogon.core.edit;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Predicate;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import orthogon.core.questionnaire.Answer;
import orthogon.core.questionnaire.Codes;
import orthogon.core.questionnaire.DateLimit;
import orthogon.core.questionnaire.Derived;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Note;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Section;

/**
 * One typed line that makes a row: {@code How many animals? / number 1..20 animals}, {@code What did you see? / many: blood; a hanging
 * wing; none of these!}. Behind the last slash stands what kind of row it is; without one it is a question for a short text.
 */
public final class RowLine {

    private static final Pattern NUMBER = Pattern
            .compile("number(?:\\s+(-?[\\d.]+)?\\s*\\.\\.\\s*(-?[\\d.]+)?)?(?:\\s+decimals\\s+(\\d))?(?:\\s+(\\S.*))?");
    private static final Pattern TEXT = Pattern.compile("(long )?text(?:\\s*(?:≤|<=|up to)\\s*(\\d{1,5}))?");
    private static final Pattern DATE = Pattern.compile("date(?:\\s+(.+?)?\\s*\\.\\.\\s*(.+)?)?");

    private RowLine() {}

    /** What can be written behind the slash, for the list of types. */
    public static final List<String> KINDS = List.of("text", "long text", "number 1..20", "yes/no", "one: first; second",
            "many: first; second; none of these!", "date ..today", "note", "section", "derive: 1 + 1");

    /**
     * @param taken codes that are in use
     * @throws Refused where the line says no kind of row
     */
    public static Item read(String line, Predicate<String> taken) throws Refused {
        int slash = slash(line);
        String wording = (slash < 0 ? line : line.substring(0, slash)).trim();
        String kind = slash < 0 ? "text" : line.substring(slash + 1).trim();
        if (wording.isEmpty()) {
            throw new Refused("The line has no wording before the slash.");
        }
        String code = Codes.from(wording, "item", taken);
        boolean required = kind.endsWith("*");
        kind = required ? kind.substring(0, kind.length() - 1).trim() : kind;
        if (kind.equals("note")) {
            return new Note(code, wording, "");
        }
        if (kind.equals("section")) {
            return new Section(code, wording, "", List.of());
        }
        if (kind.startsWith("derive:")) {
            return new Derived(code, kind.substring(7).trim());
        }
        Question question = Question.of(code, wording, answer(kind));
        return required ? question.withRequireWhen("true") : question;
    }

    /** The last slash that stands between blanks, so that {@code and/or} and {@code yes/no} are left alone. */
    private static int slash(String line) {
        int at = line.lastIndexOf(" / ");
        return at < 0 ? -1 : at + 1;
    }

    /** An answer from its words. */
    public static Answer answer(String kind) throws Refused {
        Matcher text = TEXT.matcher(kind);
        Matcher number = NUMBER.matcher(kind);
        Matcher date = DATE.matcher(kind);
        if (text.matches()) {
            return new Answer.Text(text.group(1) != null, null, text.group(2) == null ? null : Integer.valueOf(text.group(2)));
        }
        if (number.matches()) {
            BigDecimal least = decimal(number.group(1));
            BigDecimal most = decimal(number.group(2));
            int places = Math.max(least == null ? 0 : Math.max(0, least.scale()), most == null ? 0 : Math.max(0, most.scale()));
            return new Answer.Numeric(least, most, number.group(3) == null ? places : Integer.parseInt(number.group(3)),
                    number.group(4) == null ? "" : number.group(4).trim());
        }
        if (date.matches()) {
            return new Answer.DateAnswer(limit(date.group(1)), limit(date.group(2)));
        }
        if (kind.equals("yes/no")) {
            return new Answer.YesNo();
        }
        if (kind.startsWith("one:") || kind.startsWith("many:")) {
            boolean many = kind.startsWith("many:");
            List<Answer.Option> options = options(kind.substring(kind.indexOf(':') + 1), many);
            return many ? new Answer.ManyChoices(options, null, null) : new Answer.OneChoice(options, false);
        }
        throw new Refused(
                "“" + kind + "” is no kind of answer. There are text, long text, number 1..20, yes/no, one: a; b, many: a; b, date, "
                        + "note, section, derive: …");
    }

    private static BigDecimal decimal(String text) throws Refused {
        try {
            return text == null ? null : new BigDecimal(text);
        } catch (NumberFormatException e) {
            throw new Refused("“" + text + "” is no number.");
        }
    }

    private static DateLimit limit(String text) throws Refused {
        try {
            return text == null ? null : DateLimit.parse(text);
        } catch (IllegalArgumentException e) {
            throw new Refused(e.getMessage() + ".");
        }
    }

    private static List<Answer.Option> options(String text, boolean many) throws Refused {
        List<Answer.Option> options = new ArrayList<>();
        List<String> taken = new ArrayList<>();
        for (String part : text.split(";")) {
            String label = part.trim();
            if (label.isEmpty()) {
                continue;
            }
            boolean exclusive = many && label.endsWith("!");
            label = exclusive ? label.substring(0, label.length() - 1).trim() : label;
            String code = Codes.from(label, "option", taken::contains);
            taken.add(code);
            options.add(new Answer.Option(code, capital(label), null, exclusive, ""));
        }
        if (options.isEmpty()) {
            throw new Refused("Write the options after the colon, with semicolons between them.");
        }
        return options;
    }

    private static String capital(String label) {
        return label.substring(0, 1).toUpperCase(java.util.Locale.ROOT) + label.substring(1);
    }
}
