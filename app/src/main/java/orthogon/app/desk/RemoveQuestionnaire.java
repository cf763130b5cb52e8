package orthogon.app.desk;

import orthogon.app.storage.AuditStore;
import orthogon.app.storage.DraftStore;
import orthogon.app.storage.DraftStore.Draft;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Archives and removes questionnaires; the act and its line in the trail are kept together, or neither is. */
@Component
public class RemoveQuestionnaire {

    private final DraftStore drafts;
    private final AuditStore audit;

    RemoveQuestionnaire(DraftStore drafts, AuditStore audit) {
        this.drafts = drafts;
        this.audit = audit;
    }

    @Transactional
    public void archive(Draft draft, boolean archived, String who) {
        drafts.archive(draft.code(), archived);
        audit.note(who, draft.code(), archived ? "archived" : "taken out of the archive");
    }

    /** Removes it with everything that hangs on it. */
    @Transactional
    public void remove(Draft draft, String who) {
        drafts.remove(draft.id());
        audit.note(who, draft.code(), "removed the questionnaire “" + draft.document().title() + "” with its releases and responses");
    }
}
