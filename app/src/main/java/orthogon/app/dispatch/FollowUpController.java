package orthogon.app.dispatch;

import jakarta.servlet.http.HttpServletResponse;
import java.security.Principal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import orthogon.app.editing.Editing;
import orthogon.app.editing.Editing.EditConflict;
import orthogon.app.opening.Openable;
import orthogon.core.edit.WholeDocument;
import orthogon.core.questionnaire.Codes;
import orthogon.core.questionnaire.FollowUp;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Refused;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Follow-ups: which questionnaire is opened for a response, with what, and what comes of it. */
@Controller
@RequestMapping("/q/{code}/dispatch/follow-ups")
class FollowUpController {

    private final Editing editing;
    private final DispatchPages pages;
    private final Openable openable;

    FollowUpController(Editing editing, DispatchPages pages, Openable openable) {
        this.editing = editing;
        this.pages = pages;
        this.openable = openable;
    }

    @PostMapping("/add")
    String add(@PathVariable String code, @RequestParam int revision, @RequestParam(defaultValue = "") String questionnaire, Principal who,
            Model model, HttpServletResponse response) {
        return pages.attempt(code, "", TypedEntry.NOTHING, model, response, () -> {
            Questionnaire document = editing.seen(code, revision);
            String fresh = Codes.fresh(questionnaire, WholeDocument.codes(document)::contains);
            return followUps(code, revision, fresh, who,
                    DispatchController.with(document.followUps(), FollowUp.of(fresh, questionnaire, "")));
        });
    }

    @PostMapping("/keep")
    String keep(@PathVariable String code, @RequestParam int revision, @RequestParam MultiValueMap<String, String> form, Principal who,
            Model model, HttpServletResponse response) {
        TypedFollowUp typed = TypedFollowUp.of(form);
        return pages.attempt(code, typed.was(), TypedEntry.of(typed), model, response, () -> {
            Questionnaire document = editing.seen(code, revision);
            document.followUp(typed.was()).orElseThrow(() -> DispatchController.gone(typed.was()));
            FollowUp written = typed.followUp(opened(document, typed.questionnaire()));
            return followUps(code, revision, written.code(), who,
                    DispatchController.replaced(document.followUps(), f -> f.code().equals(typed.was()) ? written : f));
        });
    }

    private Optional<Questionnaire> opened(Questionnaire document, String questionnaire) {
        Questionnaire opening = document.withFollowUps(List.of(FollowUp.of("only", questionnaire, "")));
        return openable.of(opening).find(questionnaire);
    }

    /** Moves a follow-up before the one above it. */
    @PostMapping("/up")
    String up(@PathVariable String code, @RequestParam int revision, @RequestParam String followUp, Principal who, Model model,
            HttpServletResponse response) {
        return pages.attempt(code, followUp, TypedEntry.NOTHING, model, response, () -> {
            List<FollowUp> moved = new ArrayList<>(editing.seen(code, revision).followUps());
            int at = moved.stream().map(FollowUp::code).toList().indexOf(followUp);
            if (at < 0) {
                throw DispatchController.gone(followUp);
            }
            if (at > 0) {
                moved.add(at - 1, moved.remove(at));
            }
            return followUps(code, revision, followUp, who, moved);
        });
    }

    @PostMapping("/strike")
    String strike(@PathVariable String code, @RequestParam int revision, @RequestParam String followUp, Principal who, Model model,
            HttpServletResponse response) {
        return pages.attempt(code, followUp, TypedEntry.NOTHING, model, response, () -> followUps(code, revision, "", who,
                editing.seen(code, revision).followUps().stream().filter(f -> !f.code().equals(followUp)).toList()));
    }

    private String followUps(String code, int revision, String at, Principal who, List<FollowUp> changed) throws Refused, EditConflict {
        return pages.changed(code, revision, at, who, editing.seen(code, revision).dispatch().withFollowUps(changed));
    }
}
