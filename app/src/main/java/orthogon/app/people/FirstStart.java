package orthogon.app.people;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import orthogon.app.account.People;
import orthogon.app.account.SecondFactor;
import orthogon.app.http.PublicAddress;
import orthogon.app.store.PersonStore.Person;
import orthogon.app.store.RandomNames;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.annotation.Configuration;
import org.springframework.context.event.EventListener;
import org.springframework.security.oauth2.client.authentication.OAuth2AuthenticationToken;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/**
 * Before there is an administrator nothing is shown but the page on which the first one is made, at an address that only the log tells.
 * Who must have a second factor and has none is led to where it is added.
 */
@Configuration
class FirstStart implements WebMvcConfigurer {

    private static final Logger LOG = LoggerFactory.getLogger(FirstStart.class);
    private static final String ACCOUNT = "/me";

    private final People people;
    private final SecondFactor secondFactor;
    private final PublicAddress addresses;
    private final String token = RandomNames.hex(16);

    FirstStart(People people, SecondFactor secondFactor, PublicAddress addresses) {
        this.people = people;
        this.secondFactor = secondFactor;
        this.addresses = addresses;
    }

    String token() {
        return token;
    }

    @EventListener
    void ready(ApplicationReadyEvent event) {
        if (people.isEmpty()) {
            LOG.warn("Nobody can sign in yet. Choose the first administrator's name and password at {}", addresses.of("/first/" + token));
        }
    }

    @Override
    public void addInterceptors(InterceptorRegistry registry) {
        registry.addInterceptor(new HandlerInterceptor() {
            @Override
            public boolean preHandle(HttpServletRequest request, HttpServletResponse response, Object handler) throws IOException {
                return comesThrough(request, response);
            }
        }).excludePathPatterns("/app/**", "/webjars/**", "/fonts/**", "/error", "/first/*", "/health", "/health/**");
    }

    /** An identity service asks for a second factor itself. */
    private static boolean isVouchedFor(HttpServletRequest request) {
        return request.getUserPrincipal() instanceof OAuth2AuthenticationToken;
    }

    private boolean comesThrough(HttpServletRequest request, HttpServletResponse response) throws IOException {
        String path = request.getRequestURI();
        if (people.isEmpty()) {
            response.sendError(HttpServletResponse.SC_SERVICE_UNAVAILABLE);
            return false;
        }
        boolean missing = request.getUserPrincipal() != null && !isVouchedFor(request) && !path.equals(ACCOUNT)
                && !path.startsWith(ACCOUNT + "/")
                && secondFactor.isDemanded()
                && people.find(request.getUserPrincipal().getName()).map(Person::secondFactor).filter(String::isEmpty).isPresent();
        if (missing) {
            response.sendRedirect(ACCOUNT);
            return false;
        }
        return true;
    }
}
