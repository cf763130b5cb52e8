package orthogon.app.account;

import java.util.Arrays;
import java.util.List;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.userdetails.User;
import org.springframework.security.core.userdetails.UserDetails;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.crypto.factory.PasswordEncoderFactories;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.provisioning.InMemoryUserDetailsManager;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.header.writers.DelegatingRequestMatcherHeaderWriter;
import org.springframework.security.web.header.writers.frameoptions.XFrameOptionsHeaderWriter;
import org.springframework.security.web.util.matcher.NegatedRequestMatcher;
import org.springframework.security.web.util.matcher.RequestMatcher;
import org.springframework.security.web.authentication.LoginUrlAuthenticationEntryPoint;

/** The made-up people of Quillmere Wildlife Station, and the doors they may pass. */
@Configuration
public class Accounts {

    /** What pages may load; who may show them in a frame follows. */
    public static final String POLICY = "default-src 'self'; img-src 'self' data:; style-src 'self' 'unsafe-inline'; form-action 'self'; "
            + "frame-ancestors ";

    /** One person of the station. */
    public record Person(String name, String shown, Role role) {}

    /** Everybody's password is {@code quillmere}: this directory is a stand-in that ships with the application. */
    public static final List<Person> PEOPLE = List.of(new Person("ines", "Ines Tallow", Role.ANALYST),
            new Person("jory", "Jory Penhale", Role.ANALYST), new Person("mirja", "Mirja Oland", Role.REVIEWER),
            new Person("safi", "Safi Thorne", Role.TRANSLATOR), new Person("osk", "Osk Verrin", Role.VIEWER));

    /** The full name of a user, or the user name itself where nobody is known by it. */
    public static String shown(String user) {
        return PEOPLE.stream().filter(p -> p.name().equals(user)).map(Person::shown).findFirst().orElse(user);
    }

    /** Whether a user may do something; for the sheets, which show only what can be done. */
    public static boolean may(Authentication who, String act) {
        return who.getAuthorities().stream().anyMatch(a -> Arrays.stream(Role.values())
                .anyMatch(r -> String.valueOf(a.getAuthority()).equals("ROLE_" + r.name()) && r.may(Act.valueOf(act))));
    }

    @Bean
    PasswordEncoder passwordEncoder() {
        return PasswordEncoderFactories.createDelegatingPasswordEncoder();
    }

    @Bean
    UserDetailsService people(PasswordEncoder encoder) {
        String password = encoder.encode("quillmere");
        List<UserDetails> users = PEOPLE.stream().map(p -> User.withUsername(p.name()).password(password).roles(p.role().name()).build())
                .toList();
        return new InMemoryUserDetailsManager(users);
    }

    @Bean
    SecurityFilterChain doors(HttpSecurity http) throws Exception {
        // A respondent has no account: the long random address of an interview is the key to it, so no other token is asked for.
        http.csrf(csrf -> csrf.ignoringRequestMatchers("/to/**", "/i/**"));
        http.authorizeHttpRequests(doors -> doors
                .requestMatchers("/to/**", "/i/**", "/app/**", "/webjars/**", "/fonts/**", "/login", "/error", "/actuator/health")
                .permitAll().requestMatchers("/logout").authenticated());
        http.authorizeHttpRequests(doors -> {
            Door.ALL.forEach(d -> doors.requestMatchers(d.method(), d.path()).hasAnyRole(Role.all(d.act())));
            doors.anyRequest().denyAll();
        });
        http.formLogin(login -> login.loginPage("/login").defaultSuccessUrl("/", false).permitAll());
        http.logout(logout -> logout.logoutSuccessUrl("/login?out"));
        http.headers(headers -> headers.contentSecurityPolicy(csp -> csp.policyDirectives(
                POLICY + "'self'")));
        // Respondents' pages may stand in other pages where the questionnaire allows it; they say so themselves.
        RequestMatcher respondents = request -> request.getServletPath().startsWith("/to/") || request.getServletPath().startsWith("/i/");
        http.headers(headers -> headers.frameOptions(frame -> frame.disable()).addHeaderWriter(new DelegatingRequestMatcherHeaderWriter(
                new NegatedRequestMatcher(respondents),
                new XFrameOptionsHeaderWriter(XFrameOptionsHeaderWriter.XFrameOptionsMode.SAMEORIGIN))));
        LoginUrlAuthenticationEntryPoint login = new LoginUrlAuthenticationEntryPoint("/login");
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
}
