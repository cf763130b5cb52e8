package orthogon.app.account;

import java.util.List;
import java.util.Optional;

/** The browser and the system that a User-Agent header names, in words for a list of sessions. */
final class BrowserName {

    private static final int LONGEST = 120;
    // The first that is found counts: a header names older browsers and systems beside its own.
    private static final List<Known> BROWSERS = List.of(new Known("Edg/", "Edge"), new Known("OPR/", "Opera"),
            new Known("Firefox/", "Firefox"), new Known("Chrome/", "Chrome"), new Known("Safari/", "Safari"));
    private static final List<Known> SYSTEMS = List.of(new Known("iPhone", "iPhone"), new Known("iPad", "iPad"),
            new Known("Android", "Android"), new Known("Windows", "Windows"), new Known("Mac OS X", "macOS"),
            new Known("Linux", "Linux"));

    private record Known(String token, String name) {}

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

    private static Optional<String> first(List<Known> all, String header) {
        return all.stream().filter(k -> header.contains(k.token())).map(Known::name).findFirst();
    }
}
