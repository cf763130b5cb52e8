package orthogon.app.outbox;

import java.util.List;
import java.util.function.Supplier;

/** Makes the files that come with a message, from the interview that sent it. */
public interface MailFiles {

    /**
     * A file.
     *
     * @param name on one line; what would end it or stand for a folder becomes a space
     * @param content made when it is asked for
     */
    record MailFile(String name, String mediaType, Supplier<byte[]> content) {

        public MailFile {
            name = name.replaceAll("[\\p{Cntrl}\\\\/]+", " ").strip();
            mediaType = mediaType.matches("[\\w.+-]+/[\\w.+-]+") ? mediaType : "application/octet-stream";
        }
    }

    /** The files of a message, in order; none where its interview is erased. */
    List<MailFile> of(KeptMessage message);
}
