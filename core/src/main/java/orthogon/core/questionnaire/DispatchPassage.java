package orthogon.core.questionnaire;

import java.util.ArrayList;
import java.util.List;

/**
 * A part of messages and closing texts that names itself there: the first of its wordings whose condition holds; nothing where none does.
 * A wording may name passages that stand before this one and name none themselves, so that none holds itself.
 *
 * @param code its own, among those of pages, items and messages
 */
public record DispatchPassage(String code, List<PassageWording> wordings) {

    /** Most passages of a questionnaire. */
    public static final int MOST = 50;
    /** Most wordings of a passage. */
    public static final int MOST_WORDINGS = 20;

    /**
     * One wording.
     *
     * @param when condition over all answers and the outcome; empty for always
     * @param text may name answers
     */
    public record PassageWording(String when, String text) {}

    public DispatchPassage {
        wordings = List.copyOf(wordings);
    }

    /** A change of one of the wordings. */
    public interface WordingChange {
        PassageWording of(int number, PassageWording wording);
    }

    /** The passage with each of its wordings changed. */
    public DispatchPassage with(WordingChange change) {
        List<PassageWording> changed = new ArrayList<>();
        for (PassageWording w : wordings) {
            changed.add(change.of(changed.size(), w));
        }
        return new DispatchPassage(code, changed);
    }

    public DispatchPassage withCode(String changed) {
        return new DispatchPassage(changed, wordings);
    }
}
