package orthogon.core.language;

import com.ibm.icu.text.DecimalFormat;
import com.ibm.icu.text.DecimalFormatSymbols;
import com.ibm.icu.text.NumberFormat;
import com.ibm.icu.util.ULocale;
import java.math.BigDecimal;
import java.text.ParsePosition;
import java.util.List;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/**
 * A number as people write it in a language, in digits of any script, read by ICU. One separator before exactly three digits may group
 * thousands or begin the decimal places. The language of the page decides that where it can; otherwise there are two readings, and the
 * respondent is asked which one is meant.
 *
 * @param readings what the text can mean: none where it is no number, two where it is not clear
 */
public record WrittenNumber(List<BigDecimal> readings) {

    private static final int MOST_CHARACTERS = 36;
    private static final Pattern WRITTEN = Pattern.compile("[0-9., ]*[0-9][0-9., ]*");

    /**
     * How a number may be written.
     *
     * @param decimal the sign before the decimal places
     * @param grouping the sign between groups of three digits
     * @param secondary digits in a group before the last one; 0 where all groups are alike
     */
    private record Convention(char decimal, char grouping, int secondary) {

        private static final List<Convention> USUAL = List.of(new Convention('.', ',', 0), new Convention(',', '.', 0),
                new Convention('.', ' ', 0), new Convention(',', ' ', 0));

        /** The usual ones, and that of the language where it groups otherwise. */
        static List<Convention> in(ULocale locale) {
            int secondary = NumberFormat.getInstance(locale) instanceof DecimalFormat own ? own.getSecondaryGroupingSize() : 0;
            if (secondary == 0) {
                return USUAL;
            }
            DecimalFormatSymbols signs = DecimalFormatSymbols.getInstance(locale);
            Convention own = new Convention(usual(signs.getDecimalSeparatorString()).charAt(0),
                    usual(signs.getGroupingSeparatorString()).charAt(0), secondary);
            return Stream.concat(Stream.of(own), USUAL.stream()).toList();
        }

        /** The text read strictly so; empty where it is not written so. */
        Optional<BigDecimal> read(String text) {
            DecimalFormatSymbols signs = DecimalFormatSymbols.getInstance(ULocale.ROOT);
            signs.setDecimalSeparator(decimal);
            signs.setGroupingSeparator(grouping);
            DecimalFormat format = new DecimalFormat("#,##0.#", signs);
            if (secondary > 0) {
                format.setSecondaryGroupingSize(secondary);
            }
            format.setParseStrict(true);
            format.setParseBigDecimal(true);
            ParsePosition at = new ParsePosition(0);
            Number number = format.parse(text, at);
            boolean isWhole = at.getIndex() == text.length() && !(groups(text) && text.startsWith("0"));
            return isWhole && number instanceof com.ibm.icu.math.BigDecimal read
                    ? Optional.of(read.toBigDecimal()).map(n -> n.scale() < 0 ? n.setScale(0) : n)
                    : Optional.empty();
        }

        boolean groups(String text) {
            return text.indexOf(grouping) >= 0;
        }
    }

    /** @param decimals most decimal places that are asked for; null for any number */
    public static WrittenNumber of(String typed, ULocale locale, Integer decimals) {
        String text = usual(typed.strip());
        String bare = text.startsWith("-") || text.startsWith("+") ? text.substring(1) : text;
        if (bare.length() > MOST_CHARACTERS || !WRITTEN.matcher(bare).matches()) {
            return new WrittenNumber(List.of());
        }
        SortedMap<BigDecimal, Convention> meant = new TreeMap<>();
        Convention.in(locale).forEach(convention -> convention.read(bare).ifPresent(n -> meant.putIfAbsent(n, convention)));
        return new WrittenNumber(likely(meant, locale, decimals).stream().map(n -> text.startsWith("-") ? n.negate() : n).toList());
    }

    /** Both readings, or the one that the language of the page decides for. */
    private static List<BigDecimal> likely(SortedMap<BigDecimal, Convention> meant, ULocale locale, Integer decimals) {
        if (meant.size() < 2) {
            return List.copyOf(meant.keySet());
        }
        // One of them has groups and is the greater one: the sign stands before three digits that the other reads as decimal places.
        String sign = String.valueOf(meant.get(meant.lastKey()).grouping());
        DecimalFormatSymbols signs = DecimalFormatSymbols.getInstance(locale);
        if (usual(signs.getGroupingSeparatorString()).equals(sign)) {
            return List.of(meant.lastKey());
        }
        boolean isDecimal = usual(signs.getDecimalSeparatorString()).equals(sign);
        return isDecimal && (decimals == null || decimals > 0) ? List.of(meant.firstKey()) : List.copyOf(meant.keySet());
    }

    /** The one thing that is meant; null where the text is no number or can mean two. */
    public BigDecimal value() {
        return readings.size() == 1 ? readings.getFirst() : null;
    }

    /** Digits of any script as 0 to 9, and every sign that separates as one of comma, stop and space. */
    private static String usual(String text) {
        StringBuilder usual = new StringBuilder();
        text.codePoints().forEach(c -> {
            int digit = Character.digit(c, 10);
            if (digit >= 0) {
                usual.append(digit);
            } else {
                usual.append(switch (c) {
                    case '\u066b' -> ".";
                    case '\u066c', '\u060c' -> ",";
                    case '\'', '\u2019' -> " ";
                    case '\u2212' -> "-";
                    default -> Character.isSpaceChar(c) ? " " : Character.toString(c);
                });
            }
        });
        return usual.toString();
    }
}
