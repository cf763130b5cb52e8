package orthogon.formats.link;

import com.google.zxing.BarcodeFormat;
import com.google.zxing.EncodeHintType;
import com.google.zxing.WriterException;
import com.google.zxing.common.BitMatrix;
import com.google.zxing.qrcode.QRCodeWriter;
import com.google.zxing.qrcode.decoder.ErrorCorrectionLevel;
import orthogon.formats.page.PageTemplates;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Map;
import javax.imageio.ImageIO;

/** A QR code with a quiet zone of four modules, readable with a quarter of it soiled. */
public final class QrCode {

    private static final int QUIET = 4;
    private static final int DARK = 0xFF1E2530;
    private static final int LIGHT = 0xFFFFFFFF;

    private final BitMatrix modules;

    /** @param size modules on each side */
    public record QrDrawing(int size, String path) {}

    private QrCode(BitMatrix modules) {
        this.modules = modules;
    }

    /** @throws IllegalArgumentException for a text of more than some thousand signs */
    public static QrCode of(String text) {
        try {
            return new QrCode(new QRCodeWriter().encode(text, BarcodeFormat.QR_CODE, 0, 0, Map.of(EncodeHintType.ERROR_CORRECTION,
                    ErrorCorrectionLevel.Q, EncodeHintType.MARGIN, QUIET, EncodeHintType.CHARACTER_SET, "UTF-8")));
        } catch (WriterException e) {
            throw new IllegalArgumentException("The address is too long for a QR code.", e);
        }
    }

    /** A drawing of one path of unit squares. */
    public String svg() {
        StringBuilder path = new StringBuilder();
        for (int y = 0; y < modules.getHeight(); y++) {
            for (int x = 0; x < modules.getWidth(); x++) {
                int from = x;
                while (x < modules.getWidth() && modules.get(x, y)) {
                    x++;
                }
                if (x > from) {
                    path.append('M').append(from).append(' ').append(y).append('h').append(x - from).append("v1h").append(from - x)
                            .append('z');
                }
            }
        }
        return PageTemplates.filled("qr", new QrDrawing(modules.getWidth(), path.toString())).strip();
    }

    /** @param scale pixels for each module */
    public byte[] png(int scale) {
        int size = modules.getWidth() * scale;
        BufferedImage image = new BufferedImage(size, size, BufferedImage.TYPE_INT_RGB);
        for (int y = 0; y < size; y++) {
            for (int x = 0; x < size; x++) {
                image.setRGB(x, y, modules.get(x / scale, y / scale) ? DARK : LIGHT);
            }
        }
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try {
            ImageIO.write(image, "png", out);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }
}
