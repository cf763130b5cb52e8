package orthogon.app.doors;

import java.util.List;
import orthogon.app.account.People;
import orthogon.app.frame.SheetTab;
import orthogon.app.http.ContentPolicy;
import orthogon.app.http.PublicAddress;
import java.util.function.Supplier;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpMethod;
import org.springframework.security.authorization.AuthorizationDecision;
import org.springframework.security.authorization.AuthorizationManager;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.config.http.SessionCreationPolicy;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.session.SessionRegistry;
import org.springframework.security.core.session.SessionRegistryImpl;
import org.springframework.security.crypto.factory.PasswordEncoderFactories;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.access.intercept.RequestAuthorizationContext;
import org.springframework.security.web.authentication.LoginUrlAuthenticationEntryPoint;
import org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter.ReferrerPolicy;
import org.springframework.security.web.servlet.util.matcher.PathPatternRequestMatcher;
import org.springframework.security.web.session.HttpSessionEventPublisher;

/** Which doors are open to whom, and what every answer says to the browser about itself. */
@Configuration
class Doors {

    /** Addresses of respondents, who have no account. */
    private static final String[] RESPONDENTS = {"/to/**", "/i/**"};

    @Bean
    PasswordEncoder passwordEncoder() {
        return PasswordEncoderFactories.createDelegatingPasswordEncoder();
    }

    @Bean
    SessionRegistry sessionRegistry() {
        return new SessionRegistryImpl();
    }

    @Bean
    HttpSessionEventPublisher sessionEvents() {
        return new HttpSessionEventPublisher();
    }

    /** Respondents: the long random address of an interview is the key to it, so there is neither a session nor another token. */
    @Bean
    @Order(1)
    SecurityFilterChain forRespondents(HttpSecurity http, PublicAddress address) throws Exception {
        http.securityMatcher(RESPONDENTS).csrf(csrf -> csrf.disable()).requestCache(cache -> cache.disable());
        http.sessionManagement(sessions -> sessions.sessionCreationPolicy(SessionCreationPolicy.STATELESS));
        http.authorizeHttpRequests(doors -> doors.anyRequest().permitAll());
        // Who may show them in a frame is for the questionnaire to say, and stands in the policy.
        http.headers(headers -> headers.frameOptions(frame -> frame.disable()));
        headers(http, address);
        return http.build();
    }

    @Bean
    @Order(2)
    SecurityFilterChain forPeople(HttpSecurity http, People people, SignIn signIn, IdentityServices services, SessionRegistry sessions,
            PublicAddress address, List<SheetTab> sheets) throws Exception {
        http.authorizeHttpRequests(doors -> doors.requestMatchers("/app/**", "/webjars/**", "/fonts/**", "/login", "/login/**", "/error",
                "/join/*", "/first/*", "/health", "/health/**").permitAll());
        http.authorizeHttpRequests(doors -> {
            for (Door door : Door.all(sheets)) {
                doors.requestMatchers(PathPatternRequestMatcher.withDefaults().matcher(door.method(), door.path()))
                        .access(may(people, door));
                if (door.method() == HttpMethod.GET) {
                    doors.requestMatchers(PathPatternRequestMatcher.withDefaults().matcher(HttpMethod.HEAD, door.path()))
                            .access(may(people, door));
                }
            }
            doors.anyRequest().denyAll();
        });
        http.authenticationProvider(signIn.provider());
        http.formLogin(login -> login.loginPage("/login").successHandler(signIn::passed).failureHandler(signIn::failed).permitAll());
        services.open(http, signIn);
        http.logout(logout -> logout.logoutSuccessUrl("/login?out"));
        http.sessionManagement(s -> s.maximumSessions(-1).sessionRegistry(sessions).expiredUrl("/login?ended"));
        http.headers(headers -> headers.frameOptions(frame -> frame.sameOrigin()));
        headers(http, address);
        LoginUrlAuthenticationEntryPoint login = new LoginUrlAuthenticationEntryPoint("/login");
        login.setFavorRelativeUris(true);
        http.exceptionHandling(handling -> handling.authenticationEntryPoint((request, response, reason) -> {
            if (request.getHeader("HX-Request") == null) {
                login.commence(request, response, reason);
            } else {
                // A part of a sheet that was open too long leads the whole page to the door.
                response.setHeader("HX-Redirect", "/login");
                response.setStatus(401);
            }
        }));
        return http.build();
    }

    private static AuthorizationManager<RequestAuthorizationContext> may(People people, Door door) {
        return (Supplier<? extends Authentication> who, RequestAuthorizationContext context) -> {
            Authentication person = who.get();
            boolean known = person != null && person.isAuthenticated();
            return new AuthorizationDecision(known && people.may(person.getName(), door.act(),
                    People.questionnaire(context.getRequest().getRequestURI())));
        };
    }

    private static void headers(HttpSecurity http, PublicAddress address) throws Exception {
        http.headers(headers -> headers.contentSecurityPolicy(csp -> csp.policyDirectives(ContentPolicy.OWN))
                .referrerPolicy(referrer -> referrer.policy(ReferrerPolicy.SAME_ORIGIN))
                .httpStrictTransportSecurity(hsts -> hsts.includeSubDomains(false)
                        .requestMatcher(request -> request.isSecure() || address.isSecure())));
    }
}
