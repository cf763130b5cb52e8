package orthogon.app.doors;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import orthogon.app.account.People;
import orthogon.app.http.PublicAddress;
import orthogon.app.store.PersonStore;
import orthogon.app.store.PersonStore.Person;
import orthogon.app.work.Acts;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.boot.security.oauth2.client.autoconfigure.OAuth2ClientProperties;
import org.springframework.security.config.ObjectPostProcessor;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.core.AuthenticationException;
import org.springframework.security.oauth2.client.oidc.userinfo.OidcUserRequest;
import org.springframework.security.oauth2.client.oidc.userinfo.OidcUserService;
import org.springframework.security.oauth2.client.registration.ClientRegistrationRepository;
import org.springframework.security.oauth2.client.web.DefaultOAuth2AuthorizationRequestResolver;
import org.springframework.security.oauth2.client.web.OAuth2AuthorizationRequestCustomizers;
import org.springframework.security.oauth2.client.web.OAuth2AuthorizationRequestRedirectFilter;
import org.springframework.security.oauth2.core.OAuth2AuthenticationException;
import org.springframework.security.oauth2.core.OAuth2Error;
import org.springframework.security.oauth2.core.endpoint.OAuth2ParameterNames;
import org.springframework.security.oauth2.core.oidc.user.OidcUser;
import org.springframework.stereotype.Component;
import org.springframework.web.context.request.RequestContextHolder;
import org.springframework.web.context.request.ServletRequestAttributes;

/**
 * Lets in whom an identity service of the settings vouches for (OpenID Connect Core 1.0, with PKCE, RFC 7636), if somebody of this workspace
 * has the email address that the service has verified. From then on that account of the service belongs to that person, whatever becomes of
 * either address. A second factor is the service's to ask for.
 */
@Component
class IdentityServices {

    private static final Logger LOG = LoggerFactory.getLogger(IdentityServices.class);
    private static final String BEGIN = "/oauth2/authorization";
    private static final String RETURN = "/login/oauth2/code/";
    private static final String STRANGER = "stranger";
    private static final int LONGEST_IDENTITY = 1000;

    private final Optional<OAuth2ClientProperties> settings;
    private final Optional<ClientRegistrationRepository> services;
    private final PublicAddress address;
    private final People people;
    private final PersonStore store;
    private final Acts acts;
    private final OidcUserService loader = new OidcUserService();

    IdentityServices(ObjectProvider<OAuth2ClientProperties> settings, ObjectProvider<ClientRegistrationRepository> services,
            PublicAddress address, People people, PersonStore store, Acts acts) {
        this.settings = Optional.ofNullable(settings.getIfAvailable());
        this.services = Optional.ofNullable(services.getIfAvailable());
        this.address = address;
        this.people = people;
        this.store = store;
        this.acts = acts;
    }

    /** What each service is called, by its key in the settings. */
    Map<String, String> names() {
        Map<String, String> names = new LinkedHashMap<>();
        settings.map(OAuth2ClientProperties::getRegistration).orElse(Map.of()).entrySet().stream()
                .sorted(Comparator.comparing(Map.Entry::getKey))
                .forEach(s -> names.put(s.getKey(), Optional.ofNullable(s.getValue().getClientName()).orElse(s.getKey())));
        return names;
    }

    /** Opens the doors by which people come from the services, where there are any. */
    void open(HttpSecurity http, SignIn signIn) throws Exception {
        if (services.isEmpty()) {
            return;
        }
        http.oauth2Login(login -> login.loginPage("/login").clientRegistrationRepository(services.get())
                .authorizationEndpoint(begin -> begin.authorizationRequestResolver(requests(services.get())))
                .userInfoEndpoint(end -> end.oidcUserService(this::person)).successHandler(signIn::passed)
                .failureHandler(this::failed).withObjectPostProcessor(new ObjectPostProcessor<OAuth2AuthorizationRequestRedirectFilter>() {
                    @Override
                    public <F extends OAuth2AuthorizationRequestRedirectFilter> F postProcess(F filter) {
                        filter.setAuthenticationFailureHandler(IdentityServices.this::failed);
                        return filter;
                    }
                }));
    }

    /** The address that a service leads back to is the configured one, never one that a request names. */
    private DefaultOAuth2AuthorizationRequestResolver requests(ClientRegistrationRepository from) {
        DefaultOAuth2AuthorizationRequestResolver requests = new DefaultOAuth2AuthorizationRequestResolver(from, BEGIN);
        requests.setAuthorizationRequestCustomizer(OAuth2AuthorizationRequestCustomizers.withPkce()
                .andThen(request -> request.attributes(attributes -> request.redirectUri(
                        address.of(RETURN + attributes.get(OAuth2ParameterNames.REGISTRATION_ID))))));
        return requests;
    }

    private OidcUser person(OidcUserRequest request) {
        OidcUser vouched = loader.loadUser(request);
        String identity = vouched.getIssuer() + " " + vouched.getSubject();
        Person person = find(identity, vouched).filter(p -> !p.disabled() && identity.length() <= LONGEST_IDENTITY).orElse(null);
        String service = request.getClientRegistration().getRegistrationId();
        if (person == null) {
            note(Acts.NOBODY, "a sign-in through " + service + " failed: nobody here is the account “" + shortened(vouched.getSubject())
                    + "”, from " + from(), () -> {});
            throw new OAuth2AuthenticationException(new OAuth2Error(STRANGER));
        }
        note(person.name(), "signed in through " + service + " from " + from(), () -> {
            if (person.identity().isEmpty()) {
                store.setIdentity(person.name(), identity);
            }
        });
        people.changed();
        return new VouchedPerson(person.name(), vouched);
    }

    /** The person with this account; else the only person who has its verified address and no account yet. */
    private Optional<Person> find(String identity, OidcUser vouched) {
        List<Person> all = store.all();
        Optional<Person> known = all.stream().filter(p -> p.identity().equals(identity)).findFirst();
        if (known.isPresent() || !Boolean.TRUE.equals(vouched.getEmailVerified()) || vouched.getEmail() == null) {
            return known;
        }
        List<Person> same = all.stream().filter(p -> p.email().equalsIgnoreCase(vouched.getEmail())).toList();
        return same.size() == 1 && same.getFirst().identity().isEmpty() ? Optional.of(same.getFirst()) : Optional.empty();
    }

    private void note(String who, String words, Runnable act) {
        acts.noted(who, Acts.WORKSPACE, words, act);
    }

    private static String shortened(String subject) {
        return subject.length() > 64 ? subject.substring(0, 64) : subject;
    }

    private static String from() {
        return RequestContextHolder.getRequestAttributes() instanceof ServletRequestAttributes request
                ? request.getRequest().getRemoteAddr()
                : "elsewhere";
    }

    private void failed(HttpServletRequest request, HttpServletResponse response, AuthenticationException why) throws IOException {
        boolean stranger = why instanceof OAuth2AuthenticationException e && e.getError().getErrorCode().equals(STRANGER);
        if (!stranger) {
            String code = why instanceof OAuth2AuthenticationException e ? e.getError().getErrorCode() : why.getClass().getSimpleName();
            LOG.warn("A sign-in through an identity service failed: {}", code.replaceAll("[^a-zA-Z_]", ""));
        }
        response.sendRedirect(request.getContextPath() + (stranger ? "/login?stranger" : "/login?service"));
    }
}
