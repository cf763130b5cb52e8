package orthogon.core.questionnaire;

import java.math.BigDecimal;
import java.time.LocalTime;
import java.util.List;
import java.util.Optional;

/** What kind of answer a question takes, with the limits that the answer itself must keep. Limits never refuse blank. */
public sealed interface Answer {

    /** The camel-case name in the document file. */
    String type();

    /** The options, for a grid its columns; empty for answers without any. */
    default List<Option> options() {
        return List.of();
    }

    default Optional<Option> option(String code) {
        return options().stream().filter(o -> o.code().equals(code)).findFirst();
    }

    /** Whether the analyst writes the options of this answer. */
    default boolean hasOwnOptions() {
        return this instanceof OneChoice || this instanceof ManyChoices || this instanceof Grid || this instanceof Ranking;
    }

    /** The same answer with other options; itself where it has none of its own. */
    default Answer withOptions(List<Option> changed) {
        return switch (this) {
            case OneChoice c -> new OneChoice(changed, c.layout());
            case ManyChoices c -> new ManyChoices(changed, c.least(), c.most(), c.layout());
            case Grid g -> new Grid(g.many(), g.rows(), changed);
            case Ranking r -> new Ranking(changed, r.places());
            default -> this;
        };
    }

    /** The sum of the scores of the chosen options; 0 for blank. Options must exist. */
    default BigDecimal score(Object value) {
        List<?> chosen = value == null ? List.of() : value instanceof List<?> l ? l : List.of(value);
        return chosen.stream().map(code -> option((String) code).orElseThrow().scoreOrZero()).reduce(BigDecimal.ZERO, BigDecimal::add);
    }

    /** Which characters a text may hold. */
    enum Content {
        ANY, LETTERS, DIGITS;

        public String word() {
            return name().toLowerCase(java.util.Locale.ROOT);
        }
    }

    /**
     * Text of one line or several.
     *
     * @param least fewest characters of an answer that is not blank; null for no limit
     * @param most most characters; null for no limit
     * @param pattern regular expression that the whole text must match; empty for none
     * @param example an answer that matches the pattern, shown to the respondent
     * @param mask help while typing: {@code A} a letter, {@code 9} a digit, {@code *} either, anything else itself; refuses nothing
     */
    record TextAnswer(boolean isLong, Integer least, Integer most, Content content, String pattern, String example, String mask,
            String placeholder) implements Answer {

        public TextAnswer(boolean isLong, Integer least, Integer most) {
            this(isLong, least, most, Content.ANY, "", "", "", "");
        }

        @Override
        public String type() {
            return isLong ? "longText" : "shortText";
        }
    }

    /** Named parts, each a text: of a person's name, or of a postal address. */
    record Parts(boolean isAddress, List<String> parts, List<String> required) implements Answer {

        public static final List<String> OF_NAME = List.of("title", "given", "middle", "family");
        public static final List<String> OF_ADDRESS = List.of("line_1", "line_2", "town", "region", "postcode", "country");

        public Parts {
            parts = List.copyOf(parts);
            required = List.copyOf(required);
        }

        public static Parts name() {
            return new Parts(false, List.of("given", "family"), List.of("family"));
        }

        public static Parts address() {
            return new Parts(true, List.of("line_1", "line_2", "town", "postcode"), List.of("line_1", "town"));
        }

        /** Every part that there can be, in the order in which they are asked. */
        public List<String> known() {
            return isAddress ? OF_ADDRESS : OF_NAME;
        }

        @Override
        public String type() {
            return isAddress ? "postalAddress" : "personName";
        }
    }

    /**
     * A text of a form that a standard fixes, brought into its usual form when it is read.
     *
     * @param region ISO country whose national phone numbers are understood; empty for international numbers only
     */
    record Contact(Kind kind, String region) implements Answer {

        /** Which standard. */
        public enum Kind {
            EMAIL("email"), PHONE("phone"), WEB("webAddress");

            private final String type;

            Kind(String type) {
                this.type = type;
            }

            public String type() {
                return type;
            }
        }

        @Override
        public String type() {
            return kind.type();
        }
    }

    /**
     * A decimal number.
     *
     * @param decimals most decimal places, 0 to 9; null for any number of places
     * @param slider shown as a slider, which needs both limits; it starts unanswered
     */
    record Numeric(BigDecimal least, BigDecimal most, Integer decimals, String unit, boolean slider) implements Answer {

        public Numeric(BigDecimal least, BigDecimal most, Integer decimals, String unit) {
            this(least, most, decimals, unit, false);
        }

        @Override
        public String type() {
            return "number";
        }
    }

    /** How the steps of a rating are drawn. */
    enum StepSign {
        NUMBERS, SQUARES, STARS;

        public String word() {
            return name().toLowerCase(java.util.Locale.ROOT);
        }
    }

    /** A step of a scale: a rating from 1 to {@code last}, or a likelihood from 0 to 10. The labels stand at its ends. */
    record Scale(boolean isLikelihood, int last, String lowLabel, String highLabel, StepSign sign) implements Answer {

        public static final int MOST_STEPS = 20;

        public Scale(boolean isLikelihood, int last, String lowLabel, String highLabel) {
            this(isLikelihood, last, lowLabel, highLabel, StepSign.NUMBERS);
        }

        public static Scale rating(int last) {
            return new Scale(false, last, "", "");
        }

        public static Scale likelihood() {
            return new Scale(true, 10, "", "");
        }

        public int first() {
            return isLikelihood ? 0 : 1;
        }

        @Override
        public String type() {
            return isLikelihood ? "likelihood" : "rating";
        }
    }

    /** Yes or no; starts blank. The labels may be empty for the usual ones. */
    record YesNo(String yes, String no) implements Answer {

        public YesNo() {
            this("", "");
        }

        @Override
        public String type() {
            return "yesNo";
        }
    }

    /** True or blank: never no, never ticked beforehand. */
    record Agreement(String text) implements Answer {
        @Override
        public String type() {
            return "agreement";
        }
    }

    /** How options are laid out. */
    enum ShownAs {
        RADIO("radio"), DROP_DOWN("dropDown"), SEARCH("search"), PICTURES("pictures");

        private final String word;

        ShownAs(String word) {
            this.word = word;
        }

        public String word() {
            return word;
        }
    }

    /**
     * How options are laid out.
     *
     * @param columns 1 to 4
     * @param shuffle whether each respondent meets them in an order of their own; exclusive and "other" options stay last
     */
    record Layout(ShownAs shown, int columns, boolean shuffle) {
        public static final Layout PLAIN = new Layout(ShownAs.RADIO, 1, false);
        public static final Layout DROP_DOWN = new Layout(ShownAs.DROP_DOWN, 1, false);
    }

    /** One option. */
    record OneChoice(List<Option> options, Layout layout) implements Answer {
        public OneChoice {
            options = List.copyOf(options);
        }

        public OneChoice(List<Option> options, boolean dropDown) {
            this(options, dropDown ? Layout.DROP_DOWN : Layout.PLAIN);
        }

        @Override
        public String type() {
            return "oneChoice";
        }
    }

    /** Any number of options within the limits. An exclusive option stands alone, and alone satisfies {@code least}. */
    record ManyChoices(List<Option> options, Integer least, Integer most, Layout layout) implements Answer {
        public ManyChoices {
            options = List.copyOf(options);
        }

        public ManyChoices(List<Option> options, Integer least, Integer most) {
            this(options, least, most, Layout.PLAIN);
        }

        @Override
        public String type() {
            return "manyChoices";
        }
    }

    /** One choice, or many, for each row; the options are the columns. The answer maps each answered row to what was chosen. */
    record Grid(boolean many, List<GridRow> rows, List<Option> options) implements Answer {
        public Grid {
            rows = List.copyOf(rows);
            options = List.copyOf(options);
        }

        /** One line of a grid; an empty {@code askWhen} means always. */
        public record GridRow(String code, String label, String askWhen) {}

        /** The answer of one row. */
        public Answer row() {
            return many ? new ManyChoices(options, null, null) : new OneChoice(options, Layout.PLAIN);
        }

        @Override
        public String type() {
            return "grid";
        }
    }

    /** Options put in order, the first one first. An answer that is not blank ranks exactly {@code places} of them. */
    record Ranking(List<Option> options, int places) implements Answer {
        public Ranking {
            options = List.copyOf(options);
        }

        /** How many are ranked in fact: never more than there are. */
        public int ranked() {
            return Math.min(places, options.size());
        }

        @Override
        public String type() {
            return "ranking";
        }
    }

    /** A calendar date; a limit is {@code null}, an ISO date, {@code today}, or {@code today} plus or minus whole days. */
    record DateAnswer(DateLimit earliest, DateLimit latest) implements Answer {
        @Override
        public String type() {
            return "date";
        }
    }

    /** A time of day, in whole minutes; a limit may be null. */
    record TimeAnswer(LocalTime earliest, LocalTime latest) implements Answer {
        @Override
        public String type() {
            return "time";
        }
    }

    /**
     * Files.
     *
     * @param most most files, from 1
     * @param largest most bytes of each
     * @param mediaTypes accepted, {@code image/jpeg} or {@code image/*}, by content; empty for any
     */
    record FileAnswer(int most, long largest, List<String> mediaTypes) implements Answer {
        public FileAnswer {
            mediaTypes = List.copyOf(mediaTypes);
        }

        @Override
        public String type() {
            return "file";
        }
    }

    /** A country or a language by its ISO code. */
    record IsoCode(boolean isLanguage, List<String> offered) implements Answer {
        public IsoCode {
            offered = List.copyOf(offered);
        }

        @Override
        public List<Option> options() {
            return IsoNames.options(isLanguage, offered);
        }

        @Override
        public String type() {
            return isLanguage ? "language" : "country";
        }
    }

    /**
     * The key of a record in another questionnaire's responses.
     *
     * @param questionnaire code of the other questionnaire
     * @param release number of its release; 0 for the newest
     * @param shows codes of the answers to show for each record
     */
    record Lookup(String questionnaire, int release, List<String> shows, boolean mayAdd) implements Answer {
        public Lookup {
            shows = List.copyOf(shows);
        }

        @Override
        public String type() {
            return "lookup";
        }
    }

    /** A drawn path and a typed name; either will do. */
    record Signature() implements Answer {
        @Override
        public String type() {
            return "signature";
        }
    }

    /** A value of the respondent's link, kept with the answers and never shown. Empty {@code allowed} means any text. */
    record Hidden(List<String> allowed) implements Answer {
        public Hidden {
            allowed = List.copyOf(allowed);
        }

        @Override
        public String type() {
            return "hidden";
        }
    }

    /**
     * One choice of a choice question.
     *
     * @param score null where none is given, which counts 0
     * @param exclusive only meaningful in a many-choices answer
     * @param offerWhen empty means always
     * @param other whether choosing it asks for a text of the respondent's own
     * @param picture a {@code data:} address of an image; empty for none
     */
    record Option(String code, String label, BigDecimal score, boolean exclusive, String offerWhen, boolean other, String picture) {

        public Option(String code, String label, BigDecimal score, boolean exclusive, String offerWhen) {
            this(code, label, score, exclusive, offerWhen, false, "");
        }

        public static Option of(String code, String label) {
            return new Option(code, label, null, false, "");
        }

        public BigDecimal scoreOrZero() {
            return score == null ? BigDecimal.ZERO : score;
        }

        public Option withLabel(String changed) {
            return new Option(code, changed, score, exclusive, offerWhen, other, picture);
        }

        public Option withOfferWhen(String changed) {
            return new Option(code, label, score, exclusive, changed, other, picture);
        }
    }
}
