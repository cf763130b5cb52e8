package orthogon.app.questions;

import java.util.List;
import org.commonmark.node.Node;
import org.commonmark.parser.Parser;
import org.commonmark.renderer.html.HtmlRenderer;
import org.commonmark.renderer.text.TextContentRenderer;
import orthogon.core.language.Piping;
import org.owasp.html.HtmlPolicyBuilder;
import org.owasp.html.PolicyFactory;

/** Texts in CommonMark as HTML that is safe to show. Only what the analyst wrote is markup; what a respondent gave never is. */
final class Markup {

    private static final Parser PARSER = Parser.builder().build();
    private static final HtmlRenderer HTML = HtmlRenderer.builder().escapeHtml(true).softbreak("<br>").build();
    private static final TextContentRenderer TEXT = TextContentRenderer.builder().build();
    private static final List<String> SCHEMES = List.of("https", "http", "mailto", "tel");
    private static final PolicyFactory INLINE = links(new HtmlPolicyBuilder().allowElements("em", "strong", "code", "br")).toFactory();
    private static final PolicyFactory BLOCK = links(new HtmlPolicyBuilder().allowElements("em", "strong", "code", "br", "p", "ul", "ol",
            "li", "blockquote", "hr", "h3", "h4")).allowElements((element, attributes) -> element.equals("h1") ? "h3" : "h4", "h1", "h2")
            .toFactory();

    private Markup() {}

    private static HtmlPolicyBuilder links(HtmlPolicyBuilder policy) {
        return policy.allowElements("a").allowAttributes("href").onElements("a")
                .allowUrlProtocols(SCHEMES.toArray(String[]::new)).requireRelsOnLinks("noopener", "noreferrer");
    }

    /** One run of text, for labels and headings. */
    static String inline(Piping.Filled filled) {
        return html(filled, INLINE).strip();
    }

    /** Paragraphs and lists. */
    static String block(Piping.Filled filled) {
        return html(filled, BLOCK).strip();
    }

    private static String html(Piping.Filled filled, PolicyFactory policy) {
        return filled.with(policy.sanitize(HTML.render(parsed(filled))), Markup::escaped);
    }

    /** Without any markup, for titles, options of a list, and files. */
    static String plain(Piping.Filled filled) {
        return filled.with(TEXT.render(parsed(filled)), given -> given).strip();
    }

    private static Node parsed(Piping.Filled filled) {
        return PARSER.parse(filled.text());
    }

    private static String escaped(String given) {
        return given.replace("&", "&amp;").replace("<", "&lt;").replace(">", "&gt;").replace("\"", "&quot;").replace("'", "&#39;")
                .replace("\n", "<br>");
    }
}
