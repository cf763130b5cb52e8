package orthogon.app;

import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.thymeleaf.context.Context;
import org.thymeleaf.spring6.SpringTemplateEngine;
import org.thymeleaf.templateresolver.ClassLoaderTemplateResolver;

/** Templates without a page around them. */
public final class Templates {

    private static final SpringTemplateEngine ENGINE = new SpringTemplateEngine();

    static {
        ClassLoaderTemplateResolver resolver = new ClassLoaderTemplateResolver();
        resolver.setPrefix("templates/");
        resolver.setSuffix(".html");
        ENGINE.setTemplateResolver(resolver);
    }

    private Templates() {}

    public static String fragment(String template, String fragment, Map<String, Object> model) {
        return ENGINE.process(template, Set.of(fragment), new Context(Locale.ENGLISH, model));
    }
}
