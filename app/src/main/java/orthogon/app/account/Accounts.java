package orthogon.app.account;

import java.util.List;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpMethod;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.core.userdetails.User;
import org.springframework.security.core.userdetails.UserDetails;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.crypto.factory.PasswordEncoderFactories;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.provisioning.InMemoryUserDetailsManager;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.authentication.LoginUrlAuthenticationEntryPoint;

/** The made-up people of Quillmere Wildlife Station, and the doors they may pass. */
@Configuration
public class Accounts {

    /** One person of the station. */
    public record Person(String name, String shown, String role) {}

    /** Everybody's password is {@code quillmere}: this directory is a stand-in that ships with the application. */
    public static final List<Person> PEOPLE = List.of(new Person("ines", "Ines Tallow", "ANALYST"),
            new Person("jory", "Jory Penhale", "ANALYST"),
            new Person("mirja", "Mirja Oland", "REVIEWER"), new Person("osk", "Osk Verrin", "VIEWER"));

    /** The full name of a user, or the user name itself where nobody is known by it. */
    public static String shown(String user) {
        return PEOPLE.stream().filter(p -> p.name().equals(user)).map(Person::shown).findFirst().orElse(user);
    }

    @Bean
    PasswordEncoder passwordEncoder() {
        return PasswordEncoderFactories.createDelegatingPasswordEncoder();
    }

    @Bean
    UserDetailsService people(PasswordEncoder encoder) {
        String password = encoder.encode("quillmere");
        List<UserDetails> users = PEOPLE.stream().map(p -> User.withUsername(p.name()).password(password).roles(p.role()).build()).toList();
        return new InMemoryUserDetailsManager(users);
    }

    @Bean
    SecurityFilterChain doors(HttpSecurity http) throws Exception {
        // A respondent has no account: the long random address of an interview is the key to it, so no other token is asked for.
        http.csrf(csrf -> csrf.ignoringRequestMatchers("/to/**", "/i/**"));
        http.authorizeHttpRequests(doors -> doors
                .requestMatchers("/to/**", "/i/**", "/app/**", "/webjars/**", "/fonts/**", "/login", "/error", "/actuator/health")
                .permitAll()
                .requestMatchers(HttpMethod.GET, "/**").authenticated()
                .requestMatchers("/q/*/rehearse/**", "/q/*/compose/fold", "/logout").authenticated().anyRequest().hasRole("ANALYST"));
        http.formLogin(login -> login.loginPage("/login").defaultSuccessUrl("/", false).permitAll());
        http.logout(logout -> logout.logoutSuccessUrl("/login?out"));
        http.headers(headers -> headers.contentSecurityPolicy(csp -> csp.policyDirectives(
                "default-src 'self'; img-src 'self' data:; style-src 'self' 'unsafe-inline'; frame-ancestors 'self'; form-action 'self'")));
        http.headers(headers -> headers.frameOptions(frame -> frame.sameOrigin()));
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
