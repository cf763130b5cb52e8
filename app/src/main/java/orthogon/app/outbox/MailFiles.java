package orthogon.app.outbox;

import java.util.List;

/** Makes the files that come with a message, from the interview that sent it. */
public interface MailFiles {

    /** A file. */
    record MailFile(String name, String mediaType, byte[] content) {}

    /** The files of a message, in order; none where its interview is erased. */
    List<MailFile> of(KeptMessage message);
}
