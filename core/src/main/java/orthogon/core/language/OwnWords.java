package orthogon.core.language;

import com.ibm.icu.text.DecimalFormatSymbols;
import com.ibm.icu.text.DateFormat;
import com.ibm.icu.text.MessageFormat;
import com.ibm.icu.text.NumberFormat;
import com.ibm.icu.util.TimeZone;
import com.ibm.icu.util.ULocale;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.Arrays;
import java.util.Collections;
import java.util.Date;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Properties;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentHashMap;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Questionnaire.Translation;

/**
 * What Orthogon itself says to respondents: buttons, hints, messages, dates. Shipped in six languages; a questionnaire in another one
 * brings its own, as text units that begin with {@code own.}; what is still missing then stands in English.
 */
public final class OwnWords {

    /** Languages that Orthogon speaks itself. */
    public static final List<String> SHIPPED = List.of("en", "fr", "de", "es", "pl", "ar");

    /** What the units of the own texts begin with. */
    public static final String UNIT = "own.";

    private static final Map<String, Map<String, String>> TEXTS = new ConcurrentHashMap<>();
    private static final Map<String, OwnWords> WITHOUT_OWN = new ConcurrentHashMap<>();

    /** For analysts, whose pages are in English. */
    public static final OwnWords ENGLISH = new OwnWords("en", Map.of());

    private final String tag;
    private final ULocale locale;
    private final Map<String, String> texts;
    private final Map<String, Translation> own;

    private OwnWords(String tag, Map<String, Translation> own) {
        this.tag = tag;
        this.locale = locale(tag);
        this.texts = texts(isShipped(tag) ? language(tag) : "en");
        this.own = own;
    }

    /** What is said in the language in which the document's texts are. */
    public static OwnWords of(Questionnaire document) {
        String tag = document.sourceLanguage();
        return isShipped(tag) || tag.equals(Stretch.TAG) || !document.translations().containsKey(tag)
                ? WITHOUT_OWN.computeIfAbsent(tag, t -> new OwnWords(t, Map.of()))
                : new OwnWords(tag, document.translations().get(tag));
    }

    public static boolean isShipped(String tag) {
        return SHIPPED.contains(language(tag));
    }

    private static String language(String tag) {
        return Locale.forLanguageTag(tag).getLanguage();
    }

    /** Days before months in English, and figures that can be typed in Arabic. */
    public static ULocale locale(String tag) {
        return switch (tag) {
            case "en" -> ULocale.UK;
            case Stretch.TAG -> ULocale.UK;
            default -> language(tag).equals("ar") ? ULocale.forLanguageTag(tag + "-u-nu-latn") : ULocale.forLanguageTag(tag);
        };
    }

    /** Every own text, in English, by its key. */
    public static Map<String, String> english() {
        return texts("en");
    }

    private static Map<String, String> texts(String language) {
        return TEXTS.computeIfAbsent(language, l -> {
            Properties read = new Properties();
            try (InputStream in = OwnWords.class.getResourceAsStream("own_words_" + l + ".properties");
                    InputStreamReader reader = new InputStreamReader(in, StandardCharsets.UTF_8)) {
                read.load(reader);
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
            Map<String, String> texts = new TreeMap<>();
            read.forEach((key, text) -> texts.put(key.toString(), text.toString()));
            return Collections.unmodifiableMap(texts);
        });
    }

    /** The text of a language as it ships, for all keys. */
    static Map<String, String> shipped(String language) {
        return texts(language);
    }

    /**
     * A text, filled.
     *
     * @param arguments numbers for what a plural goes by; anything else as it is to stand
     * @throws IllegalArgumentException for a key that there is not
     */
    public String say(String key, Object... arguments) {
        String text = texts.get(key);
        if (text == null) {
            throw new IllegalArgumentException("there is no text " + key);
        }
        if (tag.equals(Stretch.TAG)) {
            text = Stretch.of(text);
        } else if (own.containsKey(UNIT + key)) {
            text = own.get(UNIT + key).text();
        }
        Object[] filled = Arrays.stream(arguments).map(a -> a instanceof Number ? a : String.valueOf(a)).toArray();
        return new MessageFormat(text, locale).format(filled);
    }

    /** What the questionnaire says, or else what Orthogon usually says. */
    public String or(String written, String key) {
        return written.isEmpty() ? say(key) : written;
    }

    /** A day, as in 2 November 2026. */
    public String day(LocalDate day) {
        DateFormat format = DateFormat.getInstanceForSkeleton("dMMMMy", locale);
        format.setTimeZone(TimeZone.GMT_ZONE);
        return format.format(Date.from(day.atStartOfDay(ZoneOffset.UTC).toInstant()));
    }

    /** A moment, in the time zone it carries. */
    public String moment(OffsetDateTime at) {
        DateFormat format = DateFormat.getInstanceForSkeleton("dMMMMyHm", locale);
        format.setTimeZone(TimeZone.GMT_ZONE);
        return format.format(Date.from(at.toLocalDateTime().toInstant(ZoneOffset.UTC)));
    }

    /** All digits of a number, in the language's own way, not grouped. */
    public String number(BigDecimal number) {
        NumberFormat format = NumberFormat.getNumberInstance(locale);
        format.setGroupingUsed(false);
        format.setMinimumFractionDigits(Math.max(0, number.scale()));
        format.setMaximumFractionDigits(Math.max(0, number.scale()));
        return format.format(number);
    }

    /** A number out of a hundred with its sign, as in 40%. */
    public String percentage(BigDecimal ofHundred) {
        NumberFormat format = NumberFormat.getPercentInstance(locale);
        format.setMinimumFractionDigits(Math.max(0, ofHundred.scale()));
        format.setMaximumFractionDigits(Math.max(0, ofHundred.scale()));
        return format.format(ofHundred.movePointLeft(2));
    }

    /** The sign of numbers out of a hundred. */
    public String percentSign() {
        return DecimalFormatSymbols.getInstance(locale).getPercentString();
    }

    public ULocale locale() {
        return locale;
    }

    /** The name of a language in itself, as speakers look for it. */
    public static String name(String tag) {
        if (tag.equals(Stretch.TAG)) {
            return "Stretch";
        }
        ULocale locale = ULocale.forLanguageTag(tag);
        String name = locale.getDisplayName(locale);
        return name.isEmpty() ? tag : name.substring(0, 1).toUpperCase(locale.toLocale()) + name.substring(1);
    }

    /** The messages of a questionnaire as they stand, for a kind that it may word anew. */
    public String message(Questionnaire document, String kind, Object... arguments) {
        String worded = document.presentation().messages().get(kind);
        return worded == null ? say("message." + kind, arguments) : worded;
    }
}
