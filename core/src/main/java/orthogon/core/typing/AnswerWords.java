package orthogon.core.typing;

import orthogon.core.edit.Refused;
import orthogon.core.questionnaire.Answer;
import orthogon.core.questionnaire.Codes;
import orthogon.core.questionnaire.DateLimit;
import java.math.BigDecimal;
import java.time.DateTimeException;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Kinds of answer as they are typed: {@code number 1..20 animals}, {@code many: blood; a hanging wing; none of these!}. */
public final class AnswerWords {

    private static final String RANGE = "(?:\\s+(\\S+)?\\s*\\.\\.\\s*(\\S+)?)?";
    private static final Pattern NUMBER = Pattern
            .compile("(number|slider)(?:\\s+(-?[\\d.]*\\d)?\\s*\\.\\.\\s*(-?\\d[\\d.]*)?)?(?:\\s+decimals\\s+(\\d))?(?:\\s+(\\S.*))?");
    private static final Pattern TEXT = Pattern.compile("(long )?text(?:\\s+(letters|digits))?"
            + "(?:\\s*(?:≤|<=|up to)\\s*(\\d{1,5})|\\s+(\\d{1,5})?\\s*\\.\\.\\s*(\\d{1,5})?)?");
    private static final Pattern DATE = Pattern.compile("date(?:\\s+(.+?)?\\s*\\.\\.\\s*(.+)?)?");
    private static final Pattern TIME = Pattern.compile("time" + RANGE);
    private static final Pattern RATING = Pattern.compile("rating(?:\\s+(\\d{1,2}))?");
    private static final Pattern FILES = Pattern.compile("files?(?:\\s+(\\d{1,2}))?");
    private static final Pattern RANK = Pattern.compile("rank(?:\\s+(\\d{1,2}))?:(.*)", Pattern.DOTALL);
    private static final Pattern GRID = Pattern.compile("grid( many)?:([^|]*)\\|(.*)", Pattern.DOTALL);
    private static final long FIVE_MEGABYTES = 5_000_000;

    private AnswerWords() {}

    /**
     * One line of the list of types.
     *
     * @param typed what can be written behind the slash
     * @param means what it is, in a few words
     */
    public record AnswerWord(String typed, String name, String means) {}

    /** Every kind of row, for the list of types. */
    public static final List<AnswerWord> KINDS = List.of(
            new AnswerWord("text", "short text", "one line; also text 5..30, text letters, text digits"),
            new AnswerWord("long text", "long text", "several lines"),
            new AnswerWord("one: first; second", "one choice", "one option of several"),
            new AnswerWord("list: first; second", "one choice, drop-down", "one option, for long lists"),
            new AnswerWord("many: first; second; none of these!", "many choices", "any of several; ! stands alone"),
            new AnswerWord("yes/no", "yes / no", "starts blank"),
            new AnswerWord("number 1..20", "number", "with limits, decimals and a unit"),
            new AnswerWord("slider 0..10", "number on a slider", "starts unanswered"),
            new AnswerWord("rating 5", "rating", "1 to 5"),
            new AnswerWord("likelihood", "likelihood", "0 to 10"),
            new AnswerWord("date ..today", "date", "fixed or from today"),
            new AnswerWord("time 08:00..18:00", "time", "of the day"),
            new AnswerWord("name", "person name", "given, family and further parts"),
            new AnswerWord("address", "postal address", "street, town and further parts"),
            new AnswerWord("email", "email", "checked and put in its usual form"),
            new AnswerWord("phone", "phone", "checked and put in its usual form"),
            new AnswerWord("web address", "web address", "checked"),
            new AnswerWord("country", "country", "by its ISO code"),
            new AnswerWord("language", "language", "by its ISO code"),
            new AnswerWord("grid: first row; second row | fine; hurt", "grid", "one choice for each row; grid many: for several"),
            new AnswerWord("rank 3: first; second; third", "ranking", "options put in order"),
            new AnswerWord("files 3", "file", "pictures or documents"),
            new AnswerWord("agree: I have read the terms.", "agreement", "a box to tick, never ticked beforehand"),
            new AnswerWord("signature", "signature", "drawn, or typed"),
            new AnswerWord("hidden: north; south", "hidden", "a value of the respondent's link"),
            new AnswerWord("lookup other_questionnaire", "lookup", "a record of another questionnaire"),
            new AnswerWord("note", "note", "text only"),
            new AnswerWord("section", "section", "a titled group"),
            new AnswerWord("roster 1..12 Animal", "roster", "a group answered once per entry"),
            new AnswerWord("derive: 1 + 1", "derived value", "computed from answers"));

    /** @throws Refused where the words are no kind of answer */
    public static Answer read(String words) throws Refused {
        String kind = words.trim();
        Matcher text = TEXT.matcher(kind);
        Matcher number = NUMBER.matcher(kind);
        Matcher date = DATE.matcher(kind);
        Matcher time = TIME.matcher(kind);
        Matcher rating = RATING.matcher(kind);
        Matcher files = FILES.matcher(kind);
        Matcher rank = RANK.matcher(kind);
        Matcher grid = GRID.matcher(kind);
        if (text.matches()) {
            Answer.Content content = text.group(2) == null
                    ? Answer.Content.ANY
                    : Answer.Content.valueOf(text.group(2).toUpperCase(Locale.ROOT));
            String most = text.group(3) == null ? text.group(5) : text.group(3);
            return new Answer.TextAnswer(text.group(1) != null, text.group(4) == null ? null : Integer.valueOf(text.group(4)),
                    most == null ? null : Integer.valueOf(most), content, "", "", "", "");
        }
        if (kind.matches("(number|slider)\\b.*\\d,\\d.*")) {
            throw new Refused("A number with a comma can be read in two ways. Write 1000 or 0.5 without one.");
        }
        if (number.matches()) {
            BigDecimal least = decimal(number.group(2));
            BigDecimal most = decimal(number.group(3));
            int places = Math.max(least == null ? 0 : Math.max(0, least.scale()), most == null ? 0 : Math.max(0, most.scale()));
            boolean slider = number.group(1).equals("slider");
            if (slider && (least == null || most == null)) {
                throw new Refused("A slider needs both limits: slider 0..10.");
            }
            return new Answer.Numeric(least, most, number.group(4) == null ? places : Integer.parseInt(number.group(4)),
                    number.group(5) == null ? "" : number.group(5).trim(), slider);
        }
        if (date.matches()) {
            return new Answer.DateAnswer(limit(date.group(1)), limit(date.group(2)));
        }
        if (time.matches()) {
            return new Answer.TimeAnswer(time(time.group(1)), time(time.group(2)));
        }
        if (rating.matches()) {
            return Answer.Scale.rating(rating.group(1) == null ? 5 : steps(rating.group(1)));
        }
        if (files.matches()) {
            return new Answer.FileAnswer(files.group(1) == null ? 1 : Integer.parseInt(files.group(1)), FIVE_MEGABYTES, List.of());
        }
        if (rank.matches()) {
            List<Answer.Option> options = options(rank.group(2), false);
            return new Answer.Ranking(options, rank.group(1) == null ? options.size() : Integer.parseInt(rank.group(1)));
        }
        if (grid.matches()) {
            List<Answer.Grid.GridRow> rows = options(grid.group(2), false).stream()
                    .map(o -> new Answer.Grid.GridRow(o.code(), o.label(), ""))
                    .toList();
            return new Answer.Grid(grid.group(1) != null, rows, options(grid.group(3), grid.group(1) != null));
        }
        return switch (kind) {
            case "yes/no" -> new Answer.YesNo();
            case "likelihood" -> Answer.Scale.likelihood();
            case "name" -> Answer.Parts.name();
            case "address" -> Answer.Parts.address();
            case "email" -> new Answer.Contact(Answer.Contact.Kind.EMAIL, "");
            case "phone" -> new Answer.Contact(Answer.Contact.Kind.PHONE, "");
            case "web address" -> new Answer.Contact(Answer.Contact.Kind.WEB, "");
            case "country" -> new Answer.IsoCode(false, List.of());
            case "language" -> new Answer.IsoCode(true, List.of());
            case "signature" -> new Answer.Signature();
            case "hidden" -> new Answer.Hidden(List.of());
            default -> withArgument(kind);
        };
    }

    private static Answer withArgument(String kind) throws Refused {
        int colon = kind.indexOf(':');
        String head = colon < 0 ? kind : kind.substring(0, colon).trim();
        String rest = colon < 0 ? "" : kind.substring(colon + 1).trim();
        return switch (head) {
            case "one" -> new Answer.OneChoice(options(rest, false), false);
            case "list" -> new Answer.OneChoice(options(rest, false), true);
            case "many" -> new Answer.ManyChoices(options(rest, true), null, null);
            case "agree" -> new Answer.Agreement(rest);
            case "hidden" -> new Answer.Hidden(Arrays.stream(rest.split(";")).map(String::trim).filter(v -> !v.isEmpty()).toList());
            default -> {
                if (head.matches("lookup [a-z][a-z0-9_]*")) {
                    yield new Answer.Lookup(head.substring(7), 0, List.of(), false);
                }
                throw new Refused("“" + kind + "” is not a kind of answer. There are text, long text, number 1..20, yes/no, one: a; b, "
                        + "many: a; b, date, email and more; the list of types shows them all.");
            }
        };
    }

    private static int steps(String typed) throws Refused {
        int steps = Integer.parseInt(typed);
        if (steps < 2 || steps > Answer.Scale.MOST_STEPS) {
            throw new Refused("A rating has 2 to " + Answer.Scale.MOST_STEPS + " steps, not " + steps + ".");
        }
        return steps;
    }

    private static BigDecimal decimal(String text) throws Refused {
        try {
            return text == null ? null : new BigDecimal(text);
        } catch (NumberFormatException e) {
            throw new Refused("“" + text + "” is not a number.");
        }
    }

    /** @throws Refused where the text is neither a date nor a number of days from today */
    public static DateLimit limit(String text) throws Refused {
        try {
            return text == null || text.isBlank() ? null : DateLimit.parse(text);
        } catch (IllegalArgumentException e) {
            throw new Refused(e.getMessage() + ".");
        }
    }

    /** @throws Refused where the text is no time of day */
    public static LocalTime time(String text) throws Refused {
        try {
            return text == null || text.isBlank() ? null : LocalTime.parse(text.trim());
        } catch (DateTimeException e) {
            throw new Refused("“" + text + "” is not a time; write it like 14:30.");
        }
    }

    static List<Answer.Option> options(String text, boolean many) throws Refused {
        List<Answer.Option> options = new ArrayList<>();
        for (String part : text.split(";")) {
            if (!part.isBlank()) {
                options.add(option(part.trim(), many, options));
            }
        }
        if (options.isEmpty()) {
            throw new Refused("Write the options after the colon, with semicolons between them.");
        }
        return options;
    }

    /** One option: {@code none of these!} stands alone, {@code Other …} asks for a text, {@code Blood = 3} has a score. */
    static Answer.Option option(String typed, boolean many, List<Answer.Option> before) {
        String label = typed;
        boolean exclusive = many && label.endsWith("!");
        label = exclusive ? label.substring(0, label.length() - 1).trim() : label;
        Matcher scored = Pattern.compile("(.*\\S)\\s*=\\s*(-?\\d{1,6}(?:\\.\\d{1,4})?)").matcher(label);
        BigDecimal score = scored.matches() ? new BigDecimal(scored.group(2)) : null;
        label = score == null ? label : scored.group(1);
        boolean other = label.length() > 1 && (label.endsWith("…") || label.endsWith("..."));
        label = other ? label.replaceAll("\\s*(…|\\.\\.\\.)$", "") : label;
        String code = Codes.from(label, "option", c -> before.stream().anyMatch(o -> o.code().equals(c)));
        return new Answer.Option(code, label.substring(0, 1).toUpperCase(Locale.ROOT) + label.substring(1), score, exclusive, "", other,
                "");
    }
}
