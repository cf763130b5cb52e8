package orthogon.core.language;

import com.ibm.icu.text.DecimalFormatSymbols;
import com.ibm.icu.util.ULocale;
import java.math.BigDecimal;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A number as people write it in a language: with the grouping and decimal signs of CLDR, in digits of any script. One separator before
 * exactly three digits may group thousands or begin the decimal places. The language of the page decides that where it can; otherwise
 * there are two readings, and the respondent is asked which one is meant.
 *
 * @param readings what the text can mean: none where it is no number, two where it is not clear
 */
public record WrittenNumber(List<BigDecimal> readings) {

    private static final Pattern SIGNED = Pattern.compile("([+-]?)(.*)");
    private static final Pattern PLAIN = Pattern.compile("\\d{1,20}");
    private static final Pattern SPACED = Pattern.compile("\\d{1,3}( \\d{3})+");
    private static final Pattern ONCE = Pattern.compile("(\\d{0,20})([.,])(\\d{0,15})");
    private static final Pattern GROUPED = Pattern.compile("\\d{1,3}([.,])\\d{3}(\\1\\d{3})+");
    private static final Pattern BOTH = Pattern.compile("(\\d{1,3}(?:([., ])\\d{3})(?:\\2\\d{3})*)([.,])(\\d{1,15})");

    /** @param decimals most decimal places that are asked for; null for any number */
    public static WrittenNumber of(String typed, ULocale locale, Integer decimals) {
        Matcher signed = SIGNED.matcher(usual(typed.strip()));
        signed.matches();
        boolean negative = signed.group(1).equals("-");
        return new WrittenNumber(unsigned(signed.group(2), locale, decimals).stream().map(n -> negative ? n.negate() : n).toList());
    }

    /** The one thing that is meant; null where the text is no number or can mean two. */
    public BigDecimal value() {
        return readings.size() == 1 ? readings.getFirst() : null;
    }

    private static List<BigDecimal> unsigned(String text, ULocale locale, Integer decimals) {
        if (PLAIN.matcher(text).matches()) {
            return List.of(new BigDecimal(text));
        }
        if (SPACED.matcher(text).matches()) {
            return List.of(new BigDecimal(text.replace(" ", "")));
        }
        Matcher both = BOTH.matcher(text);
        if (both.matches() && !both.group(2).equals(both.group(3))) {
            return List.of(new BigDecimal(both.group(1).replaceAll("[., ]", "") + "." + both.group(4)));
        }
        if (GROUPED.matcher(text).matches()) {
            return List.of(new BigDecimal(text.replaceAll("[.,]", "")));
        }
        Matcher once = ONCE.matcher(text);
        if (!once.matches() || once.group(1).isEmpty() && once.group(3).isEmpty()) {
            return List.of();
        }
        BigDecimal asDecimal = new BigDecimal((once.group(1).isEmpty() ? "0" : once.group(1)) + "."
                + (once.group(3).isEmpty() ? "0" : once.group(3)));
        boolean mayGroup = once.group(3).length() == 3 && once.group(1).matches("[1-9]\\d{0,2}");
        if (!mayGroup) {
            return List.of(asDecimal);
        }
        BigDecimal asThousands = new BigDecimal(once.group(1) + once.group(3));
        DecimalFormatSymbols signs = DecimalFormatSymbols.getInstance(locale);
        if (usual(signs.getGroupingSeparatorString()).equals(once.group(2))) {
            return List.of(asThousands);
        }
        boolean isDecimal = usual(signs.getDecimalSeparatorString()).equals(once.group(2));
        return isDecimal && (decimals == null || decimals > 0) ? List.of(asDecimal) : List.of(asDecimal, asThousands);
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
