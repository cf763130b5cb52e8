package orthogon.app.respond;

import orthogon.app.questions.PageForm;
import orthogon.app.store.AttachmentStore.HeldFiles;
import orthogon.app.store.RandomNames;
import orthogon.core.answer.file.Attachment;
import orthogon.core.answer.file.FileAnswer;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import org.apache.tika.Tika;
import org.springframework.web.multipart.MultipartFile;

/**
 * Files that came with one page. They are stored with the page, once it is judged. What kind a file is of is told by its content,
 * whatever its name says; what its question does not take is not stored at all.
 */
final class Received implements PageForm.Uploads {

    /** Most files that an interview holds. */
    static final int MOST_FILES = 60;
    /** Most bytes that the files of an interview have together. */
    static final long MOST_BYTES = 100L << 20;

    private static final Tika TIKA = new Tika();
    private static final int LONGEST_NAME = 200;

    private final Map<Attachment, byte[]> contents = new LinkedHashMap<>();
    private int files;
    private long bytes;

    Received(HeldFiles held) {
        files = held.files();
        bytes = held.bytes();
    }

    @Override
    public Attachment taken(MultipartFile file, FileAnswer answer) {
        try {
            byte[] content = file.getBytes();
            String given = Optional.ofNullable(file.getOriginalFilename()).orElse("").replaceAll("[\\p{Cntrl}/\\\\]", "");
            String name = given.isBlank()
                    ? "file"
                    : given.length() > LONGEST_NAME ? given.substring(given.length() - LONGEST_NAME) : given;
            Attachment taken = new Attachment(RandomNames.hex(16), name, content.length, TIKA.detect(content));
            if (taken.fits(answer)) {
                contents.put(taken, content);
                files++;
                bytes += content.length;
            }
            return taken;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Whether the interview would hold more than it may. */
    boolean isTooMuch() {
        return !contents.isEmpty() && (files > MOST_FILES || bytes > MOST_BYTES);
    }

    /** Megabytes of what came, each file rounded up. */
    long megabytes() {
        return contents.values().stream().mapToLong(content -> Math.ceilDiv(content.length, 1 << 20)).sum();
    }

    Map<Attachment, byte[]> contents() {
        return contents;
    }
}
