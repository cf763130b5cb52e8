package orthogon.formats.page;

import java.util.Locale;
import java.util.Map;
import org.thymeleaf.TemplateEngine;
import org.thymeleaf.context.Context;
import org.thymeleaf.templateresolver.ClassLoaderTemplateResolver;

/** Fills the templates of this module. */
public final class PageTemplates {

    private static final TemplateEngine ENGINE = new TemplateEngine();

    static {
        ClassLoaderTemplateResolver resolver = new ClassLoaderTemplateResolver(PageTemplates.class.getClassLoader());
        resolver.setPrefix("orthogon/formats/page/");
        resolver.setSuffix(".html");
        resolver.setCharacterEncoding("UTF-8");
        ENGINE.setTemplateResolver(resolver);
    }

    private PageTemplates() {}

    /**
     * A page, well-formed as XML.
     *
     * @param template its name
     * @param model what the template calls {@code page}; a public record
     */
    public static String filled(String template, Record model) {
        return ENGINE.process(template, new Context(Locale.ENGLISH, Map.of("page", model)));
    }
}
