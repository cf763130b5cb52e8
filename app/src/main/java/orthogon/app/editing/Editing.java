package orthogon.app.editing;

import jakarta.servlet.http.HttpServletResponse;
import java.security.Principal;
import java.util.Optional;
import orthogon.app.account.Accounts;
import orthogon.app.frame.Frame;
import orthogon.app.proving.Live;
import orthogon.app.storage.AuditStore;
import orthogon.app.storage.DraftStore;
import orthogon.app.storage.DraftStore.Draft;
import orthogon.app.storage.DraftStore.Overtaken;
import orthogon.core.edit.Edit;
import orthogon.core.edit.Refused;
import orthogon.core.language.Units;
import orthogon.core.questionnaire.Group;
import orthogon.core.questionnaire.Questionnaire;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;

/** Makes edits, one revision each. An edit of an older revision is made on the newest where both leave each other alone. */
@Component
public class Editing {

    /** Two people changed the same thing; the second is told. */
    public static final class Conflict extends Exception {
        Conflict(String message) {
            super(message, null, false, false);
        }
    }

    /** An edit that may not be possible; gives the view that shows what came of it. */
    public interface Attempt {
        String view() throws Refused, Conflict;
    }

    private final DraftStore drafts;
    private final Frame frame;
    private final Live live;
    private final AuditStore audit;

    Editing(DraftStore drafts, Frame frame, Live live, AuditStore audit) {
        this.audit = audit;
        this.drafts = drafts;
        this.frame = frame;
        this.live = live;
    }

    /** The view of an edit, or of the reason why it was not made, which goes into the sheet's place for messages. */
    public static String attempt(Model model, HttpServletResponse response, Attempt attempt) {
        try {
            return attempt.view();
        } catch (Refused e) {
            return refused(e.getMessage(), 422, model, response);
        } catch (Conflict e) {
            return refused(e.getMessage(), 409, model, response);
        }
    }

    /** A message in place of what was asked for. */
    public static String refused(String message, int status, Model model, HttpServletResponse response) {
        response.setStatus(status);
        model.addAttribute("message", message);
        response.setHeader("HX-Retarget", "#message");
        response.setHeader("HX-Reswap", "innerHTML");
        return "editing :: message";
    }

    /** The document that the analyst looked at. */
    public Questionnaire seen(String code, int revision) {
        Draft head = frame.draft(code);
        return drafts.at(head.id(), revision).map(Draft::document).orElse(head.document());
    }

    public Draft make(String code, int revision, Edit edit, Principal who) throws Refused, Conflict {
        while (true) {
            Draft head = frame.draft(code);
            if (head.revision() != revision) {
                Optional<Draft> seen = drafts.at(head.id(), revision);
                Optional<String> changedMeanwhile = edit.about().stream().filter(about -> seen.isEmpty()
                        || !java.util.Objects.equals(subject(seen.get().document(), about), subject(head.document(), about))).findFirst();
                if (changedMeanwhile.isPresent()) {
                    throw new Conflict(
                            Accounts.shown(head.author()) + " changed " + changedMeanwhile.get() + " in the meantime (" + head.command()
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
                audit.note(who.getName(), code, "revision " + made.revision() + ": " + edit.says());
                live.announce(made);
                return made;
            } catch (Overtaken e) {
                // Somebody was quicker; look again at what they did.
            }
        }
    }

    public Draft undo(String code, boolean redo, Principal who) throws Conflict {
        Draft head = frame.draft(code);
        try {
            Draft made = redo ? drafts.redo(head, who.getName()) : drafts.undo(head, who.getName());
            live.announce(made);
            return made;
        } catch (Overtaken e) {
            throw new Conflict("Somebody made a revision at the same moment. Look at it, then try again.");
        }
    }

    /** The document of an earlier revision, made the newest again; what came in between stays in the history. */
    public Draft restore(String code, int revision, Principal who) throws Refused, Conflict {
        Draft head = frame.draft(code);
        Draft wanted = drafts.at(head.id(), revision).orElseThrow(() -> new Refused("There is no revision " + revision + "."));
        try {
            Draft made = drafts.append(head, wanted.document(), "restored revision " + revision, who.getName());
            live.announce(made);
            return made;
        } catch (Overtaken e) {
            throw new Conflict("Somebody made a revision at the same moment. Look at it, then try again.");
        }
    }

    /** What an edit is about, for finding out whether somebody else changed it. */
    private static Object subject(Questionnaire document, String about) {
        if (about.equals(Edit.ENDING)) {
            return java.util.List.of(document.outcomes(), document.outcomeTable(), document.claims());
        }
        if (about.equals(Edit.PRESENTATION)) {
            return java.util.List.of(document.title(), document.presentation(), document.linkParameters());
        }
        if (about.equals(Edit.LANGUAGES)) {
            return document.languages();
        }
        if (about.startsWith(Edit.NOTE)) {
            return document.notes().get(about.substring(Edit.NOTE.length()));
        }
        if (about.startsWith(Edit.TRANSLATION)) {
            String[] place = about.substring(Edit.TRANSLATION.length()).split("/", 2);
            return java.util.Arrays.asList(document.translations().getOrDefault(place[0], java.util.Map.of()).get(place[1]),
                    Units.sources(document, place[0]).get(place[1]));
        }
        return document.item(about).map(i -> i instanceof Group group ? group.withItems(java.util.List.of()) : i)
                .map(Object.class::cast)
                .or(() -> document.page(about).map(p -> p.withItems(java.util.List.of()))).orElse(null);
    }
}
