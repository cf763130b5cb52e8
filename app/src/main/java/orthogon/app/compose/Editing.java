package orthogon.app.compose;

import java.security.Principal;
import java.util.Optional;
import orthogon.app.account.Accounts;
import orthogon.app.frame.Frame;
import orthogon.app.proving.Live;
import orthogon.app.storage.DraftStore;
import orthogon.app.storage.DraftStore.Draft;
import orthogon.app.storage.DraftStore.Overtaken;
import orthogon.core.edit.Edit;
import orthogon.core.edit.Refused;
import orthogon.core.questionnaire.Questionnaire;
import org.springframework.stereotype.Component;

/** Makes edits, one revision each. An edit of an older revision is made on the newest where both leave each other alone. */
@Component
class Editing {

    /** Two people changed the same thing; the second is told. */
    static final class Conflict extends Exception {
        Conflict(String message) {
            super(message, null, false, false);
        }
    }

    private final DraftStore drafts;
    private final Frame frame;
    private final Live live;

    Editing(DraftStore drafts, Frame frame, Live live) {
        this.drafts = drafts;
        this.frame = frame;
        this.live = live;
    }

    /** The document that the analyst looked at. */
    Questionnaire seen(String code, int revision) {
        Draft head = frame.draft(code);
        return drafts.at(head.id(), revision).map(Draft::document).orElse(head.document());
    }

    Draft make(String code, int revision, Edit edit, Principal who) throws Refused, Conflict {
        while (true) {
            Draft head = frame.draft(code);
            if (head.revision() != revision) {
                Optional<Draft> seen = drafts.at(head.id(), revision);
                Object before = seen.map(d -> subject(d.document(), edit.about())).orElse(null);
                if (seen.isEmpty() || !java.util.Objects.equals(before, subject(head.document(), edit.about()))) {
                    throw new Conflict(Accounts.shown(head.author()) + " changed " + edit.about() + " in the meantime (" + head.command()
                            + ", revision " + head.revision() + "). Your change was not made, so that theirs is not lost. "
                            + "Reload to see theirs, then make yours again.");
                }
            }
            Questionnaire changed = edit.apply(head.document());
            if (changed.equals(head.document())) {
                return head;
            }
            try {
                Draft made = drafts.append(head, changed, edit.says(), who.getName());
                live.announce(made);
                return made;
            } catch (Overtaken e) {
                // Somebody was quicker; look again at what they did.
            }
        }
    }

    Draft undo(String code, boolean redo, Principal who) throws Conflict {
        Draft head = frame.draft(code);
        try {
            Draft made = redo ? drafts.redo(head, who.getName()) : drafts.undo(head, who.getName());
            live.announce(made);
            return made;
        } catch (Overtaken e) {
            throw new Conflict("Somebody made a revision at the same moment. Look at it, then try again.");
        }
    }

    /** What an edit is about, for finding out whether somebody else changed it. */
    private static Object subject(Questionnaire document, String about) {
        if (about.equals("ending")) {
            return java.util.List.of(document.outcomes(), document.outcomeTable(), document.claims());
        }
        if (about.equals("title")) {
            return document.title();
        }
        return document.item(about).map(Object.class::cast)
                .or(() -> document.page(about).map(p -> p.withItems(java.util.List.of()))).orElse(null);
    }
}
