package orthogon.app.http;

import java.time.Duration;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.CacheControl;
import org.springframework.web.servlet.config.annotation.ResourceHandlerRegistration;
import org.springframework.web.servlet.config.annotation.ResourceHandlerRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import org.springframework.web.servlet.resource.VersionResourceResolver;

/**
 * Scripts, styles and fonts, each kind below a path of its own. With one path for all, every link on a page would be looked for among the
 * files, and that takes longer than the rest of the page.
 */
@Configuration
class StaticFiles implements WebMvcConfigurer {

    private static final CacheControl HOUR = CacheControl.maxAge(Duration.ofHours(1));

    @Override
    public void addResourceHandlers(ResourceHandlerRegistry registry) {
        // An address with the digest of the content, so that a browser never shows what is out of date.
        under(registry, "app").resourceChain(true).addResolver(new VersionResourceResolver().addContentVersionStrategy("/**"));
        under(registry, "fonts");
        registry.addResourceHandler("/webjars/**").addResourceLocations("classpath:/META-INF/resources/webjars/").setCacheControl(HOUR)
                .resourceChain(true);
    }

    private static ResourceHandlerRegistration under(ResourceHandlerRegistry registry, String path) {
        return registry.addResourceHandler("/" + path + "/**").addResourceLocations("classpath:/static/" + path + "/")
                .setCacheControl(HOUR);
    }
}
