package orthogon.app.remarks;

import jakarta.servlet.http.HttpServletResponse;
import java.security.Principal;
import orthogon.app.editing.Editing;
import orthogon.app.frame.Frame;
import orthogon.app.store.DraftStore.Draft;
import orthogon.app.store.RemarkStore;
import orthogon.app.work.RemarkOnRow;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

@Controller
@RequestMapping("/q/{code}/remarks")
class RemarksController {

    private static final int MOST = 2000;

    private final Frame frame;
    private final RemarkStore remarks;
    private final RemarkOnRow remarking;

    RemarksController(Frame frame, RemarkStore remarks, RemarkOnRow remarking) {
        this.frame = frame;
        this.remarks = remarks;
        this.remarking = remarking;
    }

    @GetMapping
    String list(@PathVariable String code, @RequestParam String at, Model model) {
        Draft draft = frame.draft(code);
        model.addAttribute("code", code);
        model.addAttribute("at", at);
        model.addAttribute("remarks", remarks.at(draft.id(), at));
        return "remarks :: list";
    }

    @PostMapping
    String add(@PathVariable String code, @RequestParam String at, @RequestParam String text, Principal who, Model model,
            HttpServletResponse response) {
        return Editing.attempt(model, response, () -> {
            Draft draft = frame.draft(code);
            remarking.add(draft, at, text, who.getName());
            return list(code, at, model);
        });
    }

    @PostMapping("/settle")
    String settle(@PathVariable String code, @RequestParam String at, @RequestParam long id, Principal who, Model model) {
        Draft draft = frame.draft(code);
        remarking.settle(draft, at, id, who.getName());
        return list(code, at, model);
    }
}
