package orthogon.app.http;

import java.net.URI;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.web.server.context.WebServerInitializedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/**
 * The address at which people reach this server, as it is set. Links in messages, codes to scan and exports lead there. It is never taken
 * from a request, since whoever sends one can write any host into it.
 */
@Component
public class PublicAddress {

    private volatile String base;
    private final boolean isSet;

    /** @param configured such as {@code https://forms.quillmere.example}; empty for this machine alone */
    public PublicAddress(@Value("${orthogon.public-address:}") String configured) {
        isSet = !configured.isBlank();
        base = isSet ? checked(configured.strip()) : "http://localhost";
    }

    private static String checked(String configured) {
        String address = configured.endsWith("/") ? configured.substring(0, configured.length() - 1) : configured;
        try {
            URI uri = URI.create(address);
            if (("http".equals(uri.getScheme()) || "https".equals(uri.getScheme())) && uri.getHost() != null && uri.getQuery() == null) {
                return address;
            }
        } catch (IllegalArgumentException e) {
            // Told below.
        }
        throw new IllegalArgumentException("orthogon.public-address is “" + configured
                + "”, which is no web address. Write it like https://forms.quillmere.example");
    }

    /** Where none is set, this machine at the port that it listens to. */
    @EventListener
    void started(WebServerInitializedEvent event) {
        if (!isSet) {
            base = "http://localhost:" + event.getWebServer().getPort();
        }
    }

    /** @param path beginning with a slash */
    public String of(String path) {
        return base + path;
    }

    /** Whether people reach it by an encrypted connection alone. */
    public boolean isSecure() {
        return base.startsWith("https:");
    }
}
