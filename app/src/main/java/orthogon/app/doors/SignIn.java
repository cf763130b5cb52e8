package orthogon.app.doors;

import jakarta.servlet.ServletException;
import orthogon.app.account.Passwords;
import orthogon.app.account.People;
import orthogon.app.account.SecondFactor;
import orthogon.app.store.PersonStore;
import orthogon.app.store.PersonStore.Person;
import orthogon.app.work.Acts;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Duration;
import java.util.List;
import java.util.Locale;
import java.util.OptionalLong;
import org.springframework.security.authentication.AuthenticationProvider;
import org.springframework.security.authentication.BadCredentialsException;
import org.springframework.security.authentication.LockedException;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.AuthenticationException;
import org.springframework.security.core.userdetails.User;
import org.springframework.security.web.authentication.SavedRequestAwareAuthenticationSuccessHandler;
import org.springframework.security.web.authentication.WebAuthenticationDetails;
import org.springframework.stereotype.Component;
import org.springframework.web.context.request.RequestContextHolder;
import org.springframework.web.context.request.ServletRequestAttributes;

/**
 * Lets in who gives the right name and password and, where they have a second factor, its code. Which of them is wrong is not said. Every
 * time is a line in the trail.
 */
@Component
class SignIn {

    /** Sign-in was refused for a while, after too many failures. */
    static final class Slowed extends LockedException {

        private final transient Duration wait;

        Slowed(Duration wait) {
            super("wait");
            this.wait = wait;
        }
    }

    private static final String CODE = "code";
    private static final int LONGEST_NAME = 64;

    private final People people;
    private final PersonStore store;
    private final Passwords passwords;
    private final SecondFactor secondFactor;
    private final SignInThrottle pace;
    private final Acts acts;
    private final SavedRequestAwareAuthenticationSuccessHandler onward = new SavedRequestAwareAuthenticationSuccessHandler();

    SignIn(People people, PersonStore store, Passwords passwords, SecondFactor secondFactor, SignInThrottle pace, Acts acts) {
        this.people = people;
        this.store = store;
        this.passwords = passwords;
        this.secondFactor = secondFactor;
        this.pace = pace;
        this.acts = acts;
    }

    AuthenticationProvider provider() {
        return new AuthenticationProvider() {
            @Override
            public Authentication authenticate(Authentication tried) {
                String address = tried.getDetails() instanceof WebAuthenticationDetails details ? details.getRemoteAddress() : "";
                return signedIn(tried.getName().strip().toLowerCase(Locale.ROOT), String.valueOf(tried.getCredentials()), address);
            }

            @Override
            public boolean supports(Class<?> type) {
                return UsernamePasswordAuthenticationToken.class.isAssignableFrom(type);
            }
        };
    }

    private Authentication signedIn(String name, String password, String address) {
        Duration wait = pace.waits(name, address);
        if (wait.isPositive()) {
            throw new Slowed(wait);
        }
        Person person = people.find(name).orElse(null);
        boolean fits;
        try {
            fits = passwords.fits(password, person == null ? "" : person.password());
        } catch (Passwords.Busy e) {
            throw new Slowed(Duration.ofSeconds(30));
        }
        if (!fits || person == null || person.disabled() || !hasCode(person)) {
            pace.failed(name, address);
            acts.noted(Acts.NOBODY, Acts.WORKSPACE,
                    "a sign-in as “" + (name.length() > LONGEST_NAME ? name.substring(0, LONGEST_NAME) : name) + "” failed, from "
                            + address,
                    () -> {});
            throw new BadCredentialsException("wrong");
        }
        pace.passed(name);
        acts.noted(name, Acts.WORKSPACE, "signed in from " + address, () -> {});
        return UsernamePasswordAuthenticationToken.authenticated(
                User.withUsername(name).password("").authorities(List.of()).build(), null, List.of());
    }

    private boolean hasCode(Person person) {
        if (person.secondFactor().isEmpty()) {
            return true;
        }
        String code = RequestContextHolder.getRequestAttributes() instanceof ServletRequestAttributes request
                ? request.getRequest().getParameter(CODE)
                : null;
        OptionalLong step = code == null ? OptionalLong.empty() : secondFactor.step(person.secondFactor(), code);
        return step.isPresent() && store.useStep(person.name(), step.getAsLong());
    }

    void passed(HttpServletRequest request, HttpServletResponse response, Authentication who)
            throws IOException, ServletException {
        onward.onAuthenticationSuccess(request, response, who);
    }

    void failed(HttpServletRequest request, HttpServletResponse response, AuthenticationException why) throws IOException {
        response.sendRedirect(request.getContextPath() + "/login?"
                + (why instanceof Slowed slowed ? "wait=" + Math.max(1, slowed.wait.toSeconds()) : "error"));
    }
}
