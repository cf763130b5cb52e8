package orthogon.formats.link;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;

import com.google.zxing.BinaryBitmap;
import com.google.zxing.RGBLuminanceSource;
import com.google.zxing.common.HybridBinarizer;
import com.google.zxing.qrcode.QRCodeReader;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;

class QrCodeTest {

    private static final String ADDRESS = "https://quillmere.example.org/to/found-animal?station=north";

    private static String read(BufferedImage image) throws Exception {
        int[] pixels = image.getRGB(0, 0, image.getWidth(), image.getHeight(), null, 0, image.getWidth());
        return new QRCodeReader().decode(new BinaryBitmap(new HybridBinarizer(new RGBLuminanceSource(image.getWidth(), image.getHeight(),
                pixels)))).getText();
    }

    @Test
    void bothPicturesLeadToTheAddress() throws Exception {
        QrCode code = QrCode.of(ADDRESS);
        assertEquals(ADDRESS, read(ImageIO.read(new ByteArrayInputStream(code.png(6)))));
        String svg = code.svg();
        int size = Integer.parseInt(svg.replaceAll("(?s).*viewBox=\"0 0 (\\d+) .*", "$1"));
        BufferedImage drawn = new BufferedImage(size * 6, size * 6, BufferedImage.TYPE_INT_RGB);
        var graphics = drawn.createGraphics();
        graphics.setColor(java.awt.Color.WHITE);
        graphics.fillRect(0, 0, size * 6, size * 6);
        graphics.setColor(java.awt.Color.BLACK);
        Matcher run = Pattern.compile("M(\\d+) (\\d+)h(\\d+)v1h-\\3z").matcher(svg);
        while (run.find()) {
            graphics.fillRect(Integer.parseInt(run.group(1)) * 6, Integer.parseInt(run.group(2)) * 6, Integer.parseInt(run.group(3)) * 6,
                    6);
        }
        assertEquals(ADDRESS, read(drawn));
        assertThrows(IllegalArgumentException.class, () -> QrCode.of("x".repeat(5000)));
    }
}
