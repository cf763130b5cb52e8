package orthogon.formats.json;

import java.util.List;
import java.util.stream.Collectors;

/** A file that cannot be read as a document, with everything that is wrong with it. */
public final class UnusableFile extends Exception {

    /**
     * One fault.
     *
     * @param pointer JSON Pointer (RFC 6901) to the faulty value; empty for the whole file
     */
    public record FileFault(String pointer, String message) {
        @Override
        public String toString() {
            return (pointer.isEmpty() ? "the file" : pointer) + ": " + message;
        }
    }

    private final transient List<FileFault> faults;

    public UnusableFile(List<FileFault> faults) {
        super(faults.stream().map(FileFault::toString).collect(Collectors.joining("\n")));
        this.faults = List.copyOf(faults);
    }

    public List<FileFault> faults() {
        return faults;
    }
}
