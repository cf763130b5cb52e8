package orthogon.app.background;

import java.nio.file.Path;
import java.util.List;
import org.springframework.http.MediaType;

/** What came of a piece of work. */
public sealed interface Result {

    /** @param disposition whether a browser shows or saves the file, and its name (RFC 6266) */
    record File(byte[] content, MediaType type, String disposition) implements Result {}

    /**
     * A large file, kept outside the memory until the work is forgotten.
     *
     * @param disposition whether a browser shows or saves the file, and its name (RFC 6266)
     */
    record SavedFile(Path content, MediaType type, String disposition) implements Result {}

    /** A page to go on to. */
    record Address(String to) implements Result {}

    /**
     * Something for a page to show.
     *
     * @param to the page, which is told the name of the work as {@code work}
     */
    record FoundFile(Object what, String to) implements Result {}

    /**
     * The work could not be done with what it was given.
     *
     * @param message what is wrong and what to do
     * @param faults each place that is wrong; may be empty
     */
    record Refusal(String message, List<ResultFault> faults) implements Result {}

    /** @param place where it is wrong; empty for the whole */
    record ResultFault(String place, String words) {}
}
