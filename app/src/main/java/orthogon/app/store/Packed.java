package orthogon.app.store;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.zip.GZIPInputStream;
import java.util.zip.GZIPOutputStream;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.formats.document.DocumentReader;
import orthogon.formats.document.DocumentWriter;
import orthogon.formats.json.UnusableFile;

/** A document as it lies in the database: its file, compressed. */
final class Packed {

    private Packed() {}

    static byte[] pack(Questionnaire document) {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (GZIPOutputStream gzip = new GZIPOutputStream(bytes)) {
            gzip.write(DocumentWriter.write(document).getBytes(StandardCharsets.UTF_8));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return bytes.toByteArray();
    }

    static Questionnaire unpack(byte[] packed) {
        try (GZIPInputStream gzip = new GZIPInputStream(new ByteArrayInputStream(packed))) {
            return DocumentReader.read(gzip.readAllBytes());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (UnusableFile e) {
            throw new IllegalStateException("a stored document cannot be read: " + e.getMessage(), e);
        }
    }
}
