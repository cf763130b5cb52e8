package orthogon.app.http;

import org.springframework.boot.web.servlet.ServletContextInitializer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** The cookie of a session is sent over encrypted connections alone, where people reach the server by one. */
@Configuration
class SessionCookie {

    @Bean
    ServletContextInitializer secureSessionCookie(PublicAddress address) {
        return context -> context.getSessionCookieConfig().setSecure(address.isSecure());
    }
}
