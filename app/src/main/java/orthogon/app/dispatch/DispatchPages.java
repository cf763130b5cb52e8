package orthogon.app.dispatch;

import jakarta.servlet.http.HttpServletResponse;
import java.security.Principal;
import java.util.Optional;
import orthogon.app.editing.Editing;
import orthogon.app.editing.Editing.EditConflict;
import orthogon.app.frame.Frame;
import orthogon.app.store.DraftStore.Draft;
import orthogon.app.view.Views;
import orthogon.core.edit.ChangeDispatch;
import orthogon.core.questionnaire.Dispatch;
import orthogon.core.questionnaire.Refused;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;

/** The sheet as a page, and the edits that are made on it. */
@Component
class DispatchPages {

    private final Frame frame;
    private final Editing editing;
    private final DispatchViews views;

    DispatchPages(Frame frame, Editing editing, DispatchViews views) {
        this.frame = frame;
        this.editing = editing;
        this.views = views;
    }

    /** The sheet with an entry chosen, the first message where there is none of that code. */
    String show(String code, String at, String language, Model model) {
        return show(frame.draft(code), at, TypedEntry.NOTHING, "", language, model);
    }

    /** How many ways there are through a whole case, in words. */
    String caseWays(String code) {
        return views.caseWays(frame.draft(code));
    }

    private String show(Draft draft, String at, TypedEntry typed, String wrong, String language, Model model) {
        frame.fill(model, draft, "dispatch");
        TypedEntry entry = typed.isNothing() ? TypedEntry.kept(draft.document(), at) : typed;
        Views.show(model, views.sheet(draft, entry, wrong, language));
        return "dispatch";
    }

    /** Keeps what goes out, and leads to an entry. */
    String changed(String code, int revision, String at, Principal who, Dispatch dispatch) throws Refused, EditConflict {
        editing.make(code, revision, new ChangeDispatch(dispatch), who);
        return "redirect:/q/" + code + "/dispatch" + (at.isEmpty() ? "" : "?at=" + at);
    }

    /**
     * An edit, or the sheet with the reason why it was not made.
     *
     * @param at code of the entry that it is about
     * @param typed what was typed and stays
     */
    String attempt(String code, String at, TypedEntry typed, Model model, HttpServletResponse response, Editing.Attempt edit) {
        try {
            return edit.view();
        } catch (Refused | EditConflict e) {
            response.setStatus(e instanceof Refused ? 422 : 409);
            return show(frame.draft(code), at, typed, Optional.ofNullable(e.getMessage()).orElse(""), "", model);
        }
    }
}
