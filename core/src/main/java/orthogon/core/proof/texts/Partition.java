package orthogon.core.proof.texts;

import java.util.ArrayList;
import java.util.List;

/** Texts told apart by a few machines, one text for each way in which they can turn out. */
public final class Partition {

    private static final int MOST_CLASSES = 200;
    private static final List<String> ORDINARY = List.of("Quillmere", "alder brook", "fen", "a", "12",
            "seven grey herons by the mill pond");

    private Partition() {}

    /**
     * Of the trimmed texts that all limits hold, one for each way in which the machines can turn out.
     *
     * @param least fewest characters, at least 1
     * @param most most characters; null for no limit
     * @param limits machines that every text must be in
     * @param by what tells texts apart
     * @param goOn called at every step; throws where nobody waits any more
     * @throws TooManyStates where more than {@link Machine#MOST_STATES} are needed, or more than 200 ways are possible
     */
    public static List<String> of(int least, Integer most, List<Machine> limits, List<Machine> by, Runnable goOn) throws TooManyStates {
        List<Machine> all = new ArrayList<>(limits);
        all.addAll(by);
        Alphabet alphabet = new Alphabet(all);
        Language allowed = Language.trimmed(alphabet, least, most, goOn);
        for (Machine limit : limits) {
            allowed = allowed.and(Language.of(limit, alphabet, goOn), true, goOn);
        }
        List<Language> classes = new ArrayList<>();
        keep(allowed, classes);
        for (Machine machine : by) {
            Language language = Language.of(machine, alphabet, goOn);
            List<Language> finer = new ArrayList<>();
            for (Language part : classes) {
                keep(part.and(language, true, goOn), finer);
                keep(part.and(language, false, goOn), finer);
            }
            classes = finer;
        }
        List<String> texts = new ArrayList<>();
        for (Language part : classes) {
            texts.add(ORDINARY.stream().filter(part::holds).findFirst().or(part::shortest).orElseThrow());
        }
        return texts;
    }

    private static void keep(Language part, List<Language> parts) throws TooManyStates {
        if (!part.isEmpty()) {
            parts.add(part);
        }
        if (parts.size() > MOST_CLASSES) {
            throw new TooManyStates();
        }
    }
}
