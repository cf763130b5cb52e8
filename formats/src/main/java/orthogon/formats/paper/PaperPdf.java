package orthogon.formats.paper;

import com.openhtmltopdf.bidi.support.ICUBidiReorderer;
import com.openhtmltopdf.bidi.support.ICUBidiSplitter;
import com.openhtmltopdf.outputdevice.helper.BaseRendererBuilder.FontStyle;
import com.openhtmltopdf.outputdevice.helper.BaseRendererBuilder.TextDirection;
import com.openhtmltopdf.pdfboxout.PdfRendererBuilder;
import com.openhtmltopdf.render.DefaultObjectDrawerFactory;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.Map;
import orthogon.formats.progress.ProgressListener;

/** A page of HTML as PDF (A4), in the fonts of Orthogon. */
final class PaperPdf {

    private static final Map<String, String> FONTS = Map.of("atkinson-hyperlegible-next-latin", "Latin",
            "atkinson-hyperlegible-next-latin-ext", "LatinMore", "ibm-plex-sans-arabic-arabic", "Arabic");

    private PaperPdf() {}

    /**
     * Sets a page.
     *
     * @param html well-formed as XML
     * @param progress is told of how many words are set, and may end the work
     */
    static byte[] of(String html, boolean rightToLeft, ProgressListener progress) {
        PdfRendererBuilder builder = new PdfRendererBuilder();
        builder.useUnicodeLineBreaker(new WatchedLines(html, progress));
        builder.useFastMode();
        FONTS.forEach((file, family) -> {
            builder.useFont(() -> font(file + "-400-normal.ttf"), family, 400, FontStyle.NORMAL, true);
            builder.useFont(() -> font(file + "-700-normal.ttf"), family, 700, FontStyle.NORMAL, true);
        });
        builder.useUnicodeBidiSplitter(new ICUBidiSplitter.ICUBidiSplitterFactory());
        builder.useUnicodeBidiReorderer(new ICUBidiReorderer());
        builder.defaultTextDirection(rightToLeft ? TextDirection.RTL : TextDirection.LTR);
        DefaultObjectDrawerFactory drawers = new DefaultObjectDrawerFactory();
        drawers.registerDrawer(VowelledWords.TYPE, new VowelledWords());
        builder.useObjectDrawerFactory(drawers);
        builder.withHtmlContent(html, null);
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        builder.toStream(bytes);
        try {
            builder.run();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return bytes.toByteArray();
    }

    private static InputStream font(String name) {
        return PaperPdf.class.getResourceAsStream(name);
    }
}
