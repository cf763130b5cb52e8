package orthogon.app.http;

import org.springframework.boot.tomcat.ConfigurableTomcatWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.stereotype.Component;

/**
 * Lets a browser wish for as many languages as it wants. Tomcat answers more than ten with an error of the server; the size of the head of
 * a request limits them well enough.
 */
@Component
class ManyLanguages implements WebServerFactoryCustomizer<ConfigurableTomcatWebServerFactory> {

    /** More than there can be in the 8 KB of a head. */
    private static final int MOST_LANGUAGES = 8 * 1024;

    @Override
    public void customize(ConfigurableTomcatWebServerFactory server) {
        server.addConnectorCustomizers(connector -> connector.setMaxLocaleCount(MOST_LANGUAGES));
    }
}
