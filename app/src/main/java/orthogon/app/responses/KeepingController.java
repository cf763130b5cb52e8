package orthogon.app.responses;

import java.security.Principal;
import orthogon.app.frame.Frame;
import orthogon.app.store.DraftStore.Draft;
import orthogon.app.store.RetentionStore;
import orthogon.app.store.RetentionStore.Retention;
import orthogon.app.view.Views;
import orthogon.app.work.KeepNoLonger;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Refused;
import java.util.List;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** How long responses and unfinished interviews are kept. */
@Controller
@RequestMapping("/q/{code}/responses/keeping")
class KeepingController {

    /** @param personal questions whose answers are personal in the newest release */
    record KeepingView(Retention retention, List<Item> personal, int most) {}

    private final Frame frame;
    private final ResponseSearch search;
    private final RetentionStore retention;
    private final KeepNoLonger keeping;

    KeepingController(Frame frame, ResponseSearch search, RetentionStore retention, KeepNoLonger keeping) {
        this.frame = frame;
        this.search = search;
        this.retention = retention;
        this.keeping = keeping;
    }

    @GetMapping
    String keeping(@PathVariable String code, Model model) {
        Draft draft = frame.draft(code);
        frame.fill(model, draft, "responses");
        Views.show(model, new KeepingView(retention.of(draft.id()).orElse(Retention.forever(draft.id())),
                search.document(draft).questions().filter(Question::personal).map(Item.class::cast).toList(), KeepNoLonger.MOST_DAYS));
        return "keeping";
    }

    @PostMapping
    String decide(@PathVariable String code, @RequestParam int responseDays, @RequestParam(defaultValue = "false") boolean onlyPersonal,
            @RequestParam int unfinishedDays, Principal who, RedirectAttributes flash) {
        Draft draft = frame.draft(code);
        try {
            keeping.decide(code, new Retention(draft.id(), responseDays, onlyPersonal, unfinishedDays), who.getName());
            flash.addFlashAttribute("told", "Kept. What is due goes in the night.");
        } catch (Refused e) {
            flash.addFlashAttribute("message", e.getMessage());
        }
        return "redirect:/q/" + code + "/responses/keeping";
    }
}
