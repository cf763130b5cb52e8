package orthogon.app.account;

import jakarta.servlet.http.HttpServletRequest;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.context.event.EventListener;
import org.springframework.security.authentication.event.InteractiveAuthenticationSuccessEvent;
import org.springframework.security.core.session.SessionDestroyedEvent;
import org.springframework.security.core.session.SessionInformation;
import org.springframework.security.core.session.SessionRegistry;
import org.springframework.security.core.userdetails.UserDetails;
import org.springframework.stereotype.Component;
import org.springframework.web.context.request.RequestContextHolder;
import org.springframework.web.context.request.ServletRequestAttributes;

/** Who is signed in, where, and since when. */
@Component
public class SignedIn {

    /**
     * One session.
     *
     * @param key for ending it; it is not the session's own name
     */
    public record Session(String key, String address, String browser, Instant since, Instant last, boolean isThis) {}

    private record BegunSession(String address, String browser, Instant since) {}

    private final SessionRegistry registry;
    private final Map<String, BegunSession> begun = new ConcurrentHashMap<>();

    SignedIn(SessionRegistry registry) {
        this.registry = registry;
    }

    @EventListener
    void began(InteractiveAuthenticationSuccessEvent event) {
        if (RequestContextHolder.getRequestAttributes() instanceof ServletRequestAttributes attributes) {
            HttpServletRequest request = attributes.getRequest();
            begun.put(request.getSession().getId(),
                    new BegunSession(request.getRemoteAddr(), BrowserName.of(request.getHeader("User-Agent")), Instant.now()));
        }
    }

    @EventListener
    void ended(SessionDestroyedEvent event) {
        begun.remove(event.getId());
    }

    private List<SessionInformation> sessions(String name) {
        return registry.getAllPrincipals().stream().filter(p -> p instanceof UserDetails user && user.getUsername().equals(name))
                .flatMap(p -> registry.getAllSessions(p, false).stream()).toList();
    }

    /** The sessions of somebody, the one used last first. */
    public List<Session> of(String name, String session) {
        return sessions(name).stream().map(s -> {
            Instant last = s.getLastRequest().toInstant();
            BegunSession known = begun.getOrDefault(s.getSessionId(), new BegunSession("", "", last));
            return new Session(key(s.getSessionId()), known.address(), known.browser(), known.since(), last,
                    s.getSessionId().equals(session));
        }).sorted(Comparator.comparing(Session::last).reversed()).toList();
    }

    private static String key(String session) {
        return Integer.toHexString(session.hashCode());
    }

    public void end(String name, String key) {
        sessions(name).stream().filter(s -> key(s.getSessionId()).equals(key)).forEach(SessionInformation::expireNow);
    }

    public void endAll(String name) {
        sessions(name).forEach(SessionInformation::expireNow);
    }

    public void endOthers(String name, String session) {
        sessions(name).stream().filter(s -> !s.getSessionId().equals(session)).forEach(SessionInformation::expireNow);
    }
}
