package orthogon.app.account;

import java.util.List;
import java.util.Optional;

/** The browser and the system that a User-Agent header names, in words for a list of sessions. */
final class BrowserName {

    private static final int LONGEST = 120;
    // The first that is found counts: a header names older browsers and systems beside its own.
    private static final List<KnownName> BROWSERS = List.of(new KnownName("Edg/", "Edge"), new KnownName("OPR/", "Opera"),
            new KnownName("Firefox/", "Firefox"), new KnownName("Chrome/", "Chrome"), new KnownName("Safari/", "Safari"));
    private static final List<KnownName> SYSTEMS = List.of(new KnownName("iPhone", "iPhone"), new KnownName("iPad", "iPad"),
            new KnownName("Android", "Android"), new KnownName("Windows", "Windows"), new KnownName("Mac OS X", "macOS"),
            new KnownName("Linux", "Linux"));

    private record KnownName(String token, String name) {}

    private BrowserName() {}

    /**
     * Names a browser and its system, such as "Firefox on Linux".
     *
     * @param header value of User-Agent, or null
     * @return the name; the start of the header, of at most 120 characters, where the browser is unknown
     */
    static String of(String header) {
        if (header == null || header.isBlank()) {
            return "unknown";
        }
        Optional<String> system = first(SYSTEMS, header);
        return first(BROWSERS, header).map(b -> b + system.map(s -> " on " + s).orElse(""))
                .orElseGet(() -> header.length() > LONGEST ? header.substring(0, LONGEST) : header);
    }

    private static Optional<String> first(List<KnownName> all, String header) {
        return all.stream().filter(k -> header.contains(k.token())).map(KnownName::name).findFirst();
    }
}
