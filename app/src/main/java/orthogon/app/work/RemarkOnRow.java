package orthogon.app.work;

import java.time.Clock;
import java.time.OffsetDateTime;
import orthogon.app.store.DraftStore.Draft;
import orthogon.app.store.RemarkStore;
import orthogon.core.questionnaire.Refused;
import org.springframework.stereotype.Component;

/** Says something about a row of a draft, and settles what was said. */
@Component
public class RemarkOnRow {

    private static final int LONGEST = 2000;

    private final RemarkStore remarks;
    private final Acts acts;
    private final Clock clock;

    RemarkOnRow(RemarkStore remarks, Acts acts, Clock clock) {
        this.remarks = remarks;
        this.acts = acts;
        this.clock = clock;
    }

    /**
     * Says something about a row.
     *
     * @param at code of the page or the item
     * @throws Refused where there is no text or too much, and where there is no such row
     */
    public void add(Draft draft, String at, String text, String who) throws Refused {
        if (text.isBlank() || text.length() > LONGEST) {
            throw new Refused("Write a remark of at most " + LONGEST + " characters.");
        }
        if (draft.document().item(at).isEmpty() && draft.document().page(at).isEmpty()) {
            throw new Refused("There is no row " + at + " any more.");
        }
        acts.noted(who, draft.code(), "remarked on " + at + ": " + text.strip(),
                () -> remarks.add(draft.id(), at, text.strip(), draft.revision(), who, OffsetDateTime.now(clock)));
    }

    /** Settles a remark. */
    public void settle(Draft draft, String at, long remark, String who) {
        acts.noted(who, draft.code(), "resolved a remark on " + at,
                () -> remarks.settle(draft.id(), remark, who, OffsetDateTime.now(clock)));
    }
}
