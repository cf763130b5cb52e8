package orthogon.formats.progress;

/** Is told how far a long piece of work is, and may end it. */
public interface ProgressListener {

    /** Tells nobody and never ends the work. */
    ProgressListener NONE = (part, done, of) -> {};

    /**
     * Takes note of how far the work is. Whoever works calls this often, at most once for each thing that is done.
     *
     * @param part what is being done, in a few words
     * @param done how much of it is done, from 0 to {@code of}
     * @param of how much there is; 0 where that is not known
     * @throws java.util.concurrent.CancellationException if the work was called off
     */
    void at(String part, int done, int of);
}
