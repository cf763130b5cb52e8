package orthogon.app.doors;

import java.util.List;
import org.springframework.boot.context.properties.EnableConfigurationProperties;
import org.springframework.boot.security.oauth2.client.autoconfigure.ConditionalOnOAuth2ClientRegistrationProperties;
import org.springframework.boot.security.oauth2.client.autoconfigure.OAuth2ClientProperties;
import org.springframework.boot.security.oauth2.client.autoconfigure.OAuth2ClientPropertiesMapper;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.security.oauth2.client.registration.ClientRegistrationRepository;
import org.springframework.security.oauth2.client.registration.InMemoryClientRegistrationRepository;
import org.springframework.security.oauth2.client.registration.SupplierClientRegistrationRepository;

/** The identity services that Spring Security's settings name. A service is asked about itself when somebody first signs in through it. */
@Configuration
@ConditionalOnOAuth2ClientRegistrationProperties
@EnableConfigurationProperties(OAuth2ClientProperties.class)
class IdentityServiceSettings {

    /** The server starts and lets people in by password even while a service does not answer. */
    @Bean
    ClientRegistrationRepository identityRegistrations(OAuth2ClientProperties settings) {
        return new SupplierClientRegistrationRepository(() -> new InMemoryClientRegistrationRepository(
                List.copyOf(new OAuth2ClientPropertiesMapper(settings).asClientRegistrations().values())));
    }
}
