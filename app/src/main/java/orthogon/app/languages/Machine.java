package orthogon.app.languages;

/** Where a first draft of a translation is asked for. */
interface Machine {

    /** What people are told of where a draft comes from. */
    String name();

    /**
     * A draft that keeps everything that stands for something.
     *
     * @param from BCP 47 tag of the text
     * @param to BCP 47 tag of the draft
     */
    String draft(String text, String from, String to);
}
