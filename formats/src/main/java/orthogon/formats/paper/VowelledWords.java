package orthogon.formats.paper;

import com.openhtmltopdf.extend.FSObjectDrawer;
import com.openhtmltopdf.extend.OutputDevice;
import com.openhtmltopdf.render.RenderingContext;
import java.awt.Color;
import java.awt.Font;
import java.awt.FontFormatException;
import java.awt.Shape;
import java.awt.font.FontRenderContext;
import java.awt.font.GlyphVector;
import java.awt.geom.AffineTransform;
import java.io.IOException;
import java.io.InputStream;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import org.w3c.dom.Element;
import org.w3c.dom.Node;

/**
 * Arabic words with vowel marks, drawn as shapes. The library that sets the pages joins letters, but sets no marks above or below them. On
 * a machine without the parts that Java needs to lay out letters, the words stand without their marks.
 */
final class VowelledWords implements FSObjectDrawer {

    /** The type of the elements that are drawn. */
    static final String TYPE = "text/x-vowelled";

    private static final String MARKS = "\u064B-\u0652\u0670";
    private static final Pattern WORD = Pattern.compile("[\u0620-\u06D3" + MARKS + "]*[" + MARKS + "][\u0620-\u06D3" + MARKS + "]*");
    private static final Pattern MARK = Pattern.compile("[" + MARKS + "]");
    private static final Set<String> BOLD = Set.of("h1", "h2", "h3", "ask");
    private static final Map<String, Color> COLOURS = Map.of("direction", new Color(0x0E5A68), "help", new Color(0x57606C), "hint",
            new Color(0x57606C), "small", new Color(0x57606C));
    private static final Color INK = new Color(0x1E2530);
    private static final int EM = 1000;
    private static final double HEIGHT = 2;
    private static final double BELOW = 0.5;
    /** What the letters of a line take without marks, so that marks do not push lines apart. */
    private static final double USUAL = 1.5;
    private static final FontRenderContext WHOLE = new FontRenderContext(null, true, true);

    private static final Optional<Font> NORMAL = font("ibm-plex-sans-arabic-arabic-400-normal.ttf");
    private static final Optional<Font> HEAVY = font("ibm-plex-sans-arabic-arabic-700-normal.ttf");

    private static Optional<Font> font(String name) {
        try (InputStream file = VowelledWords.class.getResourceAsStream(name)) {
            Font font = Font.createFont(Font.TRUETYPE_FONT, file).deriveFont((float) EM);
            laid(font, "\u0623\u064F");
            return Optional.of(font);
        } catch (IOException | FontFormatException | LinkageError | InternalError | RuntimeException e) {
            return Optional.empty();
        }
    }

    private static GlyphVector laid(Font font, String word) {
        return font.layoutGlyphVector(WHOLE, word.toCharArray(), 0, word.length(), Font.LAYOUT_RIGHT_TO_LEFT);
    }

    /**
     * A text in which words with marks are elements that are drawn.
     *
     * @param html a text without elements
     * @param bold whether it stands in bold letters
     */
    static String drawn(String html, boolean bold) {
        Optional<Font> font = bold ? HEAVY : NORMAL;
        if (font.isEmpty()) {
            return without(html);
        }
        return WORD.matcher(html).replaceAll(m -> String.format(Locale.ROOT,
                "<object type=\"%s\" title=\"%s\" style=\"width:%.3fem;height:%.1fem;vertical-align:%.1fem;margin-top:-%.1fem\"></object>",
                TYPE, m.group(),
                laid(font.get(), m.group()).getLogicalBounds().getWidth() / EM, HEIGHT, -BELOW, HEIGHT - USUAL));
    }

    /** A text without marks. */
    static String without(String text) {
        return MARK.matcher(text).replaceAll("");
    }

    @Override
    public Map<Shape, String> drawObject(Element element, double x, double y, double width, double height, OutputDevice device,
            RenderingContext context, int dotsPerPixel) {
        String word = element.getAttribute("title");
        Font font = (isInside(element, BOLD).isPresent() ? HEAVY : NORMAL).orElseThrow();
        Color colour = isInside(element, COLOURS.keySet()).map(COLOURS::get).orElse(INK);
        device.drawWithGraphics((float) x, (float) y, (float) width, (float) height, graphics -> {
            double scale = height / dotsPerPixel / HEIGHT / EM;
            AffineTransform place = AffineTransform.getTranslateInstance(0, height / dotsPerPixel * (HEIGHT - BELOW) / HEIGHT);
            place.scale(scale, scale);
            graphics.setColor(colour);
            graphics.fill(place.createTransformedShape(laid(font, word).getOutline()));
        });
        return null;
    }

    /** The name or class that this element or one around it has. */
    private static Optional<String> isInside(Node node, Set<String> names) {
        for (Node at = node; at instanceof Element element; at = at.getParentNode()) {
            for (String name : (element.getTagName() + " " + element.getAttribute("class")).split(" ")) {
                if (names.contains(name)) {
                    return Optional.of(name);
                }
            }
        }
        return Optional.empty();
    }
}
