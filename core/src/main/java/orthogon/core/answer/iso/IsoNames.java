package orthogon.core.answer.iso;

import orthogon.core.answer.Option;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;

/** Countries (ISO 3166-1) and languages (ISO 639-1) as the platform knows them, with their English names. */
public final class IsoNames {

    private static final Map<List<Object>, List<Option>> KNOWN = new ConcurrentHashMap<>();

    private IsoNames() {}

    public static boolean isKnown(boolean language, String code) {
        return all(language).stream().anyMatch(o -> o.code().equals(code));
    }

    static List<Option> options(boolean language, List<String> offered) {
        List<Option> all = all(language);
        return offered.isEmpty()
                ? all
                : KNOWN.computeIfAbsent(List.of(language, offered), k -> all.stream().filter(o -> offered.contains(o.code())).toList());
    }

    /** In the order of their names. */
    public static List<Option> all(boolean language) {
        return KNOWN.computeIfAbsent(List.of(language), k -> Arrays
                .stream(language ? Locale.getISOLanguages() : Locale.getISOCountries())
                .map(code -> Option.of(code, name(language, code)))
                .sorted(Comparator.comparing(Option::label)).toList());
    }

    private static String name(boolean language, String code) {
        return name(language, code, Locale.ENGLISH);
    }

    /** The name as it is in a language. */
    public static String name(boolean language, String code, Locale in) {
        return language ? Locale.of(code).getDisplayLanguage(in) : Locale.of("", code).getDisplayCountry(in);
    }
}
